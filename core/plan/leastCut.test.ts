import { describe, expect, it } from 'vitest'
import { head, mm, oneCylinder } from '../../tests/support/ledgerBench'
import { NO_SOLIDS, headCut, leastCut, replay, type EntryOf } from '..'

/** Two cylinders whose chambers differ by half a cc, and a cut that is planned of them. */
function planned(depth: number, more: object = {}) {
  const bench = oneCylinder(2)
  for (const [cylinder, cc] of [[1, 54.2], [2, 54.7]] as const) for (let i = 0; i < 2; i++) bench.pour(cylinder, cc)
  if (depth > 0) bench.add('faceCut', head, { state: 'planned', depth: mm(depth), ...more })
  const r = replay(bench.entries)!
  return { r, least: leastCut(r, r.planned[0] as EntryOf<'faceCut'>) }
}
const lowest = (depth: number) => Math.min(...planned(depth).r.asPlanned.map(s => s.ratio!.estimate.value))

describe('the least of a cut', () => {
  // Deepest without passing 9.90 is cylinder 1’s, and 9.80 is still on target.
  const { r } = planned(0.1)
  const deep = headCut(r, 1, [], NO_SOLIDS).deepest!.depth.value
  it('brings the cylinder with the largest chamber to the low end of the band, and no further', () => {
    const { least } = planned(deep)
    expect(least!.cylinder).toBe(2)
    expect(least!.depth).toBeLessThan(deep)
    expect(lowest(least!.depth)).toBeCloseTo(9.8, 3)
    expect(lowest(least!.depth - 0.02)).toBeLessThan(9.8)
  })
  it.each<[string, number, object?]>([['a cut that leaves a cylinder short', 0.4], ['one that is laid over', 1.2, { slopeY: 0.002 }]])('is not told of %s', (_, depth, more) => {
    expect(planned(depth, more).least).toBeUndefined()
  })
})
