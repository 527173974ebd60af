import { describe, expect, it } from 'vitest'
import { mayCorrect, replay, quantityOf, type Entry } from '..'
import { all, head, mm, oneCylinder, type Bench } from '../../tests/support/ledgerBench'

const one = { level: 'cylinder', cylinder: 1 } as const
/** Adds an operation that belongs to a plan. */
function ofPlan(bench: Bench, plan: string, state: 'planned' | 'done', supersedes?: string): string {
  const id = bench.add('relief', one, { state, added: { value: 1, unit: 'cc', typed: '1' } }, supersedes ? { supersedes } : {})
  Object.assign(bench.entries.at(-1)!, { plan })
  return id
}

describe('a plan', () => {
  it('is dropped as one: what was done of it stays, what is planned goes, and what is not of it stays planned', () => {
    const bench = oneCylinder()
    const plan = bench.add('plan', head, { name: 'Open', reasons: [], state: 'open' })
    const first = ofPlan(bench, plan, 'planned')
    ofPlan(bench, plan, 'planned')
    bench.add('faceCut', head, { state: 'planned', depth: mm(0.5) })
    expect(replay(bench.entries)!.planned).toHaveLength(3)
    const done = ofPlan(bench, plan, 'done', first)
    const dropped = bench.add('plan', head, { name: 'Open', reasons: [], state: 'dropped' }, { supersedes: plan })
    const after = replay(bench.entries)!
    expect(after.planned.map(op => op.kind)).toEqual(['faceCut'])
    expect(after.done.map(op => op.id)).toEqual([done])
    // Taken up again it is the same plan, by the entry it began with.
    bench.add('plan', head, { name: 'Open', reasons: [], state: 'open' }, { supersedes: dropped })
    expect(replay(bench.entries)!.planned).toHaveLength(2)
  })
  it('that was taken out takes what is planned of it with it; a name nobody knows changes nothing', () => {
    const bench = oneCylinder()
    const plan = bench.add('plan', head, { name: 'Open', reasons: [], state: 'open' })
    ofPlan(bench, plan, 'planned')
    ofPlan(bench, 'nobody', 'planned')
    bench.add('void', head, { reason: 'no' }, { supersedes: plan })
    expect(replay(bench.entries)!.planned.map(op => op.plan)).toEqual(['nobody'])
  })
})

describe('undoing', () => {
  /** Puts back what an entry took the place of, as the page does it. */
  function undo(bench: Bench, id: string): string {
    const entry = bench.entries.find(e => e.id === id)!
    const before = bench.entries.find(e => e.id === entry.supersedes)
    const made = before ? bench.add(before.kind, before.scope, before.body as never, { supersedes: id, at: before.at }) : bench.add('void', entry.scope, { reason: 'undone' }, { supersedes: id })
    Object.assign(bench.entries.at(-1)!, { undoes: id })
    return made
  }
  const bore = (entries: readonly Entry[]) => quantityOf(replay(entries)!, 'bore', 1)?.estimate.value
  it('of a correction, of a void, and of the undoing itself: each figure comes back', () => {
    const bench = oneCylinder()
    const first = bench.entries.find(e => e.kind === 'measure' && e.body.quantity === 'bore')!
    const fixed = bench.add('measure', all, { quantity: 'bore', figure: mm(93) }, { supersedes: first.id, at: first.at })
    expect(bore(bench.entries)).toBe(93)
    const undone = undo(bench, fixed)
    expect(bore(bench.entries)).toBe(92)
    const again = undo(bench, undone)
    expect(bore(bench.entries)).toBe(93)
    const taken = bench.add('void', all, { reason: 'wrong engine' }, { supersedes: again })
    expect(bore(bench.entries)).toBeUndefined()
    undo(bench, taken)
    expect(bore(bench.entries)).toBe(93)
  })
  it('only an undoing takes the place of a void', () => {
    expect([mayCorrect('void', 'pour'), mayCorrect('void', 'pour', true), mayCorrect('pour', 'void'), mayCorrect('void', 'void')]).toEqual([false, true, true, false])
  })
})
