import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyLedger } from '../../tests/support/anyEntry'
import { mm, oneCylinder, nextMove } from '../../tests/support/ledgerBench'
import { RUNS, report } from '../../tests/support/soak'
import { ENTRY_KINDS, NO_SOLIDS, asIf, evenPlan, headCut, replay, modelOf, clearancesOf, portOpen, squishOf, turnedPlan, turnedSteps, type Entry, type Replay } from '..'

/** Everything a page asks of a replay. */
function askAll(r: Replay): string {
  for (const cylinder of r.layout.cylinders) {
    for (const column of ['asIs', 'asPlanned'] as const) squishOf(r, cylinder, column)
    for (const column of ['asIs', 'beforeCut'] as const) modelOf(r, cylinder, column)
    clearancesOf(r, cylinder)
    turnedSteps(r, cylinder, turnedPlan(r, cylinder, r.planned, NO_SOLIDS))
    portOpen(r.ledger, cylinder, r.planned)
  }
  r.layout.heads.forEach((_, i) => {
    headCut(r, i + 1, r.planned, NO_SOLIDS)
    for (const by of ['chamber', 'clearance'] as const) evenPlan(r, i + 1, by, r.planned, NO_SOLIDS)
    asIf(r, [...r.planned, { kind: 'faceCut', scope: { level: 'head', head: i + 1 }, body: { state: 'planned', depth: mm(0.5), slopeX: 0.01 } }], NO_SOLIDS)
  })
  return nextMove(r).kind
}

describe('any sequence of valid entries', () => {
  it('of every kind there is replays without throwing', () => {
    const kinds = new Set<string>()
    let entries = 0
    const runs = RUNS(350, 20_000)
    fc.assert(fc.property(anyLedger, (ledger) => {
      entries += ledger.length
      ledger.forEach(e => kinds.add(e.kind))
      const r = replay(ledger)
      // What nobody could foresee is left out and named; valid entries have given no cause for it yet.
      expect(r?.leftOut ?? []).toEqual([])
      if (r) expect(askAll(r)).not.toBe('takeOut')
      // Plain data: it can be handed to a worker as it is.
      expect(() => structuredClone(r)).not.toThrow()
    }), { numRuns: runs, seed: 20261126 })
    expect([...kinds].sort()).toEqual([...ENTRY_KINDS].sort())
    report('Sequences of valid entries replayed', { sequences: runs, entries, thrown: 0, seed: 20261126 })
  }, 1_200_000)
})

describe('an entry that can’t be reckoned with', () => {
  const bad: [what: string, entry: (e: Entry) => object, argument: string][] = [
    ['seat work of a doubt below nothing', () => ({ kind: 'seatWork', scope: { level: 'cylinder', cylinder: 1 }, body: { state: 'done', added: mm(1), u: mm(-1) } }), 'u'],
    ['a pour past its glass', e => ({ kind: 'pour', scope: { level: 'cylinder', cylinder: 1 }, body: { ...e.body, fills: [{ start: 0, end: 900 }] } }), 'fills[0].end'],
    ['a pour of nothing known', () => ({ kind: 'pour', scope: { level: 'cylinder', cylinder: 1 }, body: { encloses: 'chamber' } }), 'entry'],
    ['a body that is no object', () => ({ kind: 'measure', body: null }), 'entry'],
    ['a statement that is not a number', () => ({ kind: 'measure', body: { quantity: 'bore', figure: { value: 'wide', unit: 'mm', typed: '' } } }), 'value']
  ]
  it.each(bad)('%s is left out and named; all else is as if it were not there', (_what, entry, argument) => {
    const bench = oneCylinder(2)
    bench.pour(1, 55.4)
    bench.pour(2, 55.1)
    const pour = bench.entries.at(-1)!
    const sound = replay(bench.entries)!
    const odd = { ...pour, id: 'odd', seq: 90, ...entry(pour) } as Entry
    for (const list of [[...bench.entries, odd], [odd, ...bench.entries]]) {
      const r = replay(list)!
      expect(r.leftOut).toMatchObject([{ id: 'odd', argument }])
      expect(r.asIs.map(s => s.ratio!.estimate)).toEqual(sound.asIs.map(s => s.ratio!.estimate))
      expect(nextMove(r)).toMatchObject({ kind: 'takeOut', entries: ['odd'] })
    }
  })
  it('several are all named, and what one of them corrected counts again', () => {
    const bench = oneCylinder()
    const first = bench.pour(1, 55.4)
    const odd = (id: string, seq: number, supersedes?: string) => ({ ...bench.entries.at(-1)!, id, seq, body: { encloses: 'chamber' }, ...(supersedes ? { supersedes } : {}) } as Entry)
    const r = replay([...bench.entries, odd('a', 91, first), odd('b', 92)])!
    expect(r.leftOut.map(l => l.id).sort()).toEqual(['a', 'b'])
    expect(r.asIs[0]!.parts.chamber!.estimate.value).toBeCloseTo(55.4, 9)
  })
  it('an angled cut that only just reaches a chamber takes nothing off it', () => {
    const bench = oneCylinder()
    bench.pour(1, 55.4)
    bench.add('faceCut', { level: 'head', head: 1 }, { state: 'done', depth: mm(0.1), slopeX: 0.02, removed: [{ cylinder: 1, x: 0, cc: -1e-15, perMm: 4.6, factor: 1 }] })
    const r = replay(bench.entries)!
    expect(r.leftOut).toEqual([])
    expect(r.asIs[0]!.parts.chamber!.estimate.value).toBeCloseTo(55.4, 9)
  })
})
