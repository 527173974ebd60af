import { expect, it } from 'vitest'
import { all, burette, head, mm, oneCylinder } from '../../tests/support/ledgerBench'
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

it('a crown that is poured after its pockets were cut moves the cut that they gave back', () => {
  const { bench, moved } = planned(1)
  const one = { level: 'cylinder', cylinder: 1 } as const
  bench.add('crownWork', one, { state: 'done', added: mm(1.2), pockets: mm(0.8), valve: 'intake' })
  expect(moved()).toEqual([])
  // 70.20 less 66.48 over a crown 10 mm down is 3.72 cc, where 3 + 1.2 were told: 0.48 cc less are 0.10 mm.
  bench.add('pour', one, { encloses: 'crown', fills: [{ start: 0, end: 70.2 }], typed: '70.2', sealed: 'crown', depth: mm(10), instrument: burette })
  expect(moved()).toEqual([[1, 1, expect.closeTo(0.9, 9) as number]])
})
