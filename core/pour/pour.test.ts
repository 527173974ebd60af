import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { chance } from '#demo/chance'
import { combinePours, disagreementOf, crownVolumeFromPour, pourVolume, scaleAtTemperature, stopReading, type Instrument } from './index'

const burette: Instrument = { kind: 'burette', capacity: 100, tolerance: 0.2, resolution: 0.1 }
const syringe: Instrument = { kind: 'syringe', capacity: 60, tolerance: 1.5, resolution: 1 }

describe('pourVolume', () => {
  it('agrees with the published examples', () => {
    const two = pourVolume([{ start: 0, end: 98.6 }, { start: 3, end: 12.4 }], burette)
    expect(two.value).toBeCloseTo(108, 10)
    expect(two.u).toBeCloseTo(0.1374, 4)
    const one = pourVolume([{ start: 0, end: 55.4 }], burette)
    expect(one.value).toBeCloseTo(55.4, 10)
    expect(one.u).toBeCloseTo(0.1225, 4)
  })
  it('keeps the scale’s part and the reading’s own part apart, by hand', () => {
    // shared 0.2/√3 = 0.115470; own² = 2·0.01/12 + 0.08² = 0.0080667
    const { shared, own } = pourVolume([{ start: 0, end: 55.4 }], { ...burette, repeatability: 0.08 })
    expect(shared).toBeCloseTo(0.115470, 6)
    expect(own).toBeCloseTo(0.0898146, 6)
  })
  it('counts a syringe down', () => {
    expect(pourVolume([{ start: 60, end: 4 }], syringe).value).toBe(56)
  })
  it('keeps a film back once a pour, and applies a check pour’s factor', () => {
    const glass: Instrument = { kind: 'cylinder', capacity: 100, tolerance: 1, resolution: 1, scale: 'contain', film: 0.3, correction: 1.002 }
    expect(pourVolume([{ start: 80, end: 20 }], glass).value).toBeCloseTo((60 - 0.3) * 1.002, 10)
    expect(pourVolume([{ start: 80, end: 20 }], { ...glass, scale: 'deliver' }).value).toBeCloseTo(60 * 1.002, 10)
  })
  it.each([
    ['no fills', () => pourVolume([], burette), /fills is 0: it must be one or more/],
    ['a reading beyond the scale', () => pourVolume([{ start: 0, end: 120 }], burette), /fills\[0\]\.end is 120: it must be on the scale, 0 to 100/],
    ['a burette read upwards', () => pourVolume([{ start: 0, end: 40 }, { start: 50, end: 10 }], burette), /fills\[1\]\.end is 10: it must be greater than the start 50/],
    ['a syringe read upwards', () => pourVolume([{ start: 4, end: 60 }], syringe), /a syringe counts what is left/],
    ['nothing poured', () => pourVolume([{ start: 5, end: 5 }], burette), /fills\[0\]\.end is 5/],
    ['a NaN', () => pourVolume([{ start: NaN, end: 5 }], burette), /fills\[0\]\.start is NaN/],
    ['an instrument without a scale', () => pourVolume([{ start: 0, end: 5 }], { ...burette, capacity: 0 }), /instrument.capacity is 0/]
  ])('refuses %s', (_what, call, says) => {
    expect(call).toThrow(RangeError)
    expect(call).toThrow(says)
  })
  it('never answers with less than nothing (any readings)', () => {
    fc.assert(fc.property(fc.double({ min: -20, max: 120, noNaN: false }), fc.double({ min: -20, max: 120, noNaN: false }), (start, end) => {
      try {
        expect(pourVolume([{ start, end }], burette).value).toBeGreaterThan(0)
      } catch (error) {
        expect(error).toBeInstanceOf(RangeError)
      }
    }))
  })
})

describe('combinePours', () => {
  const pour = (end: number, id = 'long') => pourVolume([{ start: 0, end }], { ...burette, id, repeatability: 0.08 })
  it('returns one pour as it is', () => {
    const one = pour(55.4)
    expect(combinePours([one])).toEqual(one)
  })
  it('takes the mean of one instrument, its scale undiminished', () => {
    // Σ(x − mean)² of 55.3, 55.4, 55.8 = 0.14, own² 0.0080667: own*² = (8·0.0080667 + 0.14)/10 = 0.0204533
    const three = combinePours([pour(55.3), pour(55.4), pour(55.8)])
    expect(three.value).toBeCloseTo(55.5, 10)
    expect(three.u).toBeCloseTo(Math.sqrt(0.04 / 3 + 0.0204533 / 3), 6)
  })
  it('covers a difference of two pours as often as it says, whatever they scatter', () => {
    // 4000 pairs with the scatter the instrument is known for: a mean's own u is right in the mean of its square.
    const { normal } = chance(3)
    const { own } = pour(55.4)
    let [square, claimed] = [0, 0]
    for (let i = 0; i < 4000; i++) {
      const pair = combinePours([0, 0].map(() => ({ ...pour(55.4), value: 55.4 + own * normal() })))
      square += (pair.value - 55.4) ** 2
      claimed += pair.own ** 2
    }
    expect(Math.sqrt(claimed / square)).toBeGreaterThan(0.96)
    expect(Math.sqrt(claimed / square)).toBeLessThan(1.04)
  })
  it('does not believe two pours that happen to agree more than their reading allows', () => {
    expect(combinePours([pour(55.4), pour(55.4)]).own).toBeCloseTo(0.0898146 * Math.sqrt(8 / 9 / 2), 6)
  })
  it('weights instruments by 1/u²', () => {
    const fine = { ...pourVolume([{ start: 0, end: 48 }], { kind: 'burette', capacity: 50, tolerance: 0.05, resolution: 0.1, id: 'fine' }) }
    const rough = pourVolume([{ start: 60, end: 11 }], { ...syringe, id: 'syringe' })
    const both = combinePours([fine, rough])
    const [wf, wr] = [1 / fine.u ** 2, 1 / rough.u ** 2]
    expect(both.value).toBeCloseTo((48 * wf + 49 * wr) / (wf + wr), 10)
    expect(both.u).toBeCloseTo(1 / Math.sqrt(wf + wr), 10)
    expect(both.source).toBeUndefined()
  })
  it('refuses an empty list', () => expect(() => combinePours([])).toThrow(/pours is 0/))
})

describe('around the pour', () => {
  it('finds pockets and domes from a pour in the bore', () => {
    // π/4 · 92² · 10 = 66.4761 cc
    expect(crownVolumeFromPour({ bore: 92, depth: 10, poured: 69.4761 })).toBeCloseTo(3, 4)
    expect(crownVolumeFromPour({ bore: 84, depth: 20, poured: 88.3351 })).toBeCloseTo(-22.5, 3)
    expect(() => crownVolumeFromPour({ bore: 92, depth: -1, poured: 3 })).toThrow(/depth is -1/)
  })
  it('grows a plastic scale with warmth, and not at 20 °C', () => {
    expect(scaleAtTemperature(60, 3.5e-4, 20)).toBe(60)
    expect(scaleAtTemperature(60, 3.5e-4, 35)).toBeCloseTo(60.315, 10)
  })
  it('says where to stop, also beyond one fill', () => {
    expect(stopReading(46.8, 0, burette)).toEqual({ fill: 1, reading: 46.8 })
    expect(stopReading(108, 0, burette)).toEqual({ fill: 2, reading: 8 })
    expect(stopReading(100, 0, burette)).toEqual({ fill: 1, reading: 100 })
    expect(stopReading(46.8, 60, syringe).reading).toBeCloseTo(13.2, 10)
    expect(() => stopReading(10, 100, burette)).toThrow(/scale left from start is 0/)
  })
  it('undoes pourVolume, film and factor included', () => {
    fc.assert(fc.property(fc.double({ min: 1, max: 95, noNaN: true }), fc.double({ min: 0.98, max: 1.02, noNaN: true }), (wanted, correction) => {
      const glass: Instrument = { ...burette, scale: 'contain', film: 0.2, correction }
      const { fill, reading } = stopReading(wanted, 0, glass)
      const fills = [...Array.from({ length: fill - 1 }, () => ({ start: 0, end: 100 })), { start: 0, end: reading }]
      expect(pourVolume(fills, glass).value).toBeCloseTo(wanted, 9)
    }))
  })
})

describe('pours of one thing that lie apart', () => {
  const of = (value: number, source = 'a', own = 0.1, shared = 0.12) => ({ value, own, shared, u: Math.hypot(own, shared), source })
  it('by more than reading them twice allows, the later less the earlier', () => {
    // One scale: 2.3·√2·0.1 = 0.32527; two scales: 2.3·√(2·0.01 + 2·0.0144) = 0.50809.
    expect(disagreementOf([of(55), of(55.32)])).toBeUndefined()
    expect(disagreementOf([of(55), of(55.33)])).toEqual({ difference: expect.closeTo(0.33, 9) as number, change: expect.closeTo(0.33, 9) as number, allowed: expect.closeTo(0.325269, 5) as number })
    expect(disagreementOf([of(55.33), of(55)])!.change).toBeCloseTo(-0.33, 9)
    expect(disagreementOf([of(55), of(55.5, 'b')])).toBeUndefined()
    expect(disagreementOf([of(55), of(55.51, 'b')])!.allowed).toBeCloseTo(0.508087, 5)
    // Without a name nobody knows that the scale is one.
    expect(disagreementOf([{ ...of(55), source: undefined }, { ...of(55.5), source: undefined }])).toBeUndefined()
    // One scale at two volumes: only what its errors differ by.
    expect(disagreementOf([of(55, 'a', 0.1, 0.12), of(55.4, 'a', 0.1, 0.22)])!.allowed).toBeCloseTo(2.3 * Math.hypot(0.1, 0.1, 0.1), 9)
  })
  it('the pair that is furthest past what it may be, whatever their number', () => {
    expect(disagreementOf([of(55), of(55.1), of(56), of(55.2)])).toMatchObject({ difference: 1, change: 1 })
    expect(disagreementOf([of(56), of(55.1), of(55), of(55.2)])!.change).toBeCloseTo(-1, 9)
    // Rough pours may lie wider apart than fine ones, and it is the fine ones that are challenged.
    expect(disagreementOf([of(55, 'a'), of(55.5, 'a'), of(54, 'rough', 1), of(56, 'rough', 1)])).toMatchObject({ difference: 0.5 })
    expect(disagreementOf([])).toBeUndefined()
    expect(disagreementOf([of(55)])).toBeUndefined()
  })
})
