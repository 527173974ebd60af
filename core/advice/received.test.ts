import { describe, expect, it } from 'vitest'
import { all, head, mm, oneCylinder, type Bench } from '../../tests/support/ledgerBench'
import { asItRan, asReceived, offTheBook, replay, uncertainty, type Quantity } from '..'

const bank = { level: 'bank', bank: 1 } as const
/** A figure that is stated anew in the field where the first one stands. */
function anew(bench: Bench, quantity: Quantity, value: number): void {
  const before = bench.entries.find(e => e.kind === 'measure' && (e.body as { quantity: string }).quantity === quantity)!
  bench.add('measure', all, { quantity, figure: mm(value), u: mm(0) }, { supersedes: before.id })
}
const came = (bench: Bench, cylinder = 1) => asReceived(replay(bench.entries)!)!.asIs[cylinder - 1]!

describe('as it came', () => {
  // Hand sums: 565.0469 swept; 55 poured, gasket 8.3277, deck 2.3931, crown 3, crevice 0.6553: 9.1447.
  const poured = () => {
    const bench = oneCylinder(2)
    for (const cylinder of [1, 1, 2, 2]) bench.pour(cylinder, 55)
    return bench
  }
  const cut = (bench: Bench) => bench.add('faceCut', head, { state: 'done', depth: mm(0.5) })
  it('is as it stands while nothing was done', () => expect(asReceived(replay(poured().entries)!)).toBeUndefined())
  it.each<[string, (bench: Bench) => unknown, number]>([
    ['is known by what was read before', () => undefined, 9.1447],
    // 565.2926 swept, deck 2.3942, crevice 0.6754: 69.3973.
    ['has the bore that was measured after the cut', b => anew(b, 'bore', 92.02), 9.1457],
    // 2.4596 of deck: 69.4426.
    ['has the deck clearance that was measured after its cut, with what came off', (b) => {
      b.add('deckCut', bank, { state: 'done', depth: mm(0.2) })
      anew(b, 'deckClearance', 0.17)
    }, 9.1369],
    ['keeps a deck clearance beside which a later one was measured', (b) => {
      b.add('deckCut', bank, { state: 'done', depth: mm(0.2) })
      b.state('deckClearance', 0.17)
    }, 9.1447],
    ['keeps the gasket it came with, whatever the new one measures', (b) => {
      b.add('gasketChange', head, { state: 'done', thickness: mm(0.9), bore: mm(94) })
      b.state('gasketThickness', 0.85, 'measure', all, 0)
    }, 9.1447],
    // Without the crevice: 68.7208.
    ['is told as the target counts now', b => b.add('target', all, { ratio: mm(9.9), tolerance: mm(0.1), countsCrevice: false }), 9.2224],
    ['is of the engine as it was put right', b => b.add('layout', all, { heads: [[1, 2]], banks: [[1, 2]] }, { supersedes: b.entries[0]!.id }), 9.1447]
  ])('%s', (_, later, ratio) => {
    const bench = poured()
    cut(bench)
    later(bench)
    expect(came(bench).ratio!.estimate.value).toBeCloseTo(ratio, 3)
  })
  it('knows a cylinder that was poured for the first time after work on another', () => {
    const bench = oneCylinder(2)
    bench.pour(1, 55)
    bench.add('relief', { level: 'cylinder', cylinder: 1 }, { state: 'done', added: mm(2) })
    bench.pour(1, 57)
    bench.pour(2, 55)
    expect([1, 2].map(c => came(bench, c).parts.chamber?.estimate.value)).toEqual([55, 55])
  })
  it.each(['poured', 'not poured'])('is known of a head that was begun when the other was finished, which was %s before', (first) => {
    const bench = oneCylinder(2)
    bench.add('layout', all, { heads: [[1], [2]], banks: [[1], [2]] }, { supersedes: bench.entries[0]!.id })
    // Stated for both heads when the gasket of one had been changed already.
    const gasket = (head: number) => bench.add('gasketChange', { level: 'head', head }, { state: 'done', thickness: mm(0.9), bore: mm(94) })
    if (first === 'poured') bench.pour(1, 55)
    gasket(1)
    bench.state('gasketThickness', 1.4, 'measure', all, 0)
    bench.pour(2, 56)
    gasket(2)
    bench.add('relief', { level: 'cylinder', cylinder: 2 }, { state: 'done', added: mm(1) })
    bench.pour(2, 57)
    // 56 poured, gasket 9.7157, deck 2.3931, crown 3, crevice 0.6553: 71.7641.
    expect([came(bench, 1).parts.chamber?.estimate.value, came(bench, 2).parts.chamber?.estimate.value, came(bench, 2).ratio?.estimate.value])
      .toEqual([first === 'poured' ? 55 : undefined, 56, expect.closeTo(8.8736, 3)])
  })
  it('is one thing, and as it ran after the first cut another', () => {
    const bench = poured()
    const first = cut(bench)
    for (const cylinder of [1, 2]) bench.pour(cylinder, 52.6)
    bench.add('deckCut', bank, { state: 'done', depth: mm(0.2) })
    anew(bench, 'deckClearance', 0.17)
    const ran = asItRan(replay(bench.entries)!, first)!.asIs[0]!
    // 0.37 of deck: 52.6 + 8.3277 + 2.4596 + 3 + 0.6553 = 67.0426.
    expect([ran.parts.chamber!.estimate.value, ran.ratio!.estimate.value]).toEqual([expect.closeTo(52.6, 6), expect.closeTo(9.4282, 3)])
  })
})

describe('against the book', () => {
  const bench = (says?: number) => {
    const b = oneCylinder(2)
    for (const cylinder of [1, 1]) b.pour(cylinder, 55)
    if (says) b.state('bookRatio', says, 'book')
    return b
  }
  const off = (b: Bench, cylinder = 1) => offTheBook(replay(b.entries)!, cylinder)
  // 9.1447 as it came, see above; a cut since is nothing a book could know of.
  it.each<[string, number, (b: Bench) => unknown]>([
    ['a book that promised more', 9.5, () => undefined],
    ['one that promised less', 9, () => undefined],
    ['one of an engine that was cut since', 9.5, b => b.cut(0.5, 0.5)]
  ])('%s', (_, says, work) => {
    const b = bench(says)
    work(b)
    expect(off(b)!.value).toBeCloseTo(9.1447 - says, 4)
    expect(uncertainty(off(b)!)).toBeCloseTo(uncertainty(replay(bench().entries)!.asIs[0]!.ratio!.estimate), 9)
  })
  it('is held against nothing where no ratio is known, or no book', () => expect([off(bench(9.5), 2), off(bench())]).toEqual([undefined, undefined]))
  it('is reckoned with nowhere', () => expect(replay(bench(20).entries)!.asIs[0]!.ratio!.estimate.value).toBe(replay(bench().entries)!.asIs[0]!.ratio!.estimate.value))
})
