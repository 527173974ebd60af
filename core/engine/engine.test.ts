import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  clearanceForRatio, clearanceVolume, compressionRatio, crankAngleAtDrop, creviceVolume, cylinderVolume, effectiveCompressionRatio, oneSidedError, pistonTravel, sweptVolume, topDeadCentre, trappedCompressionRatio
} from './index'

describe('volumes', () => {
  it('agrees with the published examples', () => {
    expect(sweptVolume({ bore: 92, stroke: 85 })).toBeCloseTo(565.0469, 4)
    expect(cylinderVolume(94, 1.2)).toBeCloseTo(8.3277, 4)
  })
  it('sweeps 3.456 L over six cylinders of 90 × 90.54 mm, by hand', () => {
    // π/4 · 90² · 90.54 = 6361.7251 · 90.54 = 575 990.6 mm³
    expect(6 * sweptVolume({ bore: 90, stroke: 90.54 })).toBeCloseTo(6 * 575.9906, 2)
  })
  it('gives the deck the sign of its clearance', () => {
    expect(cylinderVolume(92, -0.2)).toBeCloseTo(-1.3295, 4)
    expect(cylinderVolume(92, 0)).toBe(0)
  })
  it('finds the launch engine’s crevice', () => {
    // π/4 · (92² − 91.35²) · 7 = π/4 · 119.1775 · 7 = 655.21 mm³
    expect(creviceVolume({ bore: 92, crownDiameter: 91.35, topLandHeight: 7 })).toBeCloseTo(0.65521, 5)
  })
  it('sums the clearance volume with a dome taking away', () => {
    expect(clearanceVolume({ chamber: 66, gasket: 5.8088, deck: 3.3251, crown: -22.5, crevice: 0.4 })).toBeCloseTo(53.0339, 4)
  })
  it.each([
    ['negative bore', () => sweptVolume({ bore: -92, stroke: 85 }), /bore is -92: it must be greater than 0/],
    ['NaN stroke', () => sweptVolume({ bore: 92, stroke: NaN }), /stroke is NaN: it must be a finite number/],
    ['endless height', () => cylinderVolume(92, Infinity), /height is Infinity/],
    ['crown wider than bore', () => creviceVolume({ bore: 92, crownDiameter: 93, topLandHeight: 7 }), /crownDiameter is 93: it must be 92 or less/],
    ['negative chamber', () => clearanceVolume({ chamber: -1, gasket: 8, deck: 2, crown: 3 }), /chamber is -1: it must be 0 or more/],
    ['dome larger than the rest', () => clearanceVolume({ chamber: 20, gasket: 5, deck: 1, crown: -30 }), /clearance is -4: it must be greater than 0/]
  ])('refuses a %s by name, value and bound', (_what, call, says) => {
    expect(call).toThrow(RangeError)
    expect(call).toThrow(says)
  })
})

describe('ratio', () => {
  it('agrees with the published examples', () => {
    expect(compressionRatio(565.0469, 65.70)).toBeCloseTo(9.60041, 5)
    expect(clearanceForRatio(565.0469, 9.6)).toBeCloseTo(65.7031, 4)
  })
  it('refuses a ratio of 1 and less', () => {
    expect(() => clearanceForRatio(565, 1)).toThrow(/ratio is 1: it must be greater than 1/)
    expect(() => compressionRatio(565, 0)).toThrow(/clearance is 0/)
  })
  it('undoes itself, and more clearance never means more ratio', () => {
    fc.assert(fc.property(fc.double({ min: 20, max: 2000, noNaN: true }), fc.double({ min: 1.5, max: 25, noNaN: true }), fc.double({ min: 0.01, max: 50, noNaN: true }), (swept, ratio, more) => {
      const clearance = clearanceForRatio(swept, ratio)
      expect(compressionRatio(swept, clearance)).toBeCloseTo(ratio, 9)
      expect(compressionRatio(swept, clearance + more)).toBeLessThan(ratio)
    }))
  })
})

describe('piston', () => {
  it('agrees with the published examples', () => {
    expect(pistonTravel({ stroke: 85, rodLength: 140 }, 30)).toBeCloseTo(7.31604, 5)
    expect(effectiveCompressionRatio({ bore: 92, stroke: 85, rodLength: 150, clearance: 65.7031, intakeClosing: 50 })).toBeCloseTo(8.42578, 5)
  })
  it('moves 42.5 + 150 − √(150² − 42.5²) a quarter turn on, by hand', () => {
    // √(22500 − 1806.25) = 143.8532
    expect(pistonTravel({ stroke: 85, rodLength: 150 }, 90)).toBeCloseTo(48.6468, 4)
    expect(pistonTravel({ stroke: 85, rodLength: 150 }, 180)).toBeCloseTo(85, 10)
  })
  it('is highest at top dead centre, offset or not', () => {
    expect(topDeadCentre({ stroke: 85, rodLength: 150 })).toBe(0)
    expect(topDeadCentre({ stroke: 85, rodLength: 150, pinOffset: 1 })).toBeCloseTo(0.29764, 5)
    fc.assert(fc.property(fc.double({ min: -3, max: 3, noNaN: true }), fc.double({ min: -180, max: 180, noNaN: true }), (pinOffset, angle) => {
      const train = { stroke: 85, rodLength: 150, pinOffset }
      expect(pistonTravel(train, topDeadCentre(train))).toBeLessThan(1e-9)
      expect(pistonTravel(train, angle)).toBeGreaterThanOrEqual(0)
    }))
  })
  it('with an offset is later on the side the throw moves to', () => {
    const ahead = pistonTravel({ stroke: 85, rodLength: 150, pinOffset: 1 }, 10)
    const behind = pistonTravel({ stroke: 85, rodLength: 150, pinOffset: 1 }, -10)
    expect(ahead).toBeLessThan(behind)
  })
  it('with an offset, by the closed form worked out elsewhere', () => {
    const train = { stroke: 85, rodLength: 150, pinOffset: -1.2 }
    expect(effectiveCompressionRatio({ bore: 92, ...train, clearance: 65.7031, intakeClosing: 50 })).toBeCloseTo(8.415716, 5)
    expect(crankAngleAtDrop(train, 1, 'before')).toBeCloseTo(-11.357756, 5)
    expect(crankAngleAtDrop(train, 1, 'after')).toBeCloseTo(10.639684, 5)
    expect(oneSidedError(train, 0.02, 0.05, 1)).toEqual({ dwell: expect.closeTo(1.551655, 5) as number, fromSlack: expect.closeTo(0.27292, 5) as number })
    // The rod must reach past throw and offset together: 42.5 + 1.2.
    expect(() => pistonTravel({ ...train, rodLength: 43.6 }, 0)).toThrow(/rodLength is 43.6/)
    expect(pistonTravel({ ...train, rodLength: 43.8 }, 0)).toBeGreaterThanOrEqual(0)
    expect(effectiveCompressionRatio({ bore: 92, ...train, clearance: 65.7031, intakeClosing: 180 })).toBeCloseTo(1, 6)
  })
  it('finds the trials single’s trapped ratio', () => {
    // π/4 · 68² · 43.1 = 156.5246 cc over 24.21 cc
    expect(trappedCompressionRatio({ bore: 68, clearance: 24.21, exhaustPortTop: 43.1 })).toBeCloseTo(7.4653, 4)
  })
  it('refuses a rod that can’t turn', () => {
    expect(() => pistonTravel({ stroke: 85, rodLength: 42 }, 10)).toThrow(/rodLength is 42: it must be greater than 42.5/)
    expect(() => effectiveCompressionRatio({ bore: 92, stroke: 85, rodLength: 150, clearance: 60, intakeClosing: 190 })).toThrow(/intakeClosing/)
  })
})
