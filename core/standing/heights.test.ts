import { describe, expect, it } from 'vitest'
import { replay } from '..'
import { head, mm, oneCylinder, type Bench } from '../../tests/support/ledgerBench'

const corners = (front: number, back: number, middle?: number) => [
  ...([[150, front], [-150, back]] as const).flatMap(([x, h]) => [50, -50].map(y => ({ x, y, figure: mm(h) }))),
  ...middle === undefined ? [] : [{ x: 0, y: 0, figure: mm(middle) }]
]
const heights = (bench: Bench, ...list: Parameters<typeof corners>) => bench.add('headHeights', head, { readings: corners(...list) })
/** Two cylinders 100 mm apart, poured, measured for height, cut 0.5 by the dial, and measured again: it came off on a slope. */
function cutOnASlope(measured?: number) {
  const bench = oneCylinder(2)
  bench.state('boreSpacing', 100)
  for (let i = 0; i < 2; i++) {
    bench.pour(1, 51)
    bench.pour(2, 51)
  }
  heights(bench, 80, 80)
  bench.cut(0.5, measured)
  heights(bench, 79.6, 79.4)
  return bench
}

describe('a head’s heights', () => {
  it('tell what a cut took under each chamber, where nobody measured it', () => {
    const { heights, asIs } = replay(cutOnASlope().entries)!
    // 79.5 in the middle and 0.2 over 300 mm: at 50 mm either side 0.0333 less or more came off.
    const [one, two] = heights[0]!.taken[0]!.under
    expect(heights[0]!.taken[0]!.depth).toBeCloseTo(0.5, 9)
    expect(one!.depth).toBeCloseTo(0.46667, 5)
    expect(two!.depth).toBeCloseTo(0.53333, 5)
    // 51 cc less 4.65 cc for each mm that went.
    expect(asIs[0]!.parts.chamber!.estimate.value).toBeCloseTo(51 - 4.65 * 0.46667, 4)
    expect(asIs[1]!.parts.chamber!.estimate.value).toBeCloseTo(51 - 4.65 * 0.53333, 4)
  })
  it('and a pour after it teaches by that depth', () => {
    const bench = cutOnASlope()
    for (let i = 0; i < 2; i++) bench.pour(2, 48.5)
    // 2.5 cc over 0.53333 mm.
    expect(replay(bench.entries)!.lessons[0]!.perMm.value).toBeCloseTo(4.6875, 3)
  })
  it('a depth that somebody measured stays; both are told', () => {
    const { heights, asIs } = replay(cutOnASlope(0.52).entries)!
    expect(asIs[0]!.parts.chamber!.estimate.value).toBeCloseTo(51 - 4.65 * 0.52, 6)
    expect(heights[0]!.taken[0]!.under[0]!.depth).toBeCloseTo(0.46667, 5)
  })
  it.each<[string, (bench: Bench) => void]>([
    ['two cuts between them', (bench) => {
      bench.cut(0.2)
      bench.cut(0.3)
    }],
    ['heights that grew', (bench) => {
      bench.cut(0.5)
      heights(bench, 80.2, 80.2)
    }]
  ])('%s tell of none of them', (_what, work) => {
    const bench = oneCylinder()
    for (let i = 0; i < 2; i++) bench.pour(1, 51)
    heights(bench, 80, 80)
    work(bench)
    if (_what.startsWith('two')) heights(bench, 79.5, 79.5)
    expect(replay(bench.entries)!.asIs[0]!.parts.chamber!.estimate.value).toBeCloseTo(51 - 4.65 * 0.5, 9)
  })
  it('entered late they are of the side of the cut they name', () => {
    const bench = oneCylinder()
    for (let i = 0; i < 2; i++) bench.pour(1, 51)
    const cut = bench.cut(0.5)
    heights(bench, 79.4, 79.4)
    bench.add('headHeights', head, { readings: corners(80, 80), cut, side: 'before' })
    expect(replay(bench.entries)!.heights[0]!.taken).toMatchObject([{ cut, depth: expect.closeTo(0.6, 9) as number }])
  })
  it('tell a twist from a hollow, and what went before it came to the bench', () => {
    const bench = oneCylinder()
    bench.state('headHeight', 80.5, 'book')
    bench.cut(0.1, 0.1)
    const at = (list: [number, number, number][]) => bench.add('headHeights', head, { readings: list.map(([x, y, h]) => ({ x, y, figure: mm(h) })) })
    at([[150, 50, 80.03], [-150, -50, 80.01], [150, -50, 79.98], [-150, 50, 79.98], [0, 0, 79.95]])
    const { sets, earlier } = replay(bench.entries)!.heights[0]!
    // Diagonals 80.02 and 79.98; the corners' mean is 80.00, and the middle 0.05 under it.
    expect(sets[0]!.twist).toBeCloseTo(0.04, 9)
    expect(sets[0]!.hollow).toBeCloseTo(0.05, 9)
    // 80.5 new, 79.99 the mean of all five, 0.1 cut here.
    expect(earlier).toBeCloseTo(80.5 - 79.99 - 0.1, 9)
  })
})
