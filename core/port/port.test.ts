import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  THROAT_AIMS, flangeStep, machIndex, outlineFault, outlinePoints, peakDemand, peakPistonSpeed, pistonTravel, revsAtMach, sectionArea, sectionsVolume, seatFaults, seatForm, seatLedge, seatPoints, sinking, speedOfSound,
  speedThrough, throatFor, throatShare, throatStanding, wallOf, type SeatCut, type XY
} from '..'

const circle = (radius: number, x = 0, points = 3600): XY[] => Array.from({ length: points }, (_, i) => [x + radius * Math.cos(i * 2 * Math.PI / points), radius * Math.sin(i * 2 * Math.PI / points)])
const moved = (points: readonly XY[], dx: number, dy: number): XY[] => points.map(([x, y]) => [x + dx, y + dy])

describe('throats', () => {
  it.each([[0.8, 'small'], [0.85, 'asCast'], [0.875, 'asCast'], [0.88, 'usual'], [0.899, 'usual'], [0.9, 'brave'], [0.92, 'brave'], [0.93, 'past']] as const)('%d of the valve is %s', (share, standing) => {
    expect(throatStanding(share)).toBe(standing)
  })
  it('a share taken of a valve is that share of it', () => {
    expect(throatShare({ throat: 39.2, valveDiameter: 44.5 })).toBeCloseTo(0.880899, 6)
    for (const { low } of Object.values(THROAT_AIMS)) expect(throatShare({ throat: throatFor({ share: low, valveDiameter: 38 }), valveDiameter: 38 })).toBeCloseTo(low, 12)
  })
})

describe('walls of an opening', () => {
  const round = outlinePoints({ form: 'circle', x: 0, y: 0, diameter: 40 })
  it.each([[0, 20, undefined, 'roof'], [0, -20, 'left', 'floor'], [20, 3, undefined, 'right'], [-20, 3, undefined, 'left'], [20, 3, 'right', 'inner'], [-20, 3, 'right', 'outer'], [20, 3, 'left', 'outer'], [-20, 3, 'left', 'inner']] as const)('%d, %d of a port whose inner wall is %s is its %s', (x, y, inner, wall) =>
    expect(wallOf({ x, y }, round, inner)).toBe(wall))
})

describe('sections', () => {
  it('rounded rectangles run from a square to a circle', () => {
    expect(sectionArea({ width: 30, height: 30, radius: 15 })).toBeCloseTo(Math.PI * 225, 9)
    expect(sectionArea({ width: 32, height: 38, radius: 0 })).toBe(1216)
    expect(sectionArea({ width: 32, height: 38, radius: 8 })).toBeCloseTo(1161.0619, 3)
    // Traced, either way round.
    expect(sectionArea({ points: [[0, 0], [32, 0], [32, 38], [0, 38]] })).toBe(1216)
    expect(sectionArea({ points: [[0, 0], [0, 30], [40, 0]] })).toBe(600)
    expect(() => sectionArea({ points: [[0, 0], [1, 1], [1, 0], [0, 1]] })).toThrow(/cross/)
  })
  it('holds the worked example, cones and pipes', () => {
    const { volume, least } = sectionsVolume([{ at: 0, area: 900 }, { at: 20, area: 800 }, { at: 50, area: 1000 }])
    expect(volume).toBeCloseTo(43.934459, 6)
    expect(least).toEqual({ at: 20, area: 800 })
    // A whole cone but for its tip, by π·h/3·(R² + R·r + r²).
    const cone = sectionsVolume([{ at: 5, area: Math.PI * 400 }, { at: 65, area: Math.PI * 100 }])
    expect(cone.volume).toBeCloseTo(Math.PI * 60 / 3 * (400 + 200 + 100) / 1000, 9)
    fc.assert(fc.property(fc.double({ min: 10, max: 5000, noNaN: true }), fc.array(fc.double({ min: 0.1, max: 50, noNaN: true }), { minLength: 1, maxLength: 20 }), (area, steps) => {
      const places = steps.reduce<number[]>((all, step) => [...all, all.at(-1)! + step], [0])
      const pipe = sectionsVolume(places.map(at => ({ at, area })))
      expect(pipe.volume).toBeCloseTo(area * places.at(-1)! / 1000, 6)
      expect(pipe.mean).toBeCloseTo(area, 6)
    }))
  })
  it('a volume lies between the pipes of its least and its largest section, and a place between two on the cone changes nothing', () => {
    fc.assert(fc.property(fc.double({ min: 50, max: 3000, noNaN: true }), fc.double({ min: 50, max: 3000, noNaN: true }), fc.double({ min: 1, max: 99, noNaN: true }), (a, b, at) => {
      const [ra, rb] = [Math.sqrt(a), Math.sqrt(b)]
      const between = (ra + (rb - ra) * at / 100) ** 2
      const [two, three] = [sectionsVolume([{ at: 0, area: a }, { at: 100, area: b }]), sectionsVolume([{ at: 0, area: a }, { at, area: between }, { at: 100, area: b }])]
      expect(three.volume).toBeCloseTo(two.volume, 6)
      expect(two.volume).toBeGreaterThanOrEqual(Math.min(a, b) / 10 - 1e-9)
      expect(two.volume).toBeLessThanOrEqual(Math.max(a, b) / 10 + 1e-9)
    }))
  })
})

describe('what a cylinder asks of its port', () => {
  const demand = { bore: 92, stroke: 85, valveDiameter: 44.5, valves: 1, meanFlowCoefficient: 0.35, soundSpeed: 345 }
  it('holds the worked examples', () => {
    expect(machIndex({ ...demand, rpm: 6000 })).toBeCloseTo(0.601752, 6)
    expect(peakDemand({ bore: 92, stroke: 85, rodLength: 150, rpm: 6000 })).toBeCloseTo(184.541, 3)
    expect(speedOfSound(20)).toBeCloseTo(343.2, 1)
    expect(speedThrough(184.541, 1161.062)).toBeCloseTo(158.942, 3)
    expect(machIndex({ ...demand, rpm: revsAtMach(demand, 0.5) })).toBeCloseTo(0.5, 12)
  })
  it('the piston is fastest where a fine walk along its travel says so', () => {
    fc.assert(fc.property(fc.double({ min: 40, max: 120, noNaN: true }), fc.double({ min: 1.3, max: 3, noNaN: true }), (stroke, rods) => {
      const crank = { stroke, rodLength: stroke * rods }
      const step = 0.05
      let most = 0
      for (let a = 40; a < 90; a += step) most = Math.max(most, pistonTravel(crank, a + step) - pistonTravel(crank, a))
      // mm a degree of crank, at 6000 rpm 36 000° a second.
      expect(peakPistonSpeed({ ...crank, rpm: 6000 }) / (most / step * 36000 / 1000)).toBeCloseTo(1, 5)
    }), { numRuns: 20 })
  })
})

describe('the step at a flange', () => {
  it('two circles set off leave a crescent, by closed form', () => {
    const { facing, worst } = flangeStep({ upstream: circle(20), downstream: circle(20, 1) })
    expect(facing).toBeCloseTo(39.9958, 2)
    expect(worst.step).toBeCloseTo(1, 4)
    expect([worst.x, worst.y]).toEqual([expect.closeTo(-19, 2), expect.closeTo(0, 2)])
  })
  it.each([
    ['a smaller pipe stands in the stream all round', 19, Math.PI * (400 - 361), 1],
    ['a larger one stands back all round', 21, 0, -1]
  ])('%s', (_, radius, facing, step) => {
    const found = flangeStep({ upstream: circle(20), downstream: circle(radius) })
    expect(found.facing).toBeCloseTo(facing, 2)
    for (const one of found.at) expect(one.step).toBeCloseTo(step, 3)
  })
  // The circle reaches 21 from the middle, a side of the rectangle 17 and its roof 20; its corners stand back from the circle.
  it.each([0, 8])('finds what stands in the stream in the middle of a straight side, whose ends stand back; corners of %f', (radius) => {
    const rectangle = outlinePoints({ form: 'rectangle', x: 0, y: 0, width: 34, height: 40, radius })
    const { worst, at } = flangeStep({ upstream: circle(21), downstream: rectangle })
    expect([worst.step, Math.abs(worst.x), worst.y]).toEqual([expect.closeTo(4, 3), 17, expect.closeTo(0, 1)])
    expect(Math.max(...at.filter(({ y }) => y > 19.99).map(({ step }) => step))).toBeCloseTo(1, 3)
  })
  it('a rectangle moved by a millimetre each way', () => {
    const square = outlinePoints({ form: 'rectangle', x: 0, y: 0, width: 40, height: 30, radius: 0 })
    expect(flangeStep({ upstream: square, downstream: moved(square, 1, 1) }).facing).toBeCloseTo(40 * 30 - 39 * 29, 6)
  })
  it('nothing faces where the downstream opening holds the upstream one, and turning both round changes nothing', () => {
    const form = fc.oneof(
      fc.record({ form: fc.constant('rectangle' as const), x: fc.constant(0), y: fc.constant(0), width: fc.double({ min: 20, max: 60, noNaN: true }), height: fc.double({ min: 20, max: 60, noNaN: true }), radius: fc.double({ min: 0, max: 10, noNaN: true }) }),
      fc.record({ form: fc.constantFrom('oval' as const, 'ellipse' as const), x: fc.constant(0), y: fc.constant(0), width: fc.double({ min: 20, max: 60, noNaN: true }), height: fc.double({ min: 20, max: 60, noNaN: true }) }))
    fc.assert(fc.property(form, fc.double({ min: 1.001, max: 1.3, noNaN: true }), fc.double({ min: -4, max: 4, noNaN: true }), (outline, factor, off) => {
      const small = outlinePoints(outline)
      const large = small.map(([x, y]): XY => [x * factor, y * factor])
      expect(flangeStep({ upstream: small, downstream: large }).facing).toBeLessThan(1e-3)
      expect(flangeStep({ upstream: small, downstream: large }).worst.step).toBeLessThanOrEqual(1e-6)
      const aside = moved(small, off, 0)
      // Metal in the stream has a step in the stream.
      const { facing: metal, worst } = flangeStep({ upstream: small, downstream: aside })
      if (metal > 0.5) expect(worst.step).toBeGreaterThan(0)
      const [there, back] = [metal, flangeStep({ upstream: [...small].reverse(), downstream: [...aside].reverse() }).facing]
      expect(back).toBeCloseTo(there, 3)
    }), { numRuns: 20 })
  })
  it.each([
    ['crosses itself', [[0, 0], [10, 10], [10, 0], [0, 10]], 'cross'], ['winds round twice', [...circle(10, 0, 40), ...circle(10, 0.01, 40)], 'cross'], ['is a line', [[0, 0], [10, 0], [20, 0]], '1 mm²'],
    ['has two points', [[0, 0], [10, 0]], '3 to 20000'], ['has too many', circle(20, 0, 20_001), '3 to 20000'], ['is no number', [[0, 0], [Number.NaN, 0], [0, 10]], 'within 1000'], ['lies a mile off', [[0, 0], [1e9, 0], [0, 10]], 'within 1000']
  ] as [string, XY[], string][])('an outline that %s is none', (_, points, said) => {
    expect(outlineFault(points)).toContain(said)
    expect(() => flangeStep({ upstream: circle(20, 0, 90), downstream: points })).toThrow(RangeError)
    expect(() => outlinePoints({ form: 'points', points })).toThrow(RangeError)
  })
})

describe('a seat as it is cut', () => {
  const cuts: SeatCut[] = [{ angle: 60, width: 2 }, { angle: 45, width: 1.4 }, { angle: 30, width: 1 }]
  it('runs out along each cone by hand', () => {
    const form = seatForm({ cuts, seat: 1, outer: 43 })
    expect(form).toMatchObject({ topCut: 30, seatAngle: 45, seatWidth: 1.4 })
    // 43 + 2·cos30; 43 − 2·1.4·cos45 − 2·2·cos60.
    expect(form.form).toBeCloseTo(44.7321, 4)
    expect(form.throat).toBeCloseTo(39.0201, 4)
    expect(seatPoints({ cuts, seat: 1, outer: 43 }).map(e => e.height)).toEqual([expect.closeTo(-2.72200, 4), expect.closeTo(-0.98995, 4), 0, expect.closeTo(0.5, 9)])
  })
  it('sunk as it is, it gives what its cone swept', () => {
    fc.assert(fc.property(fc.double({ min: 15, max: 44, noNaN: true }), fc.double({ min: 25, max: 60, noNaN: true }), fc.double({ min: 0.01, max: 2, noNaN: true }), (top, outer, sunk) => {
      const { form, topCut, seatAngle } = seatForm({ cuts: [{ angle: 45, width: 1.2 }, { angle: top, width: 0.8 }], seat: 0, outer })
      const { added, diameter } = sinking({ diameter: form, topCut }, sunk)
      // Slices of the cone that went up, summed by Simpson's rule, which is exact for it.
      const at = (z: number) => Math.PI / 4 * (form + 2 * z / Math.tan(topCut * Math.PI / 180)) ** 2
      expect(added).toBeCloseTo(sunk / 6 * (at(0) + 4 * at(sunk / 2) + at(sunk)) / 1000, 9)
      expect(diameter).toBeGreaterThan(form)
      // The seat alone re-cut meets its top cut again further out: both cones give the same height there.
      const ledge = seatLedge(seatAngle, topCut, sunk)
      expect(sunk + ledge * Math.tan(topCut * Math.PI / 180)).toBeCloseTo(ledge * Math.tan(seatAngle * Math.PI / 180), 9)
    }))
  })
  it.each([
    ['no cut', [], 0, 43], ['a cut steeper than the one inside it', [{ angle: 30, width: 1 }, { angle: 45, width: 1 }], 0, 43], ['a cut of no width', [{ angle: 45, width: 0 }], 0, 43],
    ['an upright cut', [{ angle: 90, width: 1 }], 0, 43], ['a seat that is none of them', cuts, 3, 43], ['nothing across', cuts, 1, 0], ['a form that closes', [{ angle: 10, width: 9 }], 0, 12]
  ] as [string, SeatCut[], number, number][])('%s is refused', (_, list, seat, outer) => {
    expect(() => seatForm({ cuts: list, seat, outer })).toThrow(RangeError)
  })
  const limits = { widthLeast: 1, widthMost: 2, marginLeast: 0.8, runOutMost: 0.05, guideMost: 0.1 }
  it.each([
    [{}, []], [{ seatWidth: 0.9 }, ['narrow']], [{ seatWidth: 2.1 }, ['wide']], [{ seatWidth: 1, margin: 0.8, runOut: 0.05, guide: 0.1 }, []], [{ margin: 0.79 }, ['margin']], [{ runOut: 0.06, guide: 0.11 }, ['runOut', 'guide']],
    [{ leak: 'weeps', pits: 'inside', touches: 'partly' }, ['weeps', 'pits', 'touches']], [{ leak: 'tight', pits: 'outside', touches: 'outer' }, []], [{ leak: 'leaks' }, ['leaks']]
  ] as const)('%o is judged %o', (found, kinds) => {
    expect(seatFaults({ seatWidth: 1.4, ...found }, limits).map(f => f.kind)).toEqual(kinds)
  })
})
