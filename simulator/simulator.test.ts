import { describe, expect, it } from 'vitest'
import { disagreementOf, pourVolume, leakWatch, leakWatchTime, type Fill, type Instrument } from '#core'
import { chance } from '#demo/chance'
import { SimulatedGlass, type GlassTraits, type Mishap } from './glass'
import { fillingLevel, simulatedGauge } from './gauge'

/** Forty pieces of glass, of every kind a shop has. */
const KINDS: GlassTraits[] = [
  { kind: 'burette', capacity: 100, tolerance: 0.2, resolution: 0.1, repeatability: 0.08 },
  { kind: 'burette', capacity: 50, tolerance: 0.1, resolution: 0.1, repeatability: 0.05 },
  { kind: 'burette', capacity: 100, tolerance: 0.1, resolution: 0.2, repeatability: 0.08 },
  { kind: 'syringe', capacity: 60, tolerance: 1.5, resolution: 1, repeatability: 0.3 }
]
const glasses = Array.from({ length: 40 }, (_, i) => new SimulatedGlass(KINDS[i % KINDS.length]!, 1000 + i))
const burettes = glasses.filter(g => g.traits.kind === 'burette')
const instrument = (glass: SimulatedGlass): Instrument => ({ ...glass.traits, id: String(glass.scaleError) })
const luck = chance(77)
const truth = () => 25 + 90 * luck.uniform()
const result = (glass: SimulatedGlass, fills: Fill[]) => pourVolume(fills, instrument(glass))
const apart = (glass: SimulatedGlass, first: Fill[], second: Fill[]) => disagreementOf([first, second].map(fills => result(glass, fills)))

describe('two hundred pours over forty instruments', () => {
  const errors = glasses.flatMap(glass => Array.from({ length: 5 }, () => {
    const volume = truth()
    const { value, u } = result(glass, glass.pour(volume))
    return (value - volume) / u
  }))
  it('are as wrong as they say: r.m.s. of error/u between 0.8 and 1.2', () => {
    expect(errors).toHaveLength(200)
    const rms = Math.sqrt(errors.reduce((sum, e) => sum + e * e, 0) / errors.length)
    expect(rms).toBeGreaterThan(0.8)
    expect(rms).toBeLessThan(1.2)
  })
  it('hold the truth inside ± 2u at least nine times in ten', () => {
    expect(errors.filter(e => Math.abs(e) <= 2).length / errors.length).toBeGreaterThanOrEqual(0.9)
  })
})

describe('mishaps', () => {
  const pairs = (mishap: () => Mishap, runs = 400) => Array.from({ length: runs }, (_, i) => {
    const glass = burettes[i % burettes.length]!
    const volume = 25 + 40 * luck.uniform()
    return { glass, first: glass.pour(volume), second: glass.pour(volume, mishap()) }
  })
  it('a bubble of 0.6 cc or more is caught at the second pour', () => {
    const caught = pairs(() => ({ bubble: 0.6 + luck.uniform() })).filter(({ glass, first, second }) => apart(glass, first, second))
    expect(caught.length / 400).toBeGreaterThanOrEqual(0.98)
    // And the sign names it: the second came out smaller.
    for (const { glass, first, second } of caught) expect(apart(glass, first, second)!.change).toBeLessThan(0)
  })
  it('two honest pours are challenged at most once in twenty', () => {
    const alarms = pairs(() => ({}), 2000).filter(({ glass, first, second }) => apart(glass, first, second))
    expect(alarms.length / 2000).toBeLessThanOrEqual(0.05)
  })
  it('a leak of 0.2 cc a minute shows in the watch, a tight head does not', () => {
    const watch = (leak: number) => Array.from({ length: 500 }, (_, i) => {
      const glass = burettes[i % burettes.length]!
      const seconds = leakWatchTime(instrument(glass))
      const end = 20 + 20 * luck.uniform()
      const read = Math.round(end / glass.traits.resolution) * glass.traits.resolution
      return leakWatch(read, glass.topUp(read, seconds, { leak }), seconds, instrument(glass)).leaking
    }).filter(Boolean).length / 500
    expect(watch(0.2)).toBeGreaterThanOrEqual(0.98)
    expect(watch(0)).toBeLessThanOrEqual(0.05)
  })
  it('the wrong way round is refused at once', () => {
    for (const glass of glasses) expect(() => result(glass, glass.pour(30, { wrongWay: true }))).toThrow(RangeError)
  })
})

describe('gauges that stream', () => {
  it('show the truth within noise and drift, in their own steps', () => {
    const show = simulatedGauge({ resolution: 0.01, noise: 0.003, drift: 0.004 }, 5)
    for (let s = 0; s < 60; s += 0.05) {
      const value = show(0.36, s)
      expect(Math.abs(value - 0.36)).toBeLessThan(0.025)
      expect(value * 100).toBeCloseTo(Math.round(value * 100), 9)
    }
  })
  it('a burette fills, slows down and stands still; a leak never does, a bubble stands low', () => {
    const at = (s: number, mishap = {}) => fillingLevel(55.3, s, mishap)
    expect(at(0)).toBeCloseTo(0, 9)
    for (let s = 0; s < 6; s += 0.05) expect(at(s + 0.05)).toBeGreaterThanOrEqual(at(s))
    expect(at(8)).toBeCloseTo(55.3, 6)
    expect(at(60)).toBeCloseTo(55.3, 6)
    expect(at(68, { leak: 0.4 }) - at(8, { leak: 0.4 })).toBeCloseTo(0.4, 6)
    expect(at(60, { bubble: 0.9 })).toBeCloseTo(54.4, 6)
  })
})
