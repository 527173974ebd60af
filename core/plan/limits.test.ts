import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyLedger } from '../../tests/support/anyEntry'
import { all, head, mm, oneCylinder, type Bench } from '../../tests/support/ledgerBench'
import { NO_SOLIDS, STARTING_RULES, asIf, cutLimits, domeUnmeasured, metOnTheWay, oldFace, reachOf, replay, type Met, type Quantity, type Replay, type Scope, type Tried } from '..'

const cylinder = (n: number): Scope => ({ level: 'cylinder', cylinder: n })
const cut = (depth: number, scope: Scope = head): Tried[] => depth > 0 ? [{ kind: 'faceCut', scope, body: { state: 'planned', depth: mm(depth) } }] : []
const after = (r: Replay, depth: number, of = 1) => asIf(r, cut(depth, { level: 'head', head: of }), NO_SOLIDS).cylinders.filter(c => c.head === of)
const limits = ({ entries }: Bench, depth: number, r = replay(entries)!) => cutLimits(r, STARTING_RULES, after(r, depth))
const met = ({ entries }: Bench, depth: number, r = replay(entries)!) => metOnTheWay(r, STARTING_RULES, after(r, depth), depth)
/** A clearance of cylinder 1, and how it was measured. */
const clearance = (quantity: Quantity, value: number, convention?: 'alongValve' | 'pocket') => (bench: Bench) => {
  bench.add('measure', all, { quantity, figure: mm(value), ...(convention ? { convention } : {}) })
}
const tilt = (degrees: number) => (bench: Bench) => void bench.state('exhaustTilt', degrees)

describe('what a cut meets, and how deep, by hand sums', () => {
  const CASES: [string, ((bench: Bench) => void)[], Partial<Met>[]][] = [
    ['2.60 upright where 2.50 is the least: after 0.10', [clearance('exhaustClearance', 2.6)], [{ clearance: 'exhaustClearance', depth: 0.1 }]],
    ['3.00 along a valve at 20°: 0.50 · cos 20°', [tilt(20), clearance('exhaustClearance', 3, 'alongValve')], [{ clearance: 'exhaustClearance', depth: 0.46985 }]],
    ['3.00 in a pocket at 20°: 0.50 / cos 20°', [tilt(20), clearance('exhaustClearance', 3, 'pocket')], [{ clearance: 'exhaustClearance', depth: 0.53209 }]],
    ['1.50 to its side at 30°: 0.30 / sin 30°', [tilt(30), clearance('exhaustSide', 1.5)], [{ clearance: 'exhaustSide', depth: 0.6 }]],
    ['a valve that stands upright never comes to its pocket’s side', [clearance('exhaustSide', 1.5)], []],
    ['valve to valve, which a drop leaves alone, too near or not', [clearance('valveToValve', 0.9)], []],
    ['the dome after all it has over 1.20, aluminium rods 0.50 less', [clearance('domeToChamber', 2), b => void b.add('rod', all, { material: 'aluminium' })], [{ clearance: 'domeToChamber', depth: 0.3 }]],
    ['already 0.20 short: 0.20 above the face', [clearance('intakeClearance', 1.8)], [{ clearance: 'intakeClearance', depth: -0.2 }]],
    ['edges by their heights, the nearer first', [b => void b.state('exhaustSeatHeight', 0.4), b => void b.state('exhaustTopCutHeight', 0.15)], [{ kind: 'topCut', valve: 'exhaust', depth: 0.15 }, { kind: 'seat', valve: 'exhaust', depth: 0.4 }]]
  ]
  it.each(CASES)('%s', (_, made, expected) => {
    const bench = oneCylinder()
    for (const one of made) one(bench)
    for (const looked of [0, 0.3, 2]) expect(met(bench, looked)).toEqual(expected.map(e => expect.objectContaining({ ...e, depth: expect.closeTo(e.depth!, 5) as number }) as Met))
  })
  it('for the whole head: the cylinders where it comes first', () => {
    const bench = oneCylinder(3)
    bench.state('exhaustSeatHeight', 0.9)
    bench.state('exhaustSeatHeight', 0.5, 'measure', cylinder(3))
    bench.add('measure', all, { quantity: 'intakeClearance', figure: mm(3) })
    bench.add('measure', cylinder(2), { quantity: 'intakeClearance', figure: mm(2.25) })
    expect(met(bench, 0.1).map(m => [m.kind, ...m.cylinders, Number(m.depth.toFixed(6))])).toEqual([['clearance', 2, 0.25], ['seat', 3, 0.5]])
    bench.state('exhaustSeatHeight', 0.503, 'measure', cylinder(1))
    expect(met(bench, 0.1)[1]).toMatchObject({ kind: 'seat', cylinders: [1, 3], depth: expect.closeTo(0.5, 6) as number })
  })
})

describe('how far out a face has to be cut', () => {
  it('three quarters of a bore from the bores’ middles, lengthwise those of the ends', () => {
    const bench = oneCylinder(6)
    // 0.75 · 92; spacing of 1.12 bores where nobody measured it: 2.5 · 103.04.
    expect((['aboutCrank', 'acrossCrank'] as const).map(roll => reachOf(replay(bench.entries)!, 1, roll))).toEqual([69, expect.closeTo(69 + 257.6, 6)])
    bench.state('boreSpacing', 104)
    expect(reachOf(replay(bench.entries)!, 1, 'acrossCrank')).toBe(69 + 260)
    expect([[0.5, 60], [1.197, 60], [0.5, undefined]].map(([depth, reach]) => oldFace({ depth: depth!, slopeX: 0, slopeY: 0.02 }, reach))).toEqual([expect.closeTo(0.7, 12), 0, 0])
    expect(reachOf(replay(bench.entries.filter(e => e.kind !== 'measure' || e.body.quantity !== 'bore'))!, 1, 'aboutCrank')).toBeUndefined()
  })
})

describe('what a cut would be past', () => {
  it('is told for every cylinder of the head, what can’t be put back first', () => {
    const bench = oneCylinder(2)
    bench.state('exhaustSeatHeight', 0.9)
    bench.state('exhaustSeatHeight', 0.5, 'measure', cylinder(2))
    bench.add('measure', cylinder(1), { quantity: 'exhaustClearance', figure: mm(2.6) })
    for (const c of [1, 2]) for (let i = 0; i < 2; i++) bench.pour(c, 50)
    expect(limits(bench, 0)).toEqual([])
    expect(limits(bench, 0.05)).toEqual([])
    // 0.6 off: the seat of 2 by 0.1, the exhaust of 1 to 2.0 and of 2 as well, whose deck and gasket are the same, both past 10.0 (50 − 2.79 cc in 61.5).
    expect(limits(bench, 0.6)).toMatchObject([
      { kind: 'seat', cylinder: 2, valve: 'exhaust', figure: expect.closeTo(0.1, 9) as number },
      { kind: 'clearance', cylinder: 1, clearance: 'exhaustClearance', figure: expect.closeTo(2, 9) as number, least: 2.5 },
      { kind: 'clearance', cylinder: 2, clearance: 'exhaustClearance', figure: expect.closeTo(2, 9) as number, least: 2.5 },
      { kind: 'target', cylinder: 1 }, { kind: 'target', cylinder: 2 }
    ])
  })
  it('is kept by what just meets it, whatever arithmetic leaves of nothing', () => {
    let odd = 0
    for (let hundredths = 205; hundredths < 400; hundredths += 3) {
      const [clearance, depth] = [hundredths / 100, (hundredths - 200) / 100]
      if (clearance - depth < 2) odd++
      const bench = oneCylinder()
      for (const [quantity, value] of [['intakeClearance', clearance], ['exhaustSeatHeight', depth]] as const) bench.state(quantity, value)
      for (let i = 0; i < 2; i++) bench.pour(1, 60)
      const told = (more: number) => limits(bench, depth + more).filter(l => l.kind !== 'target').map(l => l.kind)
      expect([told(0), told(0.01)]).toEqual([[], ['seat', 'clearance']])
    }
    expect(odd).toBeGreaterThan(5)
  })
  it('a dome that nobody measured is told of, and no dish', () => {
    const bench = oneCylinder()
    const unmeasured = () => domeUnmeasured(replay(bench.entries)!, 1)
    expect(unmeasured()).toBe(false)
    bench.state('crownVolume', -8)
    expect(unmeasured()).toBe(true)
    bench.state('domeToChamber', 2)
    expect(unmeasured()).toBe(false)
  })
  it('leaves out what was too near without the cut and is not touched by it', () => {
    const bench = oneCylinder()
    clearance('valveToValve', 0.5)(bench)
    clearance('exhaustClearance', 2)(bench)
    expect(limits(bench, 0)).toEqual([])
    expect(limits(bench, 0.1).map(l => l.kind === 'clearance' && l.clearance)).toEqual(['exhaustClearance'])
  })
  it('begins just where it is met, on any build', () => {
    let checked = 0
    fc.assert(fc.property(anyLedger, fc.double({ min: 0.01, max: 2, noNaN: true }), (entries, looked) => {
      const r = replay(entries)
      if (!r) return
      r.layout.heads.forEach((_, i) => {
        for (const one of metOnTheWay(r, STARTING_RULES, after(r, looked, i + 1), looked)) {
          if (one.kind === 'topCut' || one.depth < 0.01 || one.depth > 6) continue
          const past = (depth: number) => cutLimits(r, STARTING_RULES, after(r, depth, i + 1)).some(l =>
            l.kind === one.kind && one.cylinders.includes(l.cylinder) && (l.kind === 'clearance' && one.kind === 'clearance' ? l.clearance === one.clearance : 'valve' in l && 'valve' in one && l.valve === one.valve))
          // An edge all the way round is met before an arc worth telling is gone.
          expect([one, past(one.depth - 1e-6)]).toEqual([one, false])
          expect([one, past(one.depth + (one.kind === 'seat' ? 0.02 : 1e-6))]).toEqual([one, true])
          checked++
        }
      })
    }), { numRuns: 200, seed: 13 })
    expect(checked).toBeGreaterThan(40)
  }, 120_000)
})
