import { expect, it } from 'vitest'
import { all, head, mm, oneCylinder } from '../../tests/support/ledgerBench'
import { NO_SOLIDS, replanned, replay } from '..'

/** One cylinder of 55 cc by two pours, upright walls of 4 650 mm², and a cut of a plan. */
function planned(depth: number) {
  const bench = oneCylinder()
  bench.add('layout', all, { heads: [[1]], banks: [[1]], engine: { strokes: 4, arrangement: 'single', first: 'front', head: 'removable', intakes: 1, exhausts: 1, chamber: 'flat' } })
  for (let i = 0; i < 2; i++) bench.pour(1, 55)
  const plan = bench.add('plan', all, { name: 'Route: cut the face', reasons: [], state: 'open', route: true })
  bench.add('faceCut', head, { state: 'planned', depth: mm(depth) }, { plan } as object)
  return { bench, moved: () => replanned(replay(bench.entries)!, plan, NO_SOLIDS).map(m => [m.head, m.planned, m.now]) }
}

it('a pour since the plan moves its cut by what it adds over the mouth, a first cut as far short of the whole as before; nothing else moves it', () => {
  for (const depth of [1, 0.6]) {
    const { bench, moved } = planned(depth)
    expect(moved()).toEqual([])
    // A third pour of 0.6 cc more raises the mean by 0.2 cc: 0.2/4.65 = 0.043 mm.
    bench.pour(1, 55.6)
    expect(moved()).toEqual([[1, depth, expect.closeTo(depth + 0.04, 9) as number]])
    // One that brings it back to within 0.02 mm leaves it alone.
    bench.pour(1, 54.5)
    expect(moved()).toEqual([])
  }
  const { bench, moved } = planned(1)
  bench.state('deckClearance', 0.5)
  expect(moved()).toEqual([])
})
