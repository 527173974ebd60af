import { describe, expect, it } from 'vitest'
import { nextMove, ofKind, replay } from '#core'
import { readDocument } from '#shared/files/buildFile'
import { pourRows } from '#shared/files/pourRows'
import { chance } from './chance'
import { demoShop } from './shop'

const [launch, six] = demoShop.builds

describe('the demo shop', () => {
  it('is the same on every machine', () => {
    expect(chance(1).uniform()).toBe(chance(1).uniform())
    expect(ofKind(launch!.entries, 'pour').map(p => p.body.fills[0]!.end)).toEqual([55.4, 54.6, 55.8, 56.3, 55, 54.9, 55.4, 55.8, 56.1, 55])
  })
  it('scatters as its glass says: the readings lie about the truth by less than their doubt', () => {
    const truths = [55.3, 54.6, 55.7, 56.2, 55.0, 54.9]
    for (const row of pourRows(launch!.entries)) expect(Math.abs(row.volume_cc - truths[row.cylinder - 1]!)).toBeLessThan(2 * row.u_cc)
  })
  it('has a launch engine with nothing cut and a finished test six on target', () => {
    const [a, b] = [replay(launch!.entries)!, replay(six!.entries)!]
    expect(a.done).toEqual([])
    expect(nextMove(b)).toEqual({ kind: 'onTarget' })
    expect(b.lessons.length).toBe(6)
    expect(b.settlements.map(s => s.noLesson).filter(Boolean).sort()).toEqual([...Array<string>(5).fill('notAFaceCut'), ...Array<string>(6).fill('severalKinds')])
  })
  it('goes out and comes in as a file', () => {
    for (const { id, name, reference, entries } of demoShop.builds) {
      const read = readDocument({ format: 'precise-bowl-build', version: 1, build: { id, name, reference }, entries })
      expect(read.ok && read.value.entries.length).toBe(entries.length)
    }
  })
})
