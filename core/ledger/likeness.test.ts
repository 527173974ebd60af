import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyLedger } from '../../tests/support/anyEntry'
import { head, mm, oneCylinder } from '../../tests/support/ledgerBench'
import { replay } from '../advice'
import { likeness, type Entry } from '.'

/** A build that begins with what another was like. */
const begun = (entries: readonly Entry[]): Entry[] => [...entries.filter(e => e.kind === 'layout').slice(-1), ...likeness(entries)].map((one, i) =>
  ({ ...one, id: `like-${i}`, build: 'c', seq: i + 1, at: new Date(Date.UTC(2026, 6, 1, 8, i)).toISOString(), hand: 'TT', v: 1 }) as unknown as Entry)

describe('a build like another', () => {
  it('has its dimensions as claims and its target, and none of its readings or work', () => {
    const bench = oneCylinder()
    bench.pour(1, 55.4)
    bench.cut(0.4, 0.41)
    const r = replay(begun(bench.entries))!
    expect(r.asIs[0]!.swept?.estimate.value).toBeCloseTo(Math.PI / 4 * 92 * 92 * 85 / 1000, 6)
    expect(r.asIs[0]!.swept?.provenance).toBe('book')
    expect(r.target?.body.ratio.value).toBe(9.9)
    expect(r.pours[0]!.ever || r.done.length > 0).toBe(false)
  })
  it('has the gasket and the crowns that engine came with, not what was measured after they were changed', () => {
    const bench = oneCylinder()
    bench.add('gasketChange', head, { state: 'done', thickness: mm(0.9), bore: mm(94) })
    bench.add('crownWork', { level: 'cylinder', cylinder: 1 }, { state: 'done', added: mm(2) })
    for (const [quantity, value] of [['gasketThickness', 0.85], ['crownVolume', 5.1], ['bore', 92.02]] as const) bench.state(quantity, value)
    const { ledger } = replay(begun(bench.entries))!
    expect((['gasketThickness', 'crownVolume', 'bore'] as const).map(quantity => ledger.statements.get(quantity)?.map(s => 'figure' in s.body && s.body.figure.value))).toEqual([[1.2], [3], [92.02]])
  })
  it('has no clearance that was read after a cut took of it, nor a mouth of the cut face; one that nothing moved is a claim', () => {
    const bench = oneCylinder()
    bench.state('domeToChamber', 1.4)
    bench.cut(0.4, 0.4)
    for (const [quantity, value] of [['intakeClearance', 1.6], ['domeToChamber', 1], ['valveToValve', 2.2], ['mouthArea', 4700], ['squishRecess', 0.1]] as const) bench.state(quantity, value)
    const { ledger } = replay(begun(bench.entries))!
    expect((['intakeClearance', 'domeToChamber', 'valveToValve', 'mouthArea', 'squishRecess'] as const).map(quantity => ledger.statements.get(quantity)?.map(s => 'figure' in s.body && s.body.figure.value))).toEqual([undefined, [1.4], [2.2], [4650], undefined])
  })
  it('has what was measured of one head after work on the other', () => {
    const bench = oneCylinder(2)
    bench.add('layout', { level: 'build' }, { heads: [[1], [2]], banks: [[1], [2]] }, { supersedes: bench.entries[0]!.id })
    bench.add('gasketChange', head, { state: 'done', thickness: mm(0.9), bore: mm(94) })
    for (const of of [1, 2]) bench.state('gasketThickness', 1 + of / 10, 'measure', { level: 'head', head: of })
    expect(replay(begun(bench.entries))!.ledger.statements.get('gasketThickness')?.map(s => [s.scope.level, 'figure' in s.body && s.body.figure.value])).toEqual([['build', 1.2], ['head', 1.2]])
  })
  it('of any build can be worked with, and is like itself', () => {
    fc.assert(fc.property(anyLedger, (entries) => {
      const copy = begun(entries)
      expect(copy.every(e => !['pour', 'solder', 'deckReadings', 'faceCut', 'relief', 'measure'].includes(e.kind))).toBe(true)
      expect(replay(copy)?.leftOut ?? []).toEqual([])
      expect(likeness(copy)).toEqual(likeness(begun(copy)))
    }), { numRuns: 40 })
  }, 120_000)
})
