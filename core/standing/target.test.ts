import { describe, expect, it } from 'vitest'
import { exact } from '../estimate'
import { againstTarget, ccBand, furthestOff, isOnTarget, targetBand } from './target'
import type { CylinderState } from './replay'

const at = (...ratios: (number | undefined)[]): CylinderState[] => ratios.map((ratio, i) => ({
  cylinder: i + 1, head: 1, bank: 1, parts: {}, missing: [], ...(ratio === undefined ? {} : { ratio: { estimate: exact(ratio), provenance: 'derived', entries: [] } })
}))

describe('the cylinder furthest off its target', () => {
  const band = { low: 9.8, high: 10 }
  it.each<[string, CylinderState[], typeof band | undefined, number | undefined]>([
    ['lies lowest where all are low', at(9.11, 9.22, 9.01), band, 3],
    ['lies highest where the engine must lose ratio', at(10.9, 10.2, 11.4), band, 3],
    ['is by its distance, whichever way', at(9.7, 10.3), band, 2],
    ['is nobody where all are inside, the bounds with them', at(9.8, 9.9, 10), band, undefined],
    ['is not one that has no ratio', at(undefined, 9.7), band, 2],
    ['is nobody without a target', at(9, 10), undefined, undefined]
  ])('%s', (_, states, of, cylinder) => expect(furthestOff(states, of)).toBe(cylinder))
  it.each<[number | undefined, typeof band | undefined, string | undefined]>([
    [9.79, band, 'under'], [9.8, band, 'on'], [9.87, band, 'on'], [10, band, 'on'], [10.01, band, 'over'], [undefined, band, undefined], [9.9, undefined, undefined]
  ])('of %s stands as %o says: %s', (ratio, of, stands) => {
    expect(againstTarget(at(ratio)[0]!, of)).toBe(stands)
    expect(isOnTarget(at(ratio)[0]!, of)).toBe(stands === 'on')
  })
  it('has a band in cc: +0.72 and −0.71 about 63.49, for 565.05 swept', () => {
    // 565.05/8.8 − 565.05/8.9 and 565.05/9 − 565.05/8.9
    const part = (value: number) => ({ estimate: exact(value), provenance: 'derived' as const, entries: [] })
    const { over, under } = ccBand({ ...at(9.9)[0]!, swept: part(565.05), targetClearance: part(565.05 / 8.9) }, { low: 9.8, high: 10 })!
    expect(over).toBeCloseTo(0.7215, 4)
    expect(under).toBeCloseTo(-0.7054, 4)
    expect(ccBand(at(9.9)[0]!, { low: 9.8, high: 10 })).toBeUndefined()
  })
  it('is judged by target and tolerance', () => {
    const figure = (value: number) => ({ value, unit: '', typed: '' })
    expect(targetBand({ body: { ratio: figure(9.9), tolerance: figure(0.1), countsCrevice: true } } as Parameters<typeof targetBand>[0])).toEqual({ low: 9.8, high: 10 })
  })
})
