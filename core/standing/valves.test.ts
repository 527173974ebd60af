import { describe, expect, it } from 'vitest'
import { Bench, all, mm, oneCylinder } from '../../tests/support/ledgerBench'
import { clearancesOf, nearestPiston, replay, uncertainty, type Scope } from '..'

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

describe('a clearance measured on one cylinder', () => {
  // Cylinder 1 has 2.00 mm to the piston upright; all have 0.36 of deck and 1.20 of gasket, without doubt.
  const bench = (made: (b: Bench) => unknown) => {
    const b = oneCylinder(3)
    made(b)
    b.state('intakeClearance', 2, 'measure', of(1), 0.05)
    return b
  }
  it.each<[string, (b: Bench) => unknown, (b: Bench) => unknown, (number | undefined)[]]>([
    ['is another’s too where decks and gaskets are alike', () => undefined, () => undefined, [2, 2, 2]],
    ['is as much less as a piston stands nearer', b => deck(b, 2, 0.16), () => undefined, [2, 1.8, 2]],
    ['is as much less as a gasket is thinner', b => b.state('gasketThickness', 0.9, 'measure', of(3)), () => undefined, [2, 2, 1.7]],
    ['gives way to one measured on the cylinder itself', b => [deck(b, 2, 0.16), b.state('intakeClearance', 2.4, 'measure', of(2))], () => undefined, [2, 2.4, 2]],
    ['is the least of what two others give', b => [b.state('intakeClearance', 1.9, 'measure', of(2))], () => undefined, [2, 1.9, 1.9]],
    ['goes down with what is cut afterwards', b => deck(b, 2, 0.16), b => b.cut(0.5, 0.5), [1.5, 1.3, 1.5]],
    ['has what was cut before in it', b => [deck(b, 2, 0.16), b.cut(0.5, 0.5)], () => undefined, [2, 1.8, 2]],
    ['says nothing of a piston that was changed before', b => b.add('crownWork', of(3), { state: 'done', added: mm(1), rise: mm(0.5) }), () => undefined, [2, 2, undefined]],
    ['says what it would of pistons that were changed alike', b => [1, 2, 3].map(c => b.add('crownWork', of(c), { state: 'done', added: mm(1), rise: mm(0.5) })), () => undefined, [2, 2, 2]],
    // Upright and without a tilt a valve that went up by 0.2 has 0.2 more room.
    ['is more by what a seat was cut up before', b => b.add('seatWork', of(2), { state: 'done', added: mm(0.1), valve: 'intake', sunk: mm(0.2) }), () => undefined, [2, 2.2, 2]],
    ['is less by what its own seat was cut up before', b => b.add('seatWork', of(1), { state: 'done', added: mm(0.1), sunk: mm(0.2) }), () => undefined, [2, 1.8, 1.8]],
    ['is the same where all seats were cut alike', b => [1, 2, 3].map(c => b.add('seatWork', of(c), { state: 'done', added: mm(0.1), sunk: mm(0.2) })), () => undefined, [2, 2, 2]]
  ])('%s', (_, before, after, now) => {
    const b = bench(before)
    after(b)
    const r = replay(b.entries)!
    expect([1, 2, 3].map(c => clearancesOf(r, c).map(step => Number(step.now.value.toFixed(9)))[0])).toEqual(now)
  })

  it('is carried along a leaning valve by the drop over its cosine, as doubtful as both decks are', () => {
    const b = oneCylinder(2)
    b.state('intakeTilt', 60, 'measure', all, 0)
    b.state('deckClearance', 0.4, 'measure', of(1), 0.03)
    b.state('deckClearance', 0.3, 'measure', of(2), 0.04)
    b.add('measure', of(1), { quantity: 'intakeClearance', figure: mm(2), u: mm(0.1), convention: 'alongValve' })
    const [step] = clearancesOf(replay(b.entries)!, 2)
    // 2 − 0.1/cos 60° = 1.8; √(0.1² + (2·0.03)² + (2·0.04)²) = √0.02.
    expect(step).toMatchObject({ on: 1, measured: { provenance: 'derived' } })
    expect(step!.now.value).toBeCloseTo(1.8, 9)
    expect(uncertainty(step!.now)).toBeCloseTo(Math.sqrt(0.02), 9)
  })

  it('says nothing of the other head, nor of a cylinder whose deck nobody knows', () => {
    const b = new Bench()
    b.add('layout', all, { heads: [[1, 2], [3]], banks: [[1, 2], [3]] })
    b.state('gasketThickness', 1.2)
    for (const c of [1, 3]) deck(b, c, 0.3)
    b.state('intakeClearance', 2, 'measure', of(1))
    expect([1, 2, 3].map(c => clearancesOf(replay(b.entries)!, c).length)).toEqual([1, 0, 0])
  })

  it('is carried by the decks alone where there is no joint', () => {
    const b = new Bench()
    b.add('layout', all, { heads: [[1, 2]], banks: [[1, 2]], engine: { strokes: 4, arrangement: 'inLine', first: 'front', head: 'blind', intakes: 1, exhausts: 1, chamber: 'hemispherical' } })
    deck(b, 1, 0.5)
    deck(b, 2, 0.4)
    b.state('intakeClearance', 2, 'measure', of(1))
    expect(clearancesOf(replay(b.entries)!, 2)[0]!.now.value).toBeCloseTo(1.9, 9)
  })
})
