import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { carry, estimate, exact, fromSource, bestMean, linear, propagate, ratioEstimate, shares, uncertainty } from './index'

describe('propagate', () => {
  it('agrees with the GUM’s worked end gauge: independent parts add in squares', () => {
    // JCGM 100:2008 H.1.4: 25, 9.7, 2.9, 16.6 nm combine to √1003 = 31.67 nm (32 there, rounded).
    const sum = propagate(x => x.reduce((a, b) => a + b, 0), [25, 9.7, 2.9, 16.6].map(u => ({ value: 0, u })))
    expect(sum.u).toBeCloseTo(31.67, 2)
    expect(sum.shares.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 12)
    expect(sum.shares[0]).toBeCloseTo(625 / 1003.06, 3)
  })
  it('agrees with a ratio propagated by hand', () => {
    // u(r) = Vs·u(Vc)/Vc² = 565.0469 · 0.2/65.7² = 0.026181
    const ratio = ratioEstimate({ value: 565.0469, u: 0 }, { value: 65.7, u: 0.2 })
    expect(ratio.value).toBeCloseTo(9.60041, 5)
    expect(ratio.u).toBeCloseTo(0.026181, 6)
    expect(ratio.shares).toEqual([0, 1])
  })
  it('has no shares when nothing is unsure', () => {
    expect(propagate(([a, b]) => a! * b!, [{ value: 2, u: 0 }, { value: 3, u: 0 }])).toEqual({ value: 6, u: 0, shares: [0, 0] })
  })
  it('steps to one side at the edge of a domain', () => {
    const root = (x: number[]) => {
      if (x[0]! < 1) throw new RangeError('x is below 1')
      return Math.sqrt(x[0]!)
    }
    expect(propagate(root, [{ value: 1, u: 0.1 }]).u).toBeCloseTo(0.05, 5)
  })
  it('refuses what is no estimate', () => {
    expect(() => propagate(([a]) => a!, [{ value: NaN, u: 0 }])).toThrow(/inputs\[0\]\.value is NaN/)
    expect(() => propagate(([a]) => a!, [{ value: 1, u: -1 }])).toThrow(/inputs\[0\]\.u is -1/)
    expect(() => propagate(([a]) => 1 / a!, [{ value: 0, u: 1 }])).toThrow(RangeError)
  })
})

describe('sources', () => {
  const scale = (value: number) => fromSource(value, 0.1155, 'scale')
  it('cancel in a difference and add in a sum', () => {
    expect(uncertainty(linear([[1, scale(55.4)], [-1, scale(50.1)]]))).toBe(0)
    expect(uncertainty(linear([[1, scale(55.4)], [1, scale(50.1)]]))).toBeCloseTo(0.231, 10)
  })
  it('agree with independent propagation when nothing is shared', () => {
    fc.assert(fc.property(fc.array(fc.record({ value: fc.double({ min: 1, max: 100, noNaN: true }), u: fc.double({ min: 0, max: 1, noNaN: true }) }), { minLength: 2, maxLength: 5 }), (inputs) => {
      const f = (x: number[]) => x.reduce((a, b) => a * b, 1)
      const carried = carry(f, inputs.map((e, i) => fromSource(e.value, e.u, `s${i}`)))
      const straight = propagate(f, inputs)
      expect(carried.value).toBe(straight.value)
      expect(uncertainty(carried)).toBeCloseTo(straight.u, 6)
    }))
  })
  it('names the largest first', () => {
    const sum = linear([[1, fromSource(1, 3, 'a')], [1, fromSource(1, 4, 'b')], [1, exact(2)]])
    expect(estimate(sum)).toEqual({ value: 4, u: 5 })
    expect(shares(sum)).toEqual([{ source: 'b', share: 0.64, u: 4 }, { source: 'a', share: 0.36, u: 3 }])
  })
  it('weights a mean by 1/u²', () => {
    // weights 1/0.01 and 1/0.04: (4·4.60 + 1·4.70)/5, u = 1/√125
    const mean = bestMean([fromSource(4.60, 0.1, 'lesson'), fromSource(4.70, 0.2, 'geometry')])
    expect(mean.value).toBeCloseTo(4.62, 12)
    expect(uncertainty(mean)).toBeCloseTo(0.0894427, 7)
    expect(bestMean([exact(5), fromSource(4, 0.1, 'x')]).value).toBe(5)
    expect(() => bestMean([])).toThrow(/values.length is 0/)
  })
})
