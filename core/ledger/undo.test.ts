import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyLedger } from '../../tests/support/anyEntry'
import { RUNS } from '../../tests/support/soak'
import { replay } from '../advice'
import { uncertainty } from '../estimate'
import { restoring, type Entry } from '.'

/** Where a build stands, as numbers: ids apart, which an entry that was brought back has of its own. */
function standingOf(entries: readonly Entry[]): unknown {
  const r = replay(entries)
  const column = (states: NonNullable<typeof r>['asIs']) => states.map(({ cylinder, parts, ratio, gap }) => [
    cylinder, ...Object.entries(parts).map(([name, part]) => [name, part?.estimate.value.toFixed(9), part && uncertainty(part.estimate).toFixed(9), part?.provenance]), ratio?.estimate.value.toFixed(9), gap?.estimate.value.toFixed(9)
  ])
  return r && [column(r.asIs), column(r.asPlanned), r.planned.length, r.done.length, r.target?.body, r.offers.length, r.settlements.length, r.lessons.length, r.heights.length]
}

let n = 0
/** The undoing of some entries, as a page adds it. */
function undone(entries: readonly Entry[], ids: readonly string[]): { ledger: Entry[], ids: string[] } {
  const list = restoring(entries, ids, () => `undo-${++n}`)!
  const fresh = list.map((one, i) => ({
    at: new Date(Date.UTC(2026, 5, 1, 8, entries.length + i)).toISOString(), ...one, build: entries[0]!.build, hand: 'TT', v: 1, seq: entries.length + i + 1
  }) as unknown as Entry)
  return { ledger: [...entries, ...fresh], ids: fresh.map(e => e.id) }
}

describe('undo and redo', () => {
  it('any sequence undone gives the standing before, redone the one after; the ledger holds all of it', () => {
    fc.assert(fc.property(anyLedger, fc.array(fc.integer({ min: 1, max: 4 }), { minLength: 1, maxLength: 8 }), fc.integer({ min: 1, max: 6 }), (whole, sizes, back) => {
      // The frame first, then steps of one or several entries made together.
      let ledger = whole.slice(0, Math.max(3, whole.length - sizes.reduce((a, b) => a + b, 0)))
      const steps: string[][] = []
      const stood = [standingOf(ledger)]
      for (let from = ledger.length, i = 0; from < whole.length; i++) {
        const step = whole.slice(from, from + sizes[i % sizes.length]!)
        from += step.length
        ledger = [...ledger, ...step]
        steps.push(step.map(e => e.id))
        stood.push(standingOf(ledger))
      }
      const undoings: string[][] = []
      for (let at = steps.length; at > 0 && undoings.length < back; at--) {
        const now = undone(ledger, steps[at - 1]!)
        ledger = now.ledger
        undoings.push(now.ids)
        expect(standingOf(ledger)).toEqual(stood[at - 1])
      }
      for (let at = steps.length - undoings.length + 1; undoings.length > 0; at++) {
        const now = undone(ledger, undoings.pop()!)
        ledger = now.ledger
        expect(standingOf(ledger)).toEqual(stood[at])
      }
      for (const entry of whole) expect(ledger).toContainEqual(entry)
    }), { numRuns: RUNS(40, 3000) })
  }, 120_000)
  it.each([1, 2, 3])('of a figure that was put right twice goes back %d steps and forward again, as often as anybody likes', (back) => {
    const figures = [92, 93, 94]
    let ledger = figures.map((value, i) => ({
      id: `e${i}`, build: 'b', hand: 'TT', v: 1, seq: i + 1, at: new Date(Date.UTC(2026, 0, 1, 8, i)).toISOString(), kind: 'measure', scope: { level: 'build' },
      body: { quantity: 'bore', figure: { value, unit: 'mm', typed: String(value) } }, ...i > 0 ? { supersedes: `e${i - 1}` } : {}
    })) as unknown as Entry[]
    const shown = () => {
      const now = ledger.find(e => !ledger.some(other => other.supersedes === e.id))!
      return now.kind === 'measure' && 'figure' in now.body ? now.body.figure.value : undefined
    }
    for (let round = 0; round < 2; round++) {
      const undoings: string[][] = []
      for (let at = figures.length - 1; at >= figures.length - back; at--) {
        const now = undone(ledger, [ledger[at]!.id])
        ledger = now.ledger
        undoings.push(now.ids)
        expect(shown()).toBe(figures[at - 1])
      }
      for (let at = figures.length - back; undoings.length > 0; at++) {
        ledger = undone(ledger, undoings.pop()!).ledger
        expect(shown()).toBe(figures[at])
      }
    }
  })
  it('does not undo what somebody took the place of since, or what is not there', () => {
    const frame = { build: 'b', hand: 'TT', v: 1, scope: { level: 'build' } as const, at: '2026-01-01T08:00:00.000Z' }
    const bore = (value: number) => ({ quantity: 'bore' as const, figure: { value, unit: 'mm', typed: String(value) } })
    const entries = [{ ...frame, id: 'a', seq: 1, kind: 'measure', body: bore(92) }, { ...frame, id: 'b', seq: 2, kind: 'measure', body: bore(93), supersedes: 'a' }] as Entry[]
    expect(restoring(entries, ['a'], () => 'x')).toBeUndefined()
    expect(restoring(entries, ['c'], () => 'x')).toBeUndefined()
    expect(restoring(entries, ['b'], () => 'x')).toEqual([{ id: 'x', kind: 'measure', scope: { level: 'build' }, body: bore(92), supersedes: 'b', undoes: 'b', at: frame.at }])
  })
})
