import fc from 'fast-check'
import { describe, expect, it, vi } from 'vitest'
import { ENTRY_KINDS, fit, kindRule, mayCorrect, ofKind, replay, type Entry, type EntryKind, type Scope } from '#core'
import { checkEntry } from '#shared/dto'
import { anyLedger } from '../../tests/support/anyEntry'
import { all, oneCylinder } from '../../tests/support/ledgerBench'
import { sayEntry, sayKind, sayScope } from '../words/entries'
import { formOf } from './forms'

// A kind of entry that the product does not have, put into the four folders that a kind is made of, and nowhere else.
vi.mock('../../core/ledger/kinds', async original => ({ ...await original<object>(), throat: (await import('../../tests/support/newKind/core')).throat }))
vi.mock('../../shared/dto/kinds', async original => ({ ...await original<object>(), throat: (await import('../../tests/support/newKind/checks')).ThroatBody }))
vi.mock('../words/kinds', async original => ({ ...await original<object>(), throat: (await import('../../tests/support/newKind/words')).throat }))
vi.mock('./kinds', async original => ({ ...await original<object>(), throat: (await import('../../tests/support/newKind/form')).throat }))

const THROAT = 'throat' as EntryKind
const port: Scope = { level: 'port', cylinder: 1, port: 'exhaust', n: 2 }
const sent = { at: '2026-03-09T08:00:00.000Z', hand: 'ML', kind: THROAT, v: 1, scope: port, body: kindRule(THROAT)?.example() as object }
const told = (entry: object) => {
  const checked = checkEntry(entry)
  return checked.ok ? [] : checked.fields.map(f => `${f.path}: ${f.sentence}`)
}

describe('a kind of entry that is new', () => {
  it('is known to the ledger, the checks, the words and the forms', () => {
    expect(ENTRY_KINDS).toContain(THROAT)
    expect(told(sent)).toEqual([])
    expect(sayKind(THROAT)).toBe('Throat')
    expect(sayEntry({ ...sent, id: 'a', build: 'b', seq: 1 } as unknown as Entry, 'in')).toBe('1.4173 in across')
    expect(formOf(THROAT).fields?.map(f => f.name)).toEqual(['across'])
  })
  it('is held to its own bounds and scopes', () => {
    expect(told({ ...sent, body: { across: { value: 3, unit: 'mm', typed: '3' } } })).toEqual(['body.across: 3.000 mm can’t be right for the throat: it must lie between 5.000 mm and 120.000 mm.'])
    expect(told({ ...sent, scope: { level: 'cylinder', cylinder: 1 } })).toEqual(['scope: This is about the port.'])
    expect(told({ ...sent, body: { across: (sent.body as { across: object }).across, more: 1 } })).toEqual(['body.more: “more” is not known here.'])
    expect(mayCorrect(THROAT, THROAT)).toBe(true)
    expect(mayCorrect(THROAT, 'pour')).toBe(false)
    expect(mayCorrect(THROAT, 'void')).toBe(true)
  })
  it('stands in a ledger, about one port of one cylinder, and leaves every figure as it was', () => {
    const bench = oneCylinder(2)
    const before = replay(bench.entries)!
    bench.entries.push({ ...sent, id: 'throat-1', build: 'b', seq: 99 } as unknown as Entry)
    const after = replay(bench.entries)!
    expect(after.asIs.map(s => s.ratio?.estimate.value)).toEqual(before.asIs.map(s => s.ratio?.estimate.value))
    expect(ofKind(after.live.entries, THROAT)).toHaveLength(1)
    const { layout } = before
    expect([fit(port, layout, 1, { port: 'exhaust' }), fit(port, layout, 1, { port: 'intake' }), fit(port, layout, 2, { port: 'exhaust' }), fit(all, layout, 1)]).toEqual([5, 0, 0, 1])
    expect(sayScope(port)).toBe('cyl. 1, exhaust port 2')
  })
  it('turns up in random ledgers, by its own example', () => {
    const seen = new Set<string>()
    fc.assert(fc.property(anyLedger, (entries) => {
      for (const { kind } of entries) seen.add(kind)
      replay(entries)
    }), { numRuns: 40, seed: 7 })
    expect(seen).toContain('throat')
  })
})
