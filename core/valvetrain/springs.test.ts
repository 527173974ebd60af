import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { floatSpeed, retainerClearance, springFromLoads, springLoad, springTravel } from '..'

const cam = (peak: number, span: number, step: number) => Array.from({ length: Math.round(span / step) + 1 }, (_, i) => ({ angle: -span / 2 + i * step, lift: peak / 2 * (1 + Math.cos(2 * Math.PI * (-span / 2 + i * step) / span)) }))

describe('springs', () => {
  it('hold the worked examples', () => {
    expect(springLoad({ rate: 30, freeLength: 50 }, 40)).toBe(300)
    expect(springLoad({ rate: 30, freeLength: 50 }, 51)).toBe(0)
    expect(springTravel({ installedHeight: 40, lift: 10.7, solidHeight: 27.8 })).toBeCloseTo(1.5, 9)
    expect(springTravel({ installedHeight: 38, lift: 11, solidHeight: 27.8 })).toBeCloseTo(-0.8, 9)
    expect(retainerClearance({ retainerToSeal: 12, lift: 10.7 })).toBeCloseTo(1.3, 9)
    expect(retainerClearance({ retainerToSeal: 10, lift: 10.7 })).toBeCloseTo(-0.7, 9)
    // 5931.4 by the curve itself; five places at 1° take 0.02 % off its curvature.
    const float = floatSpeed({ liftTable: cam(10, 250, 1), movingMass: 150, springs: [{ rate: 30, freeLength: 50 }], installedHeight: 40 })!
    expect(float.rpm / 5931.4).toBeCloseTo(1, 3)
    expect(float.atAngle).toBe(0)
  })
  it('two loads are a spring, whichever way round, and give the loads back', () => {
    expect(springFromLoads([{ height: 40, load: 300 }, { height: 30, load: 600 }])).toEqual({ rate: 30, freeLength: 50 })
    const positive = (max: number) => fc.double({ min: 1, max, noNaN: true })
    fc.assert(fc.property(positive(200), positive(60), positive(40), positive(30), (rate, up, low, more) => {
      const spring = { rate, freeLength: low + more + up }
      const at = (height: number) => ({ height, load: springLoad(spring, height) })
      const found = springFromLoads([at(low), at(low + more)])
      expect(found.rate / rate).toBeCloseTo(1, 6)
      expect(found.freeLength / spring.freeLength).toBeCloseTo(1, 6)
    }))
    for (const [readings, said] of [[[{ height: 0, load: 9 }, { height: 30, load: 1 }], 'height is 0'], [[{ height: 30, load: 9 }, { height: 30, load: 1 }], 'the higher height'], [[{ height: 30, load: 9 }, { height: 40, load: 9 }], 'load at the lower height'], [[{ height: 30, load: 9 }, { height: 40, load: -1 }], 'load is -1']] as const) expect(() => springFromLoads(readings)).toThrow(said)
  })
  it('a valve floats by closed form at the nose of a raised cosine, later with a stiffer spring or less mass, sooner once it is sunk', () => {
    fc.assert(fc.property(fc.double({ min: 6, max: 14, noNaN: true }), fc.double({ min: 15, max: 80, noNaN: true }), fc.double({ min: 40, max: 300, noNaN: true }), (peak, rate, movingMass) => {
      const at = (more: { rate?: number, mass?: number, height?: number } = {}) => floatSpeed({ liftTable: cam(peak, 260, 1), movingMass: more.mass ?? movingMass, springs: [{ rate: more.rate ?? rate, freeLength: 50 }], installedHeight: more.height ?? 40 })!
      // L″ = −peak/2·(2π/260)²·cos, the load grows slower than the cosine falls: the nose or its flank decides.
      const speeds = Array.from({ length: 1300 }, (_, i) => i / 10).flatMap((theta) => {
        const cos = Math.cos(2 * Math.PI * theta / 260)
        return cos > 1e-3 ? [Math.sqrt(rate * (10 + peak / 2 * (1 + cos)) / (movingMass * 1e-6 * peak / 2 * (2 * Math.PI / 260) ** 2 * cos)) / 6] : []
      })
      expect(at().rpm / Math.min(...speeds)).toBeCloseTo(1, 2)
      expect(at({ rate: rate * 1.21 }).rpm / at().rpm).toBeCloseTo(1.1, 6)
      expect(at({ mass: movingMass / 1.21 }).rpm / at().rpm).toBeCloseTo(1.1, 6)
      expect(at({ height: 40.5 }).rpm).toBeLessThan(at().rpm)
    }), { numRuns: 20 })
  })
  it('inner and outer springs add up, each at its own height', () => {
    const [outer, inner] = [{ rate: 25, freeLength: 50 }, { rate: 12, freeLength: 44, installedHeight: 37 }]
    const both = floatSpeed({ liftTable: cam(10, 250, 1), movingMass: 150, springs: [outer, inner], installedHeight: 40 })!
    const [alone, other] = [outer, { ...inner }].map(s => floatSpeed({ liftTable: cam(10, 250, 1), movingMass: 150, springs: [s], installedHeight: 40 })!)
    expect(both.rpm ** 2).toBeCloseTo(alone!.rpm ** 2 + other!.rpm ** 2, -3)
  })
  it.each([
    ['no mass', { movingMass: 0 }], ['four places', { liftTable: cam(10, 250, 1).slice(0, 4) }], ['uneven steps', { liftTable: [...cam(10, 250, 1), { angle: 300, lift: 0 }] }], ['no spring', { springs: [] }], ['a step of nothing', { liftTable: Array.from({ length: 6 }, () => ({ angle: 0, lift: 1 })) }]
  ])('%s is refused', (_, more) => {
    expect(() => floatSpeed({ liftTable: cam(10, 250, 1), movingMass: 150, springs: [{ rate: 30, freeLength: 50 }], installedHeight: 40, ...more })).toThrow(RangeError)
  })
})
