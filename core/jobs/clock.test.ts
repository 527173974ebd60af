import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { hoursOf, live, spansOf, type Entry } from '..'

let n = 0
const press = (at: string, hand: string, step: string, on: boolean, less?: number): Entry =>
  ({ id: `c${n++}`, build: 'b', seq: n, at, hand, kind: 'clock', v: 1, scope: { level: 'build' }, body: { step, on, ...less ? { less } : {} } })
const at = (day: number, hour: number, minute = 0) => new Date(Date.UTC(2026, 2, day, hour, minute)).toISOString()
const hours = (entries: Entry[], now = Date.UTC(2026, 2, 9)) => {
  const sums: Record<string, number> = {}
  for (const span of spansOf(live(entries).entries)) sums[`${span.hand} ${span.step}`] = Number(((sums[`${span.hand} ${span.step}`] ?? 0) + hoursOf(span, now)).toFixed(6))
  return sums
}

describe('clocks of a job', () => {
  it.each<[string, Entry[], Record<string, number>]>([
    ['a morning', [press(at(1, 8), 'A', 'rough', true), press(at(1, 10, 30), 'A', 'rough', false)], { 'A rough': 2.5 }],
    ['over midnight', [press(at(1, 22), 'A', 'ports', true), press(at(2, 1, 15), 'A', 'ports', false)], { 'A ports': 3.25 }],
    ['a night that it ran through', [press(at(1, 17), 'A', 'ports', true), press(at(2, 8), 'A', 'ports', false, 14)], { 'A ports': 1 }],
    ['more taken off than there was', [press(at(1, 8), 'A', 'ports', true), press(at(1, 9), 'A', 'ports', false, 3)], { 'A ports': 0 }],
    ['another step ends the one before', [press(at(1, 8), 'A', 'rough', true), press(at(1, 9), 'A', 'ports', true), press(at(1, 11), 'A', 'ports', false)], { 'A rough': 1, 'A ports': 2 }],
    ['two devices begin the same', [press(at(1, 8), 'A', 'rough', true), press(at(1, 8, 30), 'A', 'rough', true), press(at(1, 10), 'A', 'rough', false), press(at(1, 10, 5), 'A', 'rough', false)], { 'A rough': 2 }],
    ['a device that did not know of the other ends what runs no more', [press(at(1, 8), 'A', 'rough', true), press(at(1, 9), 'A', 'ports', true), press(at(1, 9, 30), 'A', 'rough', false), press(at(1, 10), 'A', 'ports', false)], { 'A rough': 1, 'A ports': 1 }],
    ['two hands at one step', [press(at(1, 8), 'A', 'rough', true), press(at(1, 8), 'B', 'rough', true), press(at(1, 9), 'A', 'rough', false), press(at(1, 10), 'B', 'rough', false)], { 'A rough': 1, 'B rough': 2 }],
    ['one that runs still', [press(at(8, 20), 'A', 'rough', true)], { 'A rough': 4 }],
    ['an end that nobody began', [press(at(1, 8), 'A', 'rough', false)], {}],
    ['entries that come late and out of order', [press(at(1, 10), 'A', 'rough', false), press(at(1, 8), 'A', 'rough', true)], { 'A rough': 2 }]
  ])('%s', (_, entries, expected) => expect(hours(entries)).toEqual(expected))

  it('never give a hand more hours than passed, nor overlap, whatever is pressed where', () => {
    const presses = fc.array(fc.record({ minute: fc.nat(3000), hand: fc.constantFrom('A', 'B'), step: fc.constantFrom('rough', 'ports', 'seats'), on: fc.boolean() }), { maxLength: 40 })
    fc.assert(fc.property(presses, (list) => {
      const entries = list.map(p => press(at(1, 0, p.minute), p.hand, p.step, p.on))
      const end = Date.UTC(2026, 2, 4)
      for (const hand of ['A', 'B']) {
        const mine = spansOf(live(entries).entries).filter(s => s.hand === hand)
        mine.slice(1).forEach((span, i) => expect(span.from).toBeGreaterThanOrEqual(mine[i]!.to!))
        // From the first beginning on, a hand's hours are what its spans cover, each minute once.
        const first = list.filter(p => p.hand === hand && p.on).map(p => p.minute)
        const most = first.length ? (end - Date.UTC(2026, 2, 1)) / 3_600_000 - Math.min(...first) / 60 : 0
        expect(mine.reduce((h, s) => h + hoursOf(s, end), 0)).toBeLessThanOrEqual(most + 1e-9)
        // An entry sent twice has one id; one made twice on two devices changes nothing.
        expect(spansOf(live([...entries, ...entries.map(e => ({ ...e, id: `${e.id}x` }))]).entries).filter(s => s.hand === hand).reduce((h, s) => h + hoursOf(s, end), 0)).toBeCloseTo(mine.reduce((h, s) => h + hoursOf(s, end), 0), 9)
      }
    }), { numRuns: 200 })
  })
})
