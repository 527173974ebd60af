import { describe, expect, it } from 'vitest'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { oneCylinder } from '../../tests/support/ledgerBench'
import { demoShop } from '../../demo/shop'
import { USUAL_SCATTER, castingEntries, castingHeads, castingsOf, castingStart, coverageFactor, likelyOfNext, replay, scatterOf, type CastingHead } from '..'

const head = (mark: string, chamber: number[], perMm: number[] = []): CastingHead =>
  ({ mark, head: 1, heads: 1, cylinders: chamber.length, fromLeft: false, readings: [], figures: { chamber, perMm, intakeThroat: [], exhaustThroat: [], intakePort: [], exhaustPort: [] }, found: [], thin: [], gains: [], afterwards: [] })

describe('what the next head of a casting is likely to have', () => {
  it('adds up by hand', () => {
    // One head of 54, 55, 56: mean 55; within² = (2/55² + 4·0.01²)/6; between 0.01, one head: ·2; n = 3: ·2/3.
    const scatter = scatterOf([[[54, 55, 56]]], USUAL_SCATTER.chamber)
    expect(scatter.within).toBeCloseTo(Math.sqrt((2 / 3025 + 0.0004) / 6), 12)
    expect(scatter).toMatchObject({ between: 0.01, betweenDof: 4, withinDof: 6 })
    const likely = likelyOfNext([[54, 55, 56]], scatter)!
    const [b, w] = [0.0002, scatter.within ** 2 * 2 / 3]
    const dof = (b + w) ** 2 / (b ** 2 / 4 + w ** 2 / 6)
    expect(likely.dof).toBeCloseTo(dof, 9)
    expect(likely.value).toBe(55)
    // dof 8.0: factor 2.43 at 7.
    expect(likely.u).toBeCloseTo(55 * Math.sqrt(b + w) * coverageFactor(dof) / 2, 9)
  })
  it.each([[1, 13.97], [5.9, 2.65], [22, 2.13], [70, 2.05], [Infinity, 2]])('factor at %f degrees of freedom', (dof, t) => expect(coverageFactor(dof)).toBe(t))
  it('remembers where the ports of a head are thin', () => {
    const heads = demoShop.builds.filter(({ name }) => name.startsWith('Practice head')).flatMap(({ entries }) => castingHeads(replay(entries)!))
    expect(heads.map(({ thin }) => thin)).toEqual([[{ cylinder: 3, along: 3, valve: 'exhaust', place: 'guideBoss' }], [{ cylinder: 3, along: 3, valve: 'intake', place: 'roof' }]])
    // Each is marked once in the ports of the next, whatever head showed it.
    const [casting] = castingsOf([...heads, heads[0]!])
    expect(castingEntries(casting!, { heads: [[1, 2, 3, 4]] }).filter(e => e.kind === 'portPlace').map(({ scope, body }) => [scope, body])).toEqual([
      [{ level: 'port', cylinder: 3, port: 'exhaust' }, { place: 'guideBoss', way: 'thin', done: false }], [{ level: 'port', cylinder: 3, port: 'intake' }, { place: 'roof', way: 'thin', done: false }]
    ])
  })
  it.each<[string, head: Partial<CastingHead>, along: number, heads: number[][], on: number[], fromLeft?: number[]]>([
    ['of the head that showed it', { head: 2, heads: 2 }, 2, [[1, 3, 5], [2, 4, 6]], [4]], ['of every head of another engine', { head: 1, heads: 1 }, 2, [[1, 3, 5], [2, 4, 6]], [3, 4]],
    ['of barrels with a head each', { head: 3, heads: 4 }, 1, [[1]], [1]], ['of none that is too short', { head: 1, heads: 1 }, 3, [[1, 2]], []],
    ['of both banks of a vee, numbered the other way on the second', { head: 1, heads: 1 }, 1, [[1, 2, 3], [4, 5, 6]], [1, 6], [2]], ['of one head, from a bank numbered the other way', { head: 2, heads: 2, fromLeft: true }, 1, [[1, 2, 3]], [3]],
    ['of the same bank of another vee, nobody having said which way it is numbered', { head: 2, heads: 2 }, 1, [[1, 2, 3], [4, 5, 6]], [4], [2]]
  ])('thin places are marked in the ports %s', (_, of, along, heads, on, fromLeft) => {
    const one = { ...head('A', [55]), ...of, thin: [{ cylinder: 9, along, valve: 'intake' as const, place: 'roof' as const }] }
    expect(castingEntries(castingsOf([one])[0]!, { heads, ...fromLeft ? { fromLeft } : {} }).flatMap(({ kind, scope }) => kind === 'portPlace' ? [scope] : [])).toEqual(on.map(cylinder => ({ level: 'port', cylinder, port: 'intake' })))
  })
  it.each<[string, [depth: number, took: number][], number | undefined]>([
    ['of a deep cut', [[1, 4.6]], 4.6], ['not of one that is within its own doubt', [[0.05, 0.6]], undefined], ['of a deep one, whatever a light one after it seemed to', [[1, 4.6], [0.05, 0.6]], 4.6]
  ])('remembers what a millimetre took %s', (_, cuts, perMm) => {
    const bench = oneCylinder()
    bench.add('casting', { level: 'build' }, { mark: 'M' })
    let cc = 60
    bench.pour(1, cc)
    for (const [depth, took] of cuts) {
      bench.cut(depth, depth)
      bench.pour(1, cc -= took)
    }
    const found = castingHeads(replay(bench.entries)!)[0]!.figures.perMm
    if (perMm === undefined) expect(found).toEqual([])
    else expect(found[0]).toBeCloseTo(perMm, 1)
  })
  it('refuses what is none', () => {
    expect(() => coverageFactor(0.5)).toThrow(/degrees of freedom/)
    expect(() => scatterOf([[[55, 0]]], USUAL_SCATTER.chamber)).toThrow(/a figure of a casting/)
    expect(likelyOfNext([[]], USUAL_SCATTER.chamber)).toBeUndefined()
  })
  it('knows a mark by its letters, and begins a new build with its chamber and mouth', () => {
    const [one, other] = castingsOf([head('MB 34', [55, 56], [4.5, 4.54]), head('x', [40]), head('mb  34 ', [54, 55])])
    expect(one).toMatchObject({ mark: 'MB 34', heads: [{}, {}] })
    expect(other!.mark).toBe('x')
    expect(castingStart(one!).chamberVolume!.value).toBe(55)
    expect(castingStart(one!).mouthArea!.value).toBeCloseTo(4520, 9)
    expect(castingStart(other!).mouthArea).toBeUndefined()
    // A build that was copied was read at the same moments; a head of which nothing is known counts for nothing.
    const at = (readings: string[], chamber: number[], perMm: number[] = []) => ({ ...head('m', chamber, perMm), readings })
    const copied = castingsOf([at(['9:00 55', '9:02 55.1'], [55]), at(['9:02 55.1', '9:40 53'], [55.2], [4.5]), at(['9:00 55', '9:02 55.1', '9:05 56'], [55.1], [4.5]), at(['9:05 56', '9:06 54', '9:07 53'], [55]), head('m', []), head('m', [55])])
    // The second shares one reading of its two with the first, which is no more than half; the third has all of the first's and taught more.
    expect(copied[0]!.heads.map(h => h.figures.chamber[0])).toEqual([55.2, 55.1, 55, 55])
  })

  // A shop of thirty heads, ten castings of three: what the first two say of the third, against what it truly is.
  it.each([[0.012, 0.009], [0.008, 0.012], [0.015, 0.006]])('holds the third head’s truth in 90 to 98 of 100, heads apart by %f and cylinders by %f', (between, within) => {
    const rng = xoroshiro128plus(71)
    const uniform = () => (rng.next() >>> 0) / 2 ** 32
    const normal = () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform())
    let [held, all] = [0, 0]
    for (let shop = 0; shop < 60; shop++) {
      const truths = Array.from({ length: 10 }, () => {
        const casting = 35 + 30 * uniform()
        return Array.from({ length: 3 }, () => {
          const of = casting * (1 + between * normal())
          return Array.from({ length: [4, 6][Math.floor(uniform() * 2)]! }, () => of * (1 + within * normal()))
        })
      })
      // The glass has its own error; the truth has none.
      const poured = (values: number[]) => values.map(v => v + 0.1 * normal())
      const first = truths.flatMap((heads, i) => heads.slice(0, 2).map(values => head(`casting ${i}`, poured(values))))
      for (const { mark, likely } of castingsOf(first)) {
        for (const truth of truths[Number(mark.split(' ')[1])]![2]!) {
          all++
          if (Math.abs(truth - likely.chamber!.value) <= 2 * likely.chamber!.u) held++
        }
      }
    }
    expect(all).toBeGreaterThan(2000)
    expect(held / all).toBeGreaterThan(0.9)
    expect(held / all).toBeLessThan(0.98)
  })
})
