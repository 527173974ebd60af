import { describe, expect, it } from 'vitest'
import { all, mm, oneCylinder, type Bench } from '../../tests/support/ledgerBench'
import { nearestPiston, replay, type Scope } from '..'

const of = (cylinder: number): Scope => ({ level: 'cylinder', cylinder })
const deck = (bench: Bench, cylinder: number, value: number) => bench.state('deckClearance', value, 'measure', of(cylinder))

describe('the piston that comes nearest to its head', () => {
  // All three have 0.36 of deck and 1.20 of gasket.
  it.each<[string, (bench: Bench) => unknown, ReturnType<typeof nearestPiston>]>([
    ['none of three that are alike', () => undefined, undefined],
    ['none by less than decks are read to', b => deck(b, 2, 0.33), undefined],
    ['the one with the least deck', b => [deck(b, 2, 0.2), deck(b, 3, 0.5)], { cylinder: 2, by: 0.3 }],
    ['one that stands proud', b => deck(b, 3, -0.1), { cylinder: 3, by: 0.46 }],
    ['the one under another gasket, whatever its deck', b => [deck(b, 2, 0.2), b.state('gasketThickness', 0.8, 'measure', of(1))], { cylinder: 1, by: 0.4 }],
    ['by a deck that was cut', b => [deck(b, 1, 0.5), b.add('deckCut', { level: 'bank', bank: 1 }, { state: 'done', depth: mm(0.1) })], { cylinder: 2, by: 0.14 }],
    ['by its own deck, whatever is said of all after it', b => [deck(b, 2, 0.2), b.add('measure', all, { quantity: 'deckClearance', figure: mm(0.3) })], { cylinder: 2, by: 0.1 }]
  ])('is %s', (_, made, nearest) => {
    const bench = oneCylinder(3)
    made(bench)
    const found = nearestPiston(replay(bench.entries)!.ledger)
    expect(found && { ...found, by: Number(found.by.toFixed(6)) }).toEqual(nearest)
  })
})
