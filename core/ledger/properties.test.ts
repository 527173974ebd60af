import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { shares, uncertainty } from '../estimate'
import { all, head, mm, oneCylinder } from '../../tests/support/ledgerBench'
import { PARTS, headCut, replay, type Entry } from './index'

/** Anything a builder may do to a two-cylinder head, in any order. */
const doing = fc.oneof(
  fc.record({ kind: fc.constant('pour' as const), cylinder: fc.constantFrom(1, 2), end: fc.double({ min: 30, max: 70, noNaN: true }) }),
  fc.record({ kind: fc.constant('cut' as const), depth: fc.double({ min: 0.01, max: 0.5, noNaN: true }), measured: fc.boolean() }),
  fc.record({ kind: fc.constant('deck' as const), cylinder: fc.constantFrom(1, 2), clearance: fc.double({ min: -0.5, max: 1.5, noNaN: true }) }),
  fc.record({ kind: fc.constant('grind' as const), cylinder: fc.constantFrom(1, 2), added: fc.double({ min: 0, max: 2, noNaN: true }) }),
  fc.record({ kind: fc.constant('gasket' as const), thickness: fc.constantFrom(0.9, 1.2, 1.5), state: fc.constantFrom('planned' as const, 'done' as const) }),
  fc.record({ kind: fc.constant('void' as const), which: fc.nat(60) })
)

function ledger(doings: (typeof doing extends fc.Arbitrary<infer T> ? T : never)[]): Entry[] {
  const bench = oneCylinder(2)
  const voided = new Set<string>()
  for (const what of doings) {
    if (what.kind === 'pour') bench.pour(what.cylinder, what.end)
    else if (what.kind === 'cut') bench.cut(what.depth, what.measured ? what.depth : undefined)
    else if (what.kind === 'deck') bench.state('deckClearance', what.clearance, 'measure', { level: 'cylinder', cylinder: what.cylinder })
    else if (what.kind === 'grind') bench.add('relief', { level: 'cylinder', cylinder: what.cylinder }, { state: 'done', added: mm(what.added) })
    else if (what.kind === 'gasket') bench.add('gasketChange', head, { state: what.state, thickness: mm(what.thickness), bore: mm(94) })
    else {
      const target = bench.entries[what.which]
      if (!target || target.kind === 'void' || target.kind === 'layout' || voided.has(target.id)) continue
      voided.add(target.id)
      bench.add('void', all, { reason: 'wrong' }, { supersedes: target.id })
    }
  }
  return bench.entries
}
const anyLedger = fc.array(doing, { maxLength: 25 }).map(ledger)

describe('any ledger at all', () => {
  it('replays the same in whatever order its entries come in', () => {
    fc.assert(fc.property(anyLedger.chain(entries => fc.tuple(fc.constant(entries), fc.shuffledSubarray(entries, { minLength: entries.length }))), ([entries, shuffled]) => {
      const ratios = (list: Entry[]) => replay(list)!.asIs.map(s => s.ratio?.value.value)
      expect(ratios(shuffled)).toEqual(ratios(entries))
    }), { numRuns: 60 })
  })
  it('sums its parts to the whole, and its shares to one', () => {
    fc.assert(fc.property(anyLedger, (entries) => {
      for (const state of [...replay(entries)!.asIs, ...replay(entries)!.asPlanned]) {
        if (!state.clearance || !state.ratio) continue
        const sum = PARTS.reduce((total, name) => total + (state.parts[name]?.value.value ?? 0), 0)
        expect(state.clearance.value.value).toBeCloseTo(sum, 9)
        expect(state.ratio.value.value).toBeGreaterThan(1)
        const parts = shares(state.ratio.value)
        if (parts.length > 0) expect(parts.reduce((total, p) => total + p.share, 0)).toBeCloseTo(1, 9)
      }
    }), { numRuns: 60 })
  })
  it('never has a number that is none', () => {
    fc.assert(fc.property(anyLedger, (entries) => {
      const r = replay(entries)!
      const numbers = [
        ...r.asIs.flatMap(s => [s.clearance, s.ratio, s.gap, s.targetChamber, ...Object.values(s.parts)].flatMap(p => p ? [p.value.value, uncertainty(p.value)] : [])),
        ...r.settlements.flatMap(s => [s.difference.value, uncertainty(s.difference), ...(s.lesson ? [s.lesson.value] : [])]),
        ...headCut(r, 1).cylinders.flatMap(c => [c.depth.value, uncertainty(c.depth)])
      ]
      expect(numbers.filter(n => !Number.isFinite(n))).toEqual([])
    }), { numRuns: 60 })
  })
  it('takes from no cylinder more than it needs when cut to the deepest that passes nobody', () => {
    fc.assert(fc.property(anyLedger, (entries) => {
      const cut = headCut(replay(entries)!, 1)
      if (!cut.deepest) return
      for (const { depth } of cut.cylinders) expect(cut.deepest.depth.value).toBeLessThanOrEqual(Math.max(0, depth.value) + 1e-12)
    }), { numRuns: 60 })
  })
})
