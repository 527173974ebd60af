import { describe, expect, it } from 'vitest'
import { RELIEF_PLACES, cutterRelief, faceToSeat, keptRadii, mirroredReliefs, pulledWall, underSeat, type ChamberValve, type Cutter } from '..'

const upright: ChamberValve = { valve: 'intake', x: 0, y: 0, diameter: 40, tilt: 0, leans: 270, seatHeight: 12, sunk: 0, seatWidth: 1.4, seatAngle: 45, topCutWidth: 0.5, topCutAngle: 30 }
const leaning: ChamberValve = { ...upright, tilt: 24 }
const none = Array.from({ length: RELIEF_PLACES }, () => 0)
const round = (value: number) => Array.from({ length: 360 }, () => value)

describe('a cutter in a guide', () => {
  it('begins under the top cut: 0.5 wide at 30° lies 0.2887 below the seat, along the axis of any valve', () => {
    for (const valve of [upright, leaning, { ...leaning, sunk: 1.2 }]) expect(underSeat(valve)).toBeCloseTo(0.289, 6)
  })
  it('reaches from the face to the seat: 12.0 upright, (12 + 20·sin 24°)/cos 24° where it leans, less what is off the face', () => {
    expect(faceToSeat(upright, 0.5)).toBeCloseTo(11.5, 9)
    expect(faceToSeat(leaning, 0)).toBeCloseTo((12 + 20 * Math.sin(24 * Math.PI / 180)) / Math.cos(24 * Math.PI / 180), 9)
  })
  const CASES: [string, Cutter, { below: number, cut: number[], bare: number[] }][] = [
    ['all the way round, to the top cut', { diameter: 44, corner: 0, from: 0, to: 360 }, { below: 0.289, cut: [0, 60, 119], bare: [] }],
    ['8 deep from the face: 12 − 8 = 4 below the seat', { diameter: 44, corner: 0, reach: 8, from: 0, to: 360 }, { below: 4, cut: [30], bare: [] }],
    ['never into the top cut, however far it would reach', { diameter: 44, corner: 0, reach: 13, from: 0, to: 360 }, { below: 0.289, cut: [30], bare: [] }],
    ['between two azimuths', { diameter: 44, corner: 0, from: 90, to: 180 }, { below: 0.289, cut: [30, 45, 60], bare: [29, 61, 0, 100] }],
    ['over 0°', { diameter: 44, corner: 0, from: 330, to: 30 }, { below: 0.289, cut: [110, 0, 10], bare: [11, 60, 109] }]
  ]
  it.each(CASES)('%s', (_, cutter, { below, cut, bare }) => {
    const relief = cutterRelief({ valve: 2, of: upright }, cutter, 46, 0)
    expect(relief).toMatchObject({ valve: 2, line: 46, below: expect.closeTo(below, 6) as number })
    expect(cut.map(i => relief.radii[i])).toEqual(cut.map(() => 22))
    expect(bare.map(i => relief.radii[i])).toEqual(bare.map(() => 0))
  })
  it('keeps its corner, and refuses no diameter', () => {
    expect(cutterRelief({ valve: 0, of: upright }, { diameter: 44, corner: 1.5, from: 0, to: 360 }, 46, 0).corner).toBe(1.5)
    expect(() => cutterRelief({ valve: 0, of: upright }, { diameter: 0, corner: 0, from: 0, to: 360 }, 46, 0)).toThrow(/diameter is 0/)
  })
})

describe('a wall pulled by hand', () => {
  const wall = { radius: 20, gap: round(2), most: round(6) }
  it('stands where the hand asks, and its neighbours fall away in sixths: 3 mm at 90°, 2.5 beside it, none at 18°', () => {
    const radii = pulledWall(none, wall, 90, 25)
    expect([30, 31, 29, 35, 36, 24].map(i => radii[i])).toEqual([25, 24.5, 24.5, 22.5, 0, 0])
  })
  it('never goes past its limit', () => expect(Math.max(...pulledWall(none, wall, 0, 40))).toBe(26))
  it('takes nothing of what is cut beside the hand; under the hand it goes back to the bare wall', () => {
    const first = pulledWall(none, wall, 90, 25)
    const back = pulledWall(first, wall, 90, 22)
    expect([29, 30, 31].map(i => back[i])).toEqual([24.5, 0, 24.5])
  })
  it('goes round past 0°', () => {
    const radii = pulledWall(none, wall, 359.5, 24)
    expect([0, 119, 1].map(i => radii[i])).toEqual([24, 23.67, 23.67])
  })
})

describe('radii of a relief', () => {
  it('are kept every three degrees, to a hundredth, none below 0', () => {
    const kept = keptRadii(Array.from({ length: 360 }, (_, i) => i === 3 ? -4 : i + 0.004))
    expect([kept.length, kept[0], kept[1], kept[2], kept[119]]).toEqual([RELIEF_PLACES, 0, 0, 6, 357])
  })
  it('mirrored: 0° becomes 180°, 90° stays, and twice is as before', () => {
    const relief = { valve: 0, radii: Array.from({ length: RELIEF_PLACES }, (_, i) => i), below: 0, line: 46 }
    const [turned] = mirroredReliefs([relief])
    expect([0, 30, 60, 90].map(i => turned!.radii[i])).toEqual([60, 30, 0, 90])
    expect(mirroredReliefs([turned!])).toEqual([relief])
  })
})
