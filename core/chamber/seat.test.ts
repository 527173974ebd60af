import { describe, expect, it } from 'vitest'
import { blending, camRetard, clearanceFromSinking, pushrodChange, ridgeVolume, seatLedge, seatMargin, sinking, vFlange } from '.'

const rad = (d: number) => d * Math.PI / 180
const seat = { diameter: 36.4, axis: [0, -Math.sin(rad(26)), Math.cos(rad(26))] as [number, number, number], centre: [23.5, 3.5, 8.67835] as [number, number, number] }
const flat = (depth: number) => ({ depth, slopeX: 0, slopeY: 0 })

describe('a seat under a cut', () => {
  it('is the contract’s: first touch 0.700, 0.100 left at 0.60, 34.07° gone at 1.05', () => {
    expect(seatMargin(seat, flat(0.6)).firstTouch).toBeCloseTo(0.7, 4)
    expect(seatMargin(seat, flat(0.6)).margin).toBeCloseTo(0.1, 4)
    expect(seatMargin(seat, flat(0.6)).arcLost).toBe(0)
    expect(seatMargin(seat, flat(1.05)).arcLost).toBeCloseTo(34.07, 2)
    expect(seatMargin(seat, flat(40)).arcLost).toBe(360)
  })
  it('under a tilted cut agrees with the circle walked point by point', () => {
    const cut = { depth: 0.2, slopeX: 0.01, slopeY: 0.03 }
    const [a, u] = [seat.axis, [1, 0, 0]]
    const v = [a[1] * u[2]! - a[2] * u[1]!, a[2] * u[0]! - a[0] * u[2]!, a[0] * u[1]! - a[1] * u[0]!]
    const over = Array.from({ length: 36000 }, (_, i) => {
      const t = rad(i / 100)
      const p = [0, 1, 2].map(k => seat.centre[k]! + seat.diameter / 2 * (Math.cos(t) * u[k]! + Math.sin(t) * v[k]!))
      return p[2]! - cut.depth - cut.slopeX * p[0]! - cut.slopeY * p[1]!
    })
    const result = seatMargin(seat, cut)
    expect(result.margin).toBeCloseTo(Math.min(...over) / Math.hypot(0.01, 0.03, 1), 5)
    const deeper = seatMargin(seat, { ...cut, depth: result.firstTouch + 0.5 })
    const lowest = Math.min(...over)
    expect(deeper.arcLost).toBeCloseTo(over.filter(h => h - lowest < 0.5).length / 100, 1)
  })
  it('refuses an axis that is none and a circle of no size', () => {
    expect(() => seatMargin({ ...seat, axis: [0, 0, 2] }, flat(0))).toThrow(/unit vector/)
    expect(() => seatMargin({ ...seat, diameter: 0 }, flat(0))).toThrow(/diameter/)
    expect(() => seatMargin(seat, flat(NaN))).toThrow(/cut.depth/)
  })
})

describe('sinking a valve', () => {
  it('adds the contract’s cones: 0.593 cc under 30°, 0.625 under 15°', () => {
    expect(sinking({ diameter: 38, topCut: 30 }, 0.5).added).toBeCloseTo(0.593, 3)
    expect(sinking({ diameter: 38, topCut: 15 }, 0.5).added).toBeCloseTo(0.625, 3)
    expect(sinking({ diameter: 38, topCut: 30 }, 0)).toEqual({ added: 0, diameter: 38 })
    // Rims blended by 2 mm: triangles of ½·4·sin α at 19.866 + 2·(1 − cos α)/3 from the axis.
    expect(blending({ diameter: 39.732, topCut: 30 }, 2)).toBeCloseTo(2 * Math.PI * 19.9553 / 1000, 5)
    expect(blending({ diameter: 39.732, topCut: 60 }, 2)).toBeCloseTo(2 * Math.PI * 20.1993 * 1.73205 / 1000, 5)
  })
  it('gives clearance back: s·cosτ upright, s along the valve', () => {
    expect(clearanceFromSinking(0.5, 24, 'upright')).toBeCloseTo(0.4568, 4)
    expect(clearanceFromSinking(0.5, 24, 'alongValve')).toBe(0.5)
    expect(clearanceFromSinking(0.5, 24, 'pocket')).toBe(0.5)
    expect(() => clearanceFromSinking(-1, 24, 'upright')).toThrow(/sunk/)
  })
  it('a ridge left by a cutter holds ½·1.5·0.8 over a third of 42 mm round: 0.026389 cc; all the way round three times that', () => {
    const ridge = { height: 0.8, width: 1.5, across: 42, arc: 120 }
    expect(ridgeVolume(ridge)).toBeCloseTo(0.5 * 1.5 * 0.8 * Math.PI * 42 / 3 / 1000, 12)
    expect(ridgeVolume({ ...ridge, arc: 360 })).toBeCloseTo(0.0791681, 6)
    for (const bad of [{ height: 0 }, { width: -1 }, { across: Number.NaN }, { arc: 361 }]) expect(() => ridgeVolume({ ...ridge, ...bad })).toThrow(RangeError)
  })
  it('leaves a ledge where the seat alone is re-cut', () => {
    // 0.5/(1 − 0.57735)
    expect(seatLedge(45, 30, 0.5)).toBeCloseTo(1.183, 3)
    expect(() => seatLedge(30, 45, 0.5)).toThrow(/seatAngle/)
    expect(() => sinking({ diameter: 38, topCut: 90 }, 1)).toThrow(/topCut/)
  })
})

describe('what else moves when a head comes down', () => {
  it('a V’s flanges: γ 45, α 35, 0.60 down', () => {
    const v = vFlange(45, 35, 0.6)
    expect(v.offFlange).toBeCloseTo(0.740, 3)
    expect(v.manifoldDown).toBeCloseTo(1.030, 3)
    // left at its height: 0.6·cos 80° and 0.6·sin 80°
    expect(v.gap).toBeCloseTo(0.1042, 4)
    expect(v.portsOff).toBeCloseTo(0.5909, 4)
    expect(() => vFlange(45, 0, 1)).toThrow(/flange/)
    expect(() => vFlange(45, 180, 1)).toThrow(/flange/)
    expect(() => vFlange(90, 35, 1)).toThrow(/halfBank/)
  })
  it('a cam falls back 1.189°', () => {
    expect(camRetard(0.6, { runAngle: 5, pitch: 9.525, camTeeth: 38 })).toBeCloseTo(1.189, 3)
    expect(() => camRetard(0.6, { runAngle: 95, pitch: 9.525, camTeeth: 38 })).toThrow(/runAngle/)
  })
  it('a pushrod grows long by what the stack loses', () => {
    // (−0.3 − 1.08)·cos 6° − 0.45/1.5 + 0.2
    expect(pushrodChange({ gasketGain: -0.3, headCut: 1.08, deckCut: 0, sunk: 0.45, baseCircleLost: 0.2 }, { pushrodAngle: 6, rockerRatio: 1.5 })).toBeCloseTo(-1.4724, 4)
    expect(() => pushrodChange({ gasketGain: 0, headCut: 0, deckCut: 0, sunk: 0, baseCircleLost: 0 }, { pushrodAngle: 0, rockerRatio: 0 })).toThrow(/rockerRatio/)
  })
})
