import { describe, expect, it } from 'vitest'
import { exact, fromSource, linear, type Sourced } from '../../estimate'
import { chanceInBand, chanceOfAll, drawsOf, safeFirstCut, worthMeasuring, type Band } from '.'
import { breachesOf, heldBy, type RoomAtLimit } from './judge'

const draws = drawsOf(7, 40_000)
/** Three standard errors of a share that was counted in those draws. */
const within = (p: number) => 3 * Math.sqrt(p * (1 - p) / draws.count) + 1e-4
const band: Band = { low: 9.7, high: 9.9 }
const ratio = (value: number, u: number, source: string) => fromSource(value, u, source)

describe('the chance of one estimate in a band', () => {
  // Φ by tables (Abramowitz & Stegun, table 26.1); the first is the contract's.
  it.each([
    [{ value: 9.85, u: 0.06 }, 9.7, 9.9, 0.791462], [{ value: 0, u: 1 }, -1, 1, 0.682689], [{ value: 0, u: 1 }, -Infinity, 1.96, 0.975002], [{ value: 0, u: 1 }, 3, Infinity, 0.001350],
    [{ value: 9.9, u: 0 }, 9.7, 9.9, 1], [{ value: 9.91, u: 0 }, 9.7, 9.9, 0], [{ value: 9.7, u: 0 }, 9.7, 9.7, 1]
  ])('%j from %d to %d', (of, low, high, chance) => expect(chanceInBand(of, low, high)).toBeCloseTo(chance, 6))
  it.each([[{ value: Number.NaN, u: 1 }, 0, 1, 'value'], [{ value: 0, u: -1 }, 0, 1, 'u'], [{ value: 0, u: 1 }, 1, 0, 'high']])('refuses %j from %d to %d: %s', (of, low, high, argument) =>
    expect(() => chanceInBand(of, low, high)).toThrow(expect.objectContaining({ argument })))
})

describe('the chance of all', () => {
  const one = chanceInBand({ value: 9.85, u: 0.06 }, band.low, band.high)
  // Sources of their own multiply; a wholly shared one leaves the chance of the worst; opposite signs that of both sides at once.
  const CASES: [string, Sourced[], number][] = [
    ['one', [ratio(9.85, 0.06, 'a')], one],
    ['two with a source each', [ratio(9.85, 0.06, 'a'), ratio(9.85, 0.06, 'b')], one ** 2],
    ['two with one source', [ratio(9.85, 0.06, 'a'), ratio(9.85, 0.06, 'a')], one],
    ['two that one source moves apart', [ratio(9.8, 0.05, 'a'), linear([[-1, ratio(-9.8, 0.05, 'a')]])], chanceInBand({ value: 0, u: 0.05 }, -0.1, 0.1)],
    ['two with one source, the second nearer the edge', [ratio(9.80, 0.06, 'a'), ratio(9.86, 0.06, 'a')], chanceInBand({ value: 9.80, u: 0.06 }, 9.7, 9.84)],
    ['a maker’s tolerance, ± 0.0866 and as likely anywhere in it', [ratio(9.85, 0.05, 'scale:long')], (0.05 + 0.0866025) / 0.173205],
    ['nobody doubts it', [exact(9.9)], 1]
  ]
  it.each(CASES)('%s', (_, estimates, chance) => expect(Math.abs(chanceOfAll(estimates, estimates.map(() => band), draws) - chance)).toBeLessThan(within(chance)))
  it('wants a band for each', () => expect(() => chanceOfAll([exact(1)], [], draws)).toThrow(RangeError))
  it('gives the same with the same seed, whoever is asked for first', () => {
    const [x, y] = [drawsOf(3, 500), drawsOf(3, 500)]
    x.of('b')
    expect([...x.of('a')]).toEqual([...y.of('a')])
    expect([...drawsOf(4, 500).of('a')]).not.toEqual([...y.of('a')])
  })
})

describe('the deepest first cut', () => {
  // 4.65 cc over at 4.65 cc a mm: 1 mm less 1.645 of its doubt, for one chance in twenty.
  const over = (u: number, source = 'a') => fromSource(4.65, u, source)
  const perMm = exact(4.65)
  it.each([
    ['by the pour’s doubt', [{ over: over(0.0465), perMm }], 0, 1 - 1.6449 * 0.01],
    ['by the machine’s', [{ over: over(0), perMm }], 0.05, 1 - 1.6449 * 0.05],
    ['by both', [{ over: over(0.0465 * 3), perMm }], 0.04, 1 - 1.6449 * 0.05],
    ['of two with doubts of their own the first to pass', [{ over: over(0.0465, 'a'), perMm }, { over: over(0.0465, 'b'), perMm }], 0, 1 - 1.9545 * 0.01],
    ['one that is past already', [{ over: fromSource(-1, 0.1, 'a'), perMm }], 0, 0]
  ])('%s', (_, cylinders, machine, depth) => expect(safeFirstCut(cylinders, machine, 0.05, draws)).toBeCloseTo(depth, 2))
  it.each([[[], 0.05, 'cylinders.length'], [[{ over: over(0), perMm: exact(0) }], 0.05, 'perMm'], [[{ over: over(0), perMm }], 0, 'chance'], [[{ over: over(0), perMm }], 1, 'chance']])(
    'refuses %j, %d', (cylinders, chance, argument) => expect(() => safeFirstCut(cylinders, 0.05, chance, draws)).toThrow(expect.objectContaining({ argument })))
})

describe('what a measurement is worth', () => {
  it('is told best first, and not at all where it changes nothing', () => {
    const r: Sourced = { value: 9.8, by: new Map([['gasket', 0.08], ['deck', 0.04], ['pour', 0.001]]) }
    const of = (source: string) => ({ sources: (s: string) => s === source, left: 0, name: source })
    const found = worthMeasuring([r], [band], [of('pour'), of('deck'), of('gasket')], draws)
    expect(found.map(w => w.measurement.name)).toEqual(['gasket', 'deck'])
    expect(found[0]!.chance).toBeCloseTo(chanceInBand({ value: 0, u: 0.04 }, -0.1, 0.1), 2)
  })
})

describe('what a way is past, and what holds it', () => {
  it('names a cylinder once, however many valves it has', () => {
    const seat = (cylinder: number, room: number): RoomAtLimit => ({ kind: 'seat', valve: 'exhaust', cylinders: [cylinder], figure: room, bound: 0, room, taken: true })
    expect(breachesOf([seat(2, -0.4), seat(1, -0.5), seat(1, -0.5), seat(2, -0.4)])).toMatchObject([{ figure: -0.5, cylinders: [1, 2], grains: 10 }])
    expect(heldBy([seat(2, 0.2), seat(1, 0.2), seat(1, 0.2), seat(3, 0.5)], true)).toMatchObject({ room: 0.2, cylinders: [1, 2] })
  })
})
