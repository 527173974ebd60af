import { describe, expect, it } from 'vitest'
import { turned } from '../../tests/support/solids'
import { proposalOver, sweepLifts, wallsOver, type ChamberValve, type WallAt, type WallLook } from '..'

const valve: ChamberValve = { valve: 'intake', x: 0, y: 0, diameter: 30, tilt: 0, leans: 270, seatHeight: 16, sunk: 0, seatWidth: 1.4, seatAngle: 45, topCutWidth: 0.5, topCutAngle: 30 }
const chamber = (more: Partial<ChamberValve>) => ({ mesh: turned([[22, 0], [22, 18]]), valves: [{ ...valve, ...more }], done: { depth: 0, slopeX: 0, slopeY: 0 }, mouth: [] })
const look: WallLook = { below: { bore: 40, gasketBore: 40, gasketThickness: 1 }, needs: 'seat', limits: { line: 25, pads: [], fromSeat: 1 } }

describe('walls over a sweep of lifts', () => {
  it('goes up to the highest lift by fifteenths', () => {
    expect(sweepLifts(12)).toHaveLength(15)
    expect([sweepLifts(12)[0], sweepLifts(12)[14], sweepLifts(1.5)[0]]).toEqual([0.8, 12, 0.2])
  })
  // By hand at 12 mm: the cone's end lies 1.4·sin 45° = 0.9899 in; the cylinder between is π·30·(12 − 1.4/cos 45° …), well above what the throat passes.
  it.each<[string, Partial<ChamberValve>, number]>([
    ['the throat less its stem, where that is less', { throat: 26, stem: 7 }, Math.PI / 4 * (26 ** 2 - 7 ** 2)],
    ['no throat without a stem', { throat: 26 }, Number.NaN], ['none that is no wider than its stem', { throat: 7, stem: 7 }, Number.NaN]
  ])('needs %s', (_, more, throat) => {
    const [high] = wallsOver(chamber(more), 0, [12], look)
    const [bare] = wallsOver(chamber({}), 0, [12], look)
    expect(bare!.shroud.need).toBeGreaterThan(700)
    expect(high!.shroud.need).toBeCloseTo(Number.isNaN(throat) ? bare!.shroud.need : throat, 6)
  })
  it('needs all of the circumference where that is asked: π·30·6', () => {
    expect(wallsOver(chamber({}), 0, [6], { ...look, needs: 'cylinder' })[0]!.shroud.need).toBeCloseTo(Math.PI * 180, 6)
  })
})

describe('what a school proposes over a sweep', () => {
  // Walls that close in by 0.1 mm a lift, free to go 9 mm out.
  const walls = sweepLifts(12).map((lift, k): WallAt => ({
    lift, limit: Array.from({ length: 120 }, () => 9), shroud: { azimuth: [], gap: Array.from({ length: 120 }, () => 3 - 0.1 * k), need: 100, required: 4, ratio: [], factor: 0.5 }
  }))
  const pin = { diameter: 5, lift: 8, most: 12 }
  it('holds a pin at its one lift: 8 mm is the tenth of fifteen', () => {
    expect(proposalOver('pin', 15, walls, pin)!.deepest).toBeCloseTo(5 - (3 - 0.9), 9)
    expect(proposalOver('pin', 15, walls, pin)!.gaps).toHaveLength(1)
  })
  it('holds it at the highest where its lift was not looked at', () => {
    expect(proposalOver('pin', 15, walls, { ...pin, lift: 20 })!.deepest).toBeCloseTo(5 - (3 - 1.4), 9)
  })
  it('matches the need at every lift', () => expect(proposalOver('match', 15, walls, pin)!.gaps).toHaveLength(15))
  it('says nothing where there is no wall', () => expect(proposalOver('line', 15, [], pin)).toBeUndefined())
})
