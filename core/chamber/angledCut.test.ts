import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { box, cap, turned } from '../../tests/support/solids'
import { UNCUT, angleOf, atEdges, cutAtChamber, cutOf, cutsTogether, faceLeft, fromEdges, roundEdge, sectionOf, solveCut, valveDrop, valveMargins, volumeAboveCut, worstHit, type ChamberValve } from '.'

const tan = (degrees: number) => Math.tan(degrees * Math.PI / 180)
const setup = { roll: 'aboutCrank' as const, angle: 0, depth: 0, flat: 0 }
const exhaust: ChamberValve = {
  valve: 'exhaust', x: 23.9, y: 3.5, diameter: 37, tilt: 24, leans: 270, seatHeight: 1.4, sunk: 0, seatWidth: 1.4, seatAngle: 45, topCutWidth: 0.4817, topCutAngle: 30
}

describe('a set-up as a plane', () => {
  it('rolls about the crank or across it, then goes flat along its own normal', () => {
    expect(cutOf({ ...setup, angle: 1, depth: 0.5 })).toEqual({ depth: 0.5, slopeX: 0, slopeY: tan(1) })
    expect(cutOf({ ...setup, roll: 'acrossCrank', angle: -2, depth: 0.5 })).toEqual({ depth: 0.5, slopeX: tan(-2), slopeY: 0 })
    expect(cutOf({ ...setup, angle: 10, depth: 0.5, flat: 0.3 }).depth).toBeCloseTo(0.5 + 0.3 / Math.cos(10 * Math.PI / 180), 12)
    expect(() => cutOf({ ...setup, angle: 31 })).toThrow(RangeError)
  })
  it('comes from depths at two edges', () => {
    // 1.6 mm over 160 mm
    expect(fromEdges(0.2, 1.8, 80)).toEqual({ angle: Math.atan(0.01) * 180 / Math.PI, depth: 1 })
    expect(() => fromEdges(0, 1, 0)).toThrow(RangeError)
    // tan 1° = 0.0174551; 60 mm out at 0.02 a plane of 0.5 stands 1.2 − 0.5 over the old face.
    expect(angleOf(-0.0174551)).toBeCloseTo(-1, 5)
    expect(() => angleOf(Number.NaN)).toThrow(RangeError)
    expect([[0.5, 60], [1.2, 60], [0.5, 25], [0.5, 20]].map(([depth, reach]) => faceLeft({ depth: depth!, slopeX: 0, slopeY: -0.02 }, reach!))).toEqual([expect.closeTo(0.7, 12), 0, 0, 0])
    // 3 and 4 across each other are 5 down the plane's own slope.
    expect(faceLeft({ depth: 0, slopeX: 0.03, slopeY: 0.04 }, 10)).toBeCloseTo(0.5, 12)
    expect(() => faceLeft(UNCUT, -1)).toThrow(RangeError)
    const { low, high } = atEdges({ angle: Math.atan(0.01) * 180 / Math.PI, depth: 1 }, 80)
    expect(low).toBeCloseTo(0.2, 9)
    expect(high).toBeCloseTo(1.8, 9)
  })
  it('cuts one after another as one', () => {
    expect(cutsTogether([{ depth: 0.5, slopeX: 0, slopeY: 0.02 }, { ...UNCUT, depth: 0.3 }]).depth).toBeCloseTo(0.5 + 0.3 * Math.sqrt(1.0004), 12)
  })
})

describe('one figure found from the target', () => {
  // A box 20 × 30, 10 high: a plane of slope s through its middle at depth d leaves (10 − d)·600 whatever s is.
  const mesh = box(20, 30, 10)
  const at = { x: 0, y: 0 }
  it('depth: (6 − target)/0.6, whatever the angle', () => {
    expect(solveCut(mesh, at, { ...setup, angle: 5 }, 'depth', 4.8)).toBeCloseTo(2, 6)
    // Along the head the bore line lies deeper by slope·X.
    expect(solveCut(mesh, { x: 100, y: 0 }, { ...setup, roll: 'acrossCrank', angle: 1 }, 'depth', 4.8)).toBeCloseTo(2 - 100 * tan(1), 6)
  })
  it('flat: what is left of the depth, square to the new face', () => {
    expect(solveCut(mesh, at, { ...setup, angle: 5, depth: 1.5 }, 'flat', 4.8)).toBeCloseTo(0.5 * Math.cos(5 * Math.PI / 180), 6)
    expect(() => solveCut(mesh, at, { ...setup, angle: 5, depth: 2.5 }, 'flat', 4.8)).toThrow(/flat/)
  })
  it('angle: a chamber off the bore line is deeper cut by the roll', () => {
    const off = box(20, 30, 10, [0, 20, 0])
    // 1.2 cc over 600 mm² is 2 mm at y = 20
    expect(solveCut(off, at, setup, 'angle', 4.8)).toBeCloseTo(Math.atan(2 / 20) * 180 / Math.PI, 4)
    expect(() => solveCut(mesh, at, { ...setup, depth: 0 }, 'angle', 0.001)).toThrow(RangeError)
  })
  it('angle: of the two that leave as much the smaller one, the way the chamber lies off the bore line', () => {
    const found = [2, -2].map(y => solveCut(box(20, 30, 10, [0, y, 0]), at, setup, 'angle', 5.7))
    expect(found[0]).toBeGreaterThan(0)
    expect(found[1]).toBeCloseTo(-found[0]!, 6)
  })
  it('leaves what is wanted over whatever face was left before, whichever way both lie', () => {
    const slope = fc.double({ min: -0.15, max: 0.15, noNaN: true })
    fc.assert(fc.property(slope, slope, fc.double({ min: -6, max: 6, noNaN: true }), fc.constantFrom('aboutCrank' as const, 'acrossCrank' as const), fc.double({ min: 1.5, max: 3.5, noNaN: true }), (slopeX, slopeY, angle, roll, target) => {
      const done = { depth: 0.4, slopeX, slopeY }
      const depth = solveCut(mesh, { x: 7, y: -3 }, { ...setup, roll, angle }, 'depth', target, done)
      expect(volumeAboveCut(mesh, cutsTogether([done, cutAtChamber(cutOf({ ...setup, roll, angle, depth }), { x: 7, y: -3 })]))).toBeCloseTo(target, 6)
    }), { numRuns: 60 })
  })
  it('counts from the face an earlier cut left', () => {
    expect(solveCut(mesh, at, setup, 'depth', 4.8, { ...UNCUT, depth: 0.7 })).toBeCloseTo(1.3, 6)
  })
})

describe('a section', () => {
  const areaOf = (loops: number[][], u: number, v: number) => loops.reduce((sum, loop) => {
    let twice = 0
    const n = loop.length / 3
    for (let i = 0; i < n; i++) {
      const k = (i + 1) % n
      twice += loop[3 * i + u]! * loop[3 * k + v]! - loop[3 * k + u]! * loop[3 * i + v]!
    }
    return sum + twice / 2
  }, 0)
  it('of a box is its rectangle', () => {
    const loops = sectionOf(box(20, 30, 10), { normal: [0, 0, 1], offset: 4 })
    expect(loops.length).toBe(1)
    expect(areaOf(loops, 0, 1)).toBeCloseTo(600, 9)
    expect(areaOf(sectionOf(box(20, 30, 10), { normal: [1, 0, 0], offset: 3 }), 1, 2)).toBeCloseTo(300, 9)
  })
  it('of a cap is a circle, of a ring two', () => {
    expect(areaOf(sectionOf(cap(50, 20), { normal: [0, 0, 1], offset: 5 }), 0, 1)).toBeCloseTo(Math.PI * (2500 - 35 ** 2), 0)
    const hat = turned([[20, 0], [10, 0.001], [10, 6], [20, 6.001]], 180)
    expect(sectionOf(hat, { normal: [0, 0, 1], offset: 3 }).length).toBe(1)
    expect(sectionOf(box(20, 30, 10), { normal: [0, 0, 1], offset: 40 })).toEqual([])
    expect(() => sectionOf(box(1, 1, 1), { normal: [0, 0, 0], offset: 0 })).toThrow(RangeError)
  })
})

describe('seats under a cut', () => {
  it('the launch exhaust: clear, an arc of the top cut, a seat job, stop', () => {
    const verdict = (depth: number) => valveMargins(exhaust, { ...UNCUT, depth }).verdict
    expect([0.9, 1.08, 1.52, 3.5].map(verdict)).toEqual(['clear', 'topCutLost', 'seatJob', 'stop'])
    const { seat, topCut } = valveMargins(exhaust, { ...UNCUT, depth: 1.52 })
    expect(seat.firstTouch).toBeCloseTo(1.4, 9)
    expect(topCut.firstTouch).toBeCloseTo(0.95, 3)
    // k = 18.5·sin 24°; 2·acos(1 − 0.12/k)
    expect(seat.arcLost).toBeCloseTo(2 * Math.acos(1 - 0.12 / (18.5 * Math.sin(24 * Math.PI / 180))) * 180 / Math.PI, 6)
  })
  it('of two of a kind the one counts that loses more, whichever has less of its seat left', () => {
    const of = (seatHeight: number, topCutWidth: number) => valveMargins({ ...exhaust, seatHeight, topCutWidth }, { ...UNCUT, depth: 0.9 })
    // The second stands higher, and its wide top cut is met first.
    const [near, wide, gone] = [of(1.2, 0.2), of(1.4, 2), of(0.8, 0.2)]
    expect([near, wide, gone].map(v => v.verdict)).toEqual(['clear', 'topCutLost', 'seatJob'])
    expect(wide.seat.margin).toBeGreaterThan(near.seat.margin)
    expect(worstHit([near, wide])).toBe(wide)
    expect(worstHit([wide, gone, near])).toBe(gone)
    expect(worstHit([near, of(1.3, 0.2)])).toBe(near)
    expect(worstHit([])).toBeUndefined()
  })
  it('are walked counter-clockwise from +x: 72 places of an edge of 40, level and leaning by 60°', () => {
    const at = (axis: [number, number, number], i: number) => roundEdge({ centre: [1, 2, 5], axis, diameter: 40 })[i]!.map(x => Number(x.toFixed(9)))
    expect([0, 18, 36].map(i => at([0, 0, 1], i))).toEqual([[21, 2, 5], [1, 22, 5], [-19, 2, 5]])
    // Its axis leans over x: along x the edge goes 20·cos 60° out and falls 20·sin 60°.
    expect(at([Math.sqrt(3) / 2, 0, 0.5], 0)).toEqual([11, 2, Number((5 - 10 * Math.sqrt(3)).toFixed(9))])
    expect(at([Math.sqrt(3) / 2, 0, 0.5], 18)).toEqual([1, 22, 5])
  })
  it('round the clock: least where the stem leans to, and it agrees with the closed form', () => {
    const { seat } = valveMargins(exhaust, { ...UNCUT, depth: 1 })
    const least = Math.min(...seat.round)
    expect(least).toBeCloseTo(seat.margin, 6)
    expect(seat.round.indexOf(least) * 360 / seat.round.length).toBe(270)
    expect(Math.max(...seat.round)).toBeCloseTo(0.4 + 37 * Math.sin(24 * Math.PI / 180), 6)
  })
  it('an angled cut that takes more on the far side spares a seat that is low on the near one', () => {
    const flat = valveMargins(exhaust, { ...UNCUT, depth: 1.3 })
    const angled = valveMargins(exhaust, { depth: 1.3, slopeX: 0, slopeY: tan(1) })
    // The low edge lies at y = 3.5 − 18.5·cos 24° = −13.4: 0.234 mm less there
    expect(angled.seat.margin - flat.seat.margin).toBeCloseTo(13.4 * tan(1), 2)
  })
  it('comes down with a flat cut by its depth, and turns with a roll by its angle', () => {
    expect(valveDrop(exhaust, UNCUT, { ...UNCUT, depth: 0.6 })).toEqual({ drop: expect.closeTo(0.6, 9) as number, tilt: expect.closeTo(24, 9) as number })
    expect(valveDrop(exhaust, UNCUT, { depth: 0.6, slopeX: 0, slopeY: tan(1) }).tilt).toBeCloseTo(23, 6)
    expect(valveDrop(exhaust, UNCUT, { depth: 0.6, slopeX: 0, slopeY: tan(-1) }).tilt).toBeCloseTo(25, 6)
  })
  it('two parts of a solid sum to the whole under any tilted plane', () => {
    const mesh = cap(50, 20, 60, 120)
    const cut = { depth: 3, slopeX: 0.05, slopeY: -0.1 }
    const loops = sectionOf(mesh, { normal: [-cut.slopeX, -cut.slopeY, 1], offset: cut.depth })
    expect(loops.length).toBe(1)
    expect(volumeAboveCut(mesh, cut)).toBeLessThan(volumeAboveCut(mesh, UNCUT))
  })
})
