import { describe, expect, it } from 'vitest'
import {
  checkPour, crownVolumeFromPour, knownVolume, leakWatch, leakWatchTime, likelyFaults, pourVolume, scaleAtTemperature, waterDensity, waterVolume, warmedVolume,
  fillsFor, nextOfRound, wholeRounds, type Instrument
} from '.'

const burette: Instrument = { kind: 'burette', capacity: 100, tolerance: 0.2, resolution: 0.1 }
const syringe: Instrument = { kind: 'syringe', capacity: 60, tolerance: 1.5, resolution: 1 }

describe('water', () => {
  // Density of air-free water, the table printed with Tanaka et al. 2001, kg/m³.
  it.each([[0, 999.8428], [4, 999.9749], [10, 999.7027], [15, 999.1026], [20, 998.2067], [25, 997.0470], [30, 995.6488], [40, 992.2155]])(
    'at %d °C weighs %d g per litre', (t, density) => expect(waterDensity(t) * 1000).toBeCloseTo(density, 2))
  // Z in cc per g at 101.3 kPa as ISO 8655-6 tabulates it.
  it.each([[15, 1.0020], [20, 1.0029], [25, 1.0040], [30, 1.0054]])('at %d °C one gram in air is %d cc', (t, z) => expect(waterVolume(1, t)).toBeCloseTo(z, 4))
  it('refuses ice and steam', () => {
    expect(() => waterDensity(-1)).toThrow(/temperature is -1/)
    expect(() => waterDensity(60)).toThrow(/40 or less/)
    expect(() => waterVolume(0, 20)).toThrow(/mass/)
  })
})

describe('temperature', () => {
  it('both cases by hand: a warm plastic scale, and liquid that warms in the head', () => {
    // 60 × 3.5e-4 × 15 = 0.315; 55 × 1.1e-3 × 4 = 0.242
    expect(scaleAtTemperature(60, 3.5e-4, 35)).toBeCloseTo(60.315, 9)
    expect(warmedVolume(55, 1.1e-3, 4)).toBeCloseTo(55.242, 9)
    expect(warmedVolume(55, 1.1e-3, 0)).toBe(55)
    expect(() => warmedVolume(55, -1, 4)).toThrow(/expansion/)
  })
})

describe('a crown in its bore', () => {
  it('a stepped dome by hand', () => {
    // 84.0 bore, piston 12.00 down: 66.502 cc of cylinder. Dome: a 70 × 4.00 step (15.394) under a 40 × 3.00 one (3.770).
    const cylinder = Math.PI / 4 * 84 ** 2 * 12 / 1000
    const dome = Math.PI / 4 * (70 ** 2 * 4 + 40 ** 2 * 3) / 1000
    expect(crownVolumeFromPour({ bore: 84, depth: 12, poured: cylinder - dome })).toBeCloseTo(-19.164, 3)
  })
  it('a dish with two reliefs by hand', () => {
    // Dish 60 × 3.20 (9.048), two reliefs of a 34 mm valve cut 1.5 deep over a third of its circle (0.454 each).
    const poured = Math.PI / 4 * 85.5 ** 2 * 10 / 1000 + Math.PI / 4 * 60 ** 2 * 3.2 / 1000 + 2 * Math.PI / 4 * 34 ** 2 * 1.5 / 3 / 1000
    expect(crownVolumeFromPour({ bore: 85.5, depth: 10, poured })).toBeCloseTo(9.956, 3)
  })
})

describe('a check pour', () => {
  it('against a 40 mm ball, by hand', () => {
    // π/6·64 = 33.5103; three pours 33.4 33.4 33.5 read 33.4333 in the mean, scatter 0.0577
    const ball = { kind: 'ball', diameter: 40, u: 0.005 } as const
    expect(knownVolume(ball).value).toBeCloseTo(33.5103, 4)
    expect(knownVolume(ball).u).toBeCloseTo(33.5103 * 3 * 0.005 / 40, 6)
    const result = checkPour(ball, [[{ start: 0, end: 33.4 }], [{ start: 0, end: 33.4 }], [{ start: 10, end: 43.5 }]], burette)
    expect(result.correction).toBeCloseTo(33.5103 / 33.43333, 5)
    // known 0.0408248² counts for eight, Σ(x − mean)² = 0.006667 for two: √((8·0.00166667 + 0.00666667)/10/3)
    const pooled = Math.sqrt((8 * 0.0408248 ** 2 + 0.1 ** 2 * 2 / 3) / 10 / 3)
    expect(result.u).toBeCloseTo(1.0023 * Math.hypot(0.012566 / 33.5103, pooled / 33.4333), 5)
    expect(result.tolerance).toBeLessThan(burette.tolerance)
    const corrected = pourVolume([{ start: 0, end: 33.4 }], { ...burette, correction: result.correction, tolerance: result.tolerance })
    expect(corrected.value).toBeCloseTo(33.477, 3)
  })
  it('against a bored cylinder and against water', () => {
    expect(knownVolume({ kind: 'cylinder', diameter: 50, height: 25, u: 0.01 }).value).toBeCloseTo(49.0874, 4)
    const water = knownVolume({ kind: 'water', mass: 50, temperature: 20, u: 0.02 })
    expect(water.value).toBeCloseTo(50.1425, 3)
    expect(water.u).toBeCloseTo(0.02006, 4)
  })
  it('takes an older correction off first and refuses what is no scale error', () => {
    const ball = { kind: 'ball', diameter: 40, u: 0.005 } as const
    expect(checkPour(ball, [[{ start: 0, end: 33.4 }]], { ...burette, correction: 1.1 }).read).toBeCloseTo(33.4, 9)
    expect(() => checkPour(ball, [[{ start: 0, end: 80 }]], burette)).toThrow(/no scale error/)
    expect(() => checkPour(ball, [], burette)).toThrow(/pours is 0/)
    expect(() => checkPour({ ...ball, diameter: 0 }, [[{ start: 0, end: 30 }]], burette)).toThrow(/diameter/)
  })
})

describe('the leak watch', () => {
  it('lasts as long as the scale needs, and calls a fall a leak', () => {
    expect(leakWatchTime(burette)).toBeCloseTo(75, 9)
    expect(leakWatchTime(syringe)).toBeGreaterThan(600)
    expect(leakWatch(55.4, 55.7, 75, burette)).toMatchObject({ leaking: true })
    expect(leakWatch(55.4, 55.7, 75, burette).rate).toBeCloseTo(0.24, 9)
    expect(leakWatch(55.4, 55.5, 75, burette).leaking).toBe(false)
    expect(leakWatch(8, 6, 60, syringe)).toMatchObject({ lost: 2, leaking: true })
    expect(leakWatchTime(burette, 0.4)).toBeCloseTo(37.5, 9)
    // A fall of 1.5 steps is one, and no sooner; a minute's rate and what two readings leave unsure of it.
    expect(leakWatch(55.4, 55.55, 30, burette)).toEqual({ lost: expect.closeTo(0.15, 9) as number, rate: expect.closeTo(0.3, 9) as number, u: expect.closeTo(0.1 * Math.sqrt(1 / 6) * 2, 9) as number, leaking: true })
    expect(leakWatch(55.4, 55.54, 30, burette).leaking).toBe(false)
    expect(() => leakWatch(NaN, 55, 1, burette)).toThrow(/first/)
    expect(() => leakWatch(55, NaN, 1, burette)).toThrow(/second/)
    expect(() => leakWatch(0, -1, 1, burette)).toThrow(/second/)
    expect(() => leakWatch(8, 99, 1, syringe)).toThrow(/second/)
    expect(() => leakWatch(55, 55, 0, burette)).toThrow(/seconds/)
  })
  it('names the likeliest fault by the sign', () => {
    expect(likelyFaults(-0.8, true)).toEqual(['bubble', 'greaseInside', 'plateBowed', 'misread', 'wrongPlug'])
    expect(likelyFaults(-0.8, false)).toEqual(['bubble', 'greaseInside', 'misread', 'wrongPlug'])
    expect(likelyFaults(0.8, true)).toEqual(['leak', 'plateHoleFull', 'valveNotSeated', 'glassNotDrained', 'misread', 'wrongPlug'])
    expect(likelyFaults(0.8, false)).toEqual(['leak', 'valveNotSeated', 'glassNotDrained', 'misread', 'wrongPlug'])
    expect(likelyFaults(-0.8)[0]).toBe('bubble')
    expect(likelyFaults(0.8)[0]).toBe('leak')
    expect(likelyFaults(0.8, false)).not.toContain('plateHoleFull')
    expect(likelyFaults(0)).toEqual([])
  })
})

describe('a round of pours', () => {
  const counts = (...list: number[]) => new Map(list.map((n, i) => [i + 1, n]))
  it.each([
    [counts(1, 0, 0), 1, 2], [counts(1, 1, 0), 2, 3], [counts(1, 1, 1), 3, 1], [counts(2, 2, 2), 2, 3], [counts(1, 2, 2), 1, undefined], [counts(1, 2, 1), 1, 3], [counts(1, 1, 2), 3, 1], [counts(2, 1, 2), 1, 2], [counts(0, 0, 1), 3, 1], [counts(1), 1, undefined]
  ])('%o after cylinder %i goes on to %s', (pours, cylinder, next) => expect(nextOfRound(pours, cylinder)).toBe(next))
  it.each([[counts(1, 1, 1), 1], [counts(2, 2), 2], [counts(2, 1), undefined], [counts(0), 0], [counts(), undefined]])('%o is %s whole rounds', (pours, rounds) => expect(wholeRounds(pours)).toBe(rounds))
  it.each([[170.4, 100, [100, 70.4]], [100, 100, undefined], [240, 100, [100, 100, 40]], [200, 100, [100, 100]], [5000, 100, undefined], [30, 0, undefined]])('%d cc in a glass of %d: %o', (volume, capacity, fills) => expect(fillsFor(volume, capacity)).toEqual(fills))
})
