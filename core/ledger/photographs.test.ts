import { describe, expect, it } from 'vitest'
import { live, photographsIn, printedPapers, type Entry } from './index'

let n = 0
const entry = (kind: Entry['kind'], body: object, more: object = {}): Entry => ({ id: `e${++n}`, build: 'b', seq: n, at: new Date(Date.UTC(2026, 0, 1, 8, n)).toISOString(), hand: 'ML', kind, v: 1, scope: { level: 'head', head: 1 }, body, ...more }) as Entry
const crack = (more: object = {}) => entry('finding', { what: 'crack' }, { photos: ['1'], ...more })

describe('photographs', () => {
  const found = crack()
  const later = entry('photograph', { of: found.id }, { photos: ['2', '3'] })
  const loose = entry('photograph', {}, { photos: ['4'] })
  const corrected = crack({ supersedes: found.id })
  const gone = (of: Entry) => entry('void', { reason: 'slip' }, { supersedes: of.id })
  it.each<[string, Entry[], [string, string][]]>([
    ['an entry’s own and those that came after show it', [found, later], [['1', found.id], ['2', found.id], ['3', found.id]]],
    ['one of no entry shows itself', [loose], [['4', loose.id]]],
    ['what is corrected takes them with it', [found, later, corrected], [['2', corrected.id], ['3', corrected.id], ['1', corrected.id]]],
    ['one whose entry is struck out is not seen', [found, later, gone(later)], [['1', found.id]]],
    ['nor one that shows what is struck out', [found, later, gone(found)], []],
    ['nor one that shows what is not there', [later], []]
  ])('%s', (_, entries, seen) => expect(photographsIn(live(entries)).map(one => [one.sha256, one.of.id])).toEqual(seen))
})

describe('papers that left the shop', () => {
  const printed = (more: object = {}) => entry('printed', { paper: 'customer', form: 'A4' }, more)
  it.each<[string, () => Entry[], number[]]>([
    ['nothing came since', () => [crack(), printed()], [0]],
    ['another paper is nothing that came', () => [crack(), printed(), printed()], [0, 0]],
    ['what is corrected since came since, whatever day it is of', () => [printed(), crack({ at: '2020-01-01T00:00:00.000Z' })], [1]],
    ['the latest first', () => [printed(), crack(), printed(), crack(), crack()], [2, 3]],
    ['on its way to the shop counts too', () => [printed(), crack({ seq: null })], [1]]
  ])('%s', (_, entries, since) => expect(printedPapers(entries()).map(one => one.since)).toEqual(since))
  it('one that is struck out never left', () => {
    const paper = printed()
    expect(printedPapers([paper, entry('void', { reason: 'spoiled' }, { supersedes: paper.id })])).toEqual([])
  })
})
