import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { carry, estimate, exact, fromSource, bestMean, linear, propagate, ratioEstimate, shares, slopes, uncertainty } from './index'

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
  it('a mean of values that share a source is the one with the least variance, by hand', () => {
    const sharing = (value: number, own: number, shared: number, name: string) => linear([[1, fromSource(value, own, name)], [1, fromSource(0, shared, 'cut')]])
    // V = 0.05² + 0.1² and 0.1² + 0.1², C = 0.1²: weights V₂ − C to V₁ − C, 0.01 to 0.0025.
    const mean = bestMean([sharing(4.6, 0.05, 0.1, 'a'), sharing(4.8, 0.1, 0.1, 'b')])
    expect(mean.value).toBeCloseTo((4.6 * 0.01 + 4.8 * 0.0025) / 0.0125, 6)
    expect(uncertainty(mean)).toBeCloseTo(Math.hypot(0.1, 0.8 * 0.05, 0.2 * 0.1), 6)
    // One beside them that shares nothing is not outvoted by their number.
    const six = [1, 2, 3, 4, 5, 6].map(i => sharing(4.8, 0.05, 0.1, `lesson ${i}`))
    const own = fromSource(4.6, 0.1, 'mouth')
    const w = 1 / (0.1 ** 2 + 0.05 ** 2 / 6)
    expect(bestMean([own, ...six]).value).toBeCloseTo((4.6 * 100 + 4.8 * w) / (100 + w), 5)
    // Where the least variance would weigh one below nothing it is left out, and the mean stays among what was found.
    const between = bestMean([sharing(4, 0.01, 0.1, 'a'), sharing(5, 0.01, 0.2, 'b'), sharing(6, 0.01, 0.3, 'c')])
    expect(between.value).toBeCloseTo(4, 6)
    expect([...between.by.keys()].sort()).toEqual(['a', 'cut'])
    // The very same value twice is that value; one nobody doubts wins also where others share.
    expect(bestMean([own, own]).value).toBeCloseTo(4.6, 9)
    expect(bestMean([exact(5), ...six]).value).toBe(5)
    expect(bestMean([six[0]!]).by).toEqual(six[0]!.by)
  })
  it('carry the sign of each use, and say nothing of what is sure', () => {
    const scale = fromSource(50, 0.1, 'scale')
    expect(carry(([a, b]) => a! - 2 * b!, [scale, scale]).by.get('scale')).toBeCloseTo(-0.1, 6)
    expect(linear([[1, scale], [2, scale]]).by.get('scale')).toBeCloseTo(0.3, 12)
    expect(linear([[0, scale]]).by.size).toBe(0)
    expect(fromSource(1, 0, 'sure').by.size).toBe(0)
    expect(shares(exact(4))).toEqual([])
    // A figure nobody doubts is not moved, also where it can't be.
    expect(carry(([a, b]) => {
      if (b !== 3) throw new RangeError('b')
      return a! + b!
    }, [scale, exact(3)]).value).toBe(53)
  })
})

describe('slopes', () => {
  it('are taken in the middle, at the one side there is, and nowhere else', () => {
    expect(slopes(([a, b]) => a! * b! ** 2, [2, 3])).toEqual([expect.closeTo(9, 6), expect.closeTo(12, 6)])
    const bounded = (low: number, high: number) => ([x]: number[]) => {
      if (x! < low || x! > high) throw new RangeError('x')
      return x! ** 2
    }
    expect(slopes(bounded(2, 9), [2])[0]).toBeCloseTo(4, 4)
    expect(slopes(bounded(-9, 2), [2])[0]).toBeCloseTo(4, 4)
    expect(() => slopes(bounded(2, 2), [2])).toThrow(/inputs\[0\]/)
    expect(slopes(([x]) => x! < 2 ? NaN : 3 * x!, [2])[0]).toBeCloseTo(3, 6)
    expect(() => slopes(() => {
      throw new TypeError('a fault of the program')
    }, [2])).toThrow(TypeError)
    expect(slopes(([a, b]) => a! + b!, [1, 2], i => i === 1)).toEqual([0, expect.closeTo(1, 9)])
    // A fault that only shows at a step is a fault too.
    expect(() => slopes(([x]) => {
      if (x !== 2) throw new TypeError('a fault of the program')
      return x
    }, [2])).toThrow(TypeError)
  })
})
