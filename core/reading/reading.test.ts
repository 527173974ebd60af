import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { MENISCUS, READ_KINDS, READ_SCALES, handReads, judge, readTask, roundsOf, type PracticeReading, type ReadKind, type Slip } from '..'

const chance = (seed: number) => {
  const rng = xoroshiro128plus(seed)
  return () => (rng.next() >>> 0) / 2 ** 32
}
const normal = (uniform: () => number) => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform())

describe('reading', () => {
  it('sets what lies on the scale, and whoever reads it well is not told of a mistake', () => {
    fc.assert(fc.property(fc.constantFrom(...READ_KINDS), fc.nat(1e6), fc.double({ min: -1, max: 1, noNaN: true }), (kind, seed, part) => {
      const task = readTask(kind, chance(seed))
      expect(Math.abs(task.truth)).toBeLessThanOrEqual(READ_SCALES[kind].most)
      if (!task.bubble) expect(judge(task, task.truth + part * READ_SCALES[kind].fine).slip).toBeUndefined()
      expect(judge(task, undefined).slip).toBe(task.bubble ? undefined : 'bubble')
    }))
  })
  it.each<[ReadKind, Slip, (truth: number, eye: number) => number]>([
    ['burette', 'meniscus', t => t - MENISCUS], ['burette', 'parallax', (t, eye) => t - eye * 0.006], ['burette', 'wrongWay', t => 2 * Math.floor(t) + 2 - t], ['burette', 'mark', t => t + 1],
    ['syringe', 'edge', t => t + 2], ['dial', 'turn', t => t - 1], ['dial', 'wrongWay', t => 2 * Math.floor(t) + 1 - t], ['calliper', 'carry', t => t + 1], ['wheel', 'sign', t => -t]
  ])('%s: a %s is named as one', (kind, slip, wrong) => {
    let named = 0
    let tried = 0
    const uniform = chance(5)
    for (let i = 0; i < 60; i++) {
      const task = readTask(kind, uniform)
      const given = wrong(task.truth, task.eye)
      // Where two mistakes give the same, or none shows, there is nothing to tell apart.
      const apart = task.wrongs.filter(w => w.slip !== slip).every(w => Math.abs(w.value - given) > 1e-6)
      if (task.bubble || Math.abs(given - task.truth) < 4 * READ_SCALES[kind].fine || !apart) continue
      tried++
      if (judge(task, given).slip === slip) named++
    }
    expect(tried).toBeGreaterThan(3)
    expect(named).toBe(tried)
  })
  it('says nothing of a hand before twenty readings that are no slips', () => {
    const reading = (off: number): PracticeReading => ({ kind: 'burette', off, at: '2026-01-01T00:00:00Z' })
    expect(handReads(Array.from({ length: 19 }, (_, i) => reading(i / 100)))).toBeUndefined()
    const twenty = Array.from({ length: 20 }, (_, i) => reading(i % 2 ? 0.03 : -0.01))
    // ±0.02 about 0.01: s = 0.02·√(20/19).
    expect(handReads([...twenty, reading(1), { ...reading(0.02), slip: 'bubble' }])).toMatchObject({ readings: 20, slips: 2 })
    expect(handReads(twenty)!.bias).toBeCloseTo(0.01, 12)
    expect(handReads(twenty)!.scatter).toBeCloseTo(0.02 * Math.sqrt(20 / 19), 12)
    expect(handReads(twenty)!.biasU).toBeCloseTo(0.02 * Math.sqrt(20 / 19) / Math.sqrt(20) * 2.14 / 2, 12)
  })
  it('is told round by round, a minute each from its first reading', () => {
    const reading = (second: number, off: number, slip?: Slip): PracticeReading => ({ kind: 'burette', off, at: new Date(Date.UTC(2026, 0, 1, 9, 0, second)).toISOString(), ...slip ? { slip } : {} })
    // √((0.03² + 0.04²)/2) = 0.0354; the second begins at the reading in its 60th second, and one of its two is a slip; the third has slips alone.
    const [first, second, third, ...more] = roundsOf([reading(0, 0.03), reading(59, -0.04), reading(60, 0.02), reading(90, 1), reading(300, 0, 'bubble')])
    expect(first!.off).toBeCloseTo(0.035355, 6)
    expect([first, second, third].map(r => [r!.readings, r!.slips])).toEqual([[2, 0], [2, 1], [1, 1]])
    expect(second!.off).toBeCloseTo(0.02, 12)
    expect(third!.off).toBeUndefined()
    expect(more).toEqual([])
  })
  it.each<[ReadKind, number, number]>([['burette', 0.03, 0.04], ['syringe', -0.2, 0.3], ['dial', 0.001, 0.004], ['wheel', 0.1, 0.25]])('finds the %s reader’s bias and scatter within their ±', (kind, bias, scatter) => {
    let [biasHeld, scatterHeld] = [0, 0]
    const uniform = chance(11)
    for (let hand = 0; hand < 200; hand++) {
      const readings = Array.from({ length: 30 }, (): PracticeReading => {
        const task = { ...readTask(kind, uniform), bubble: false }
        return { kind, at: '2026-01-01T00:00:00Z', ...judge(task, task.truth + bias + scatter * normal(uniform)) }
      })
      const found = handReads(readings)!
      if (Math.abs(found.bias - bias) <= 2 * found.biasU) biasHeld++
      if (Math.abs(found.scatter - scatter) <= 2 * found.scatterU) scatterHeld++
    }
    expect(biasHeld).toBeGreaterThanOrEqual(180)
    expect(scatterHeld).toBeGreaterThanOrEqual(180)
  })
})
