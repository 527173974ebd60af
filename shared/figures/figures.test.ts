import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Dimension } from '#core'
import { CORE_UNIT, airSpeed, digits, fromCore, parseFigure, placesFor, say, sayCylinders, sayDoubt, shown, shownUnit, signed, type FieldOf } from './index'

const length: FieldOf = { dimension: 'length' }
const volume: FieldOf = { dimension: 'volume' }

describe('the number grammar', () => {
  it.each<[string, FieldOf, number, string]>([
    ['60+59.4', volume, 119.4, 'cc'],
    ['60 + 59.4 ml', volume, 119.4, 'cc'],
    ['2.02in', length, 51.308, 'in'],
    ['.040', length, 0.04, 'mm'],
    ['40 thou', length, 1.016, 'thou'],
    ['51,3', volume, 51.3, 'cc'],
    ['1 1/4"', length, 31.75, 'in'],
    ['1-1/4"', length, 31.75, 'in'],
    ['3/8 in', length, 9.525, 'in'],
    ['-1/8"', length, -3.175, 'in'],
    ['10 - 2', length, 8, 'mm'],
    ['−0.2', length, -0.2, 'mm'],
    ['9.4 cm', length, 94, 'cm'],
    ['2in + 3 mm', length, 53.8, 'mm'],
    ['1+2 in', length, 76.2, 'in'],
    ['24°', { dimension: 'angle' }, 24, '°'],
    ['24 deg', { dimension: 'angle' }, 24, '°'],
    ['46.5 cm2', { dimension: 'area' }, 4650, 'cm2'],
    ['9.9:1', { dimension: 'ratio' }, 9.9, ':1'],
    ['130 hp', { dimension: 'power' }, 96.940987, 'hp'],
    ['68 °F', { dimension: 'temperature' }, 20, '°F'],
    ['60+8f', { dimension: 'temperature' }, 20, '°F'],
    ['-40', { dimension: 'temperature', unit: '°F' }, -40, '°F'],
    ['21c', { dimension: 'temperature', unit: '°F' }, 21, '°C'],
    ['18 °F', { dimension: 'warming' }, 10, 'F°'],
    ['10 °C', { dimension: 'warming' }, 10, 'K'],
    ['30 inHg', { dimension: 'pressure' }, 1015.9167, 'inHg'],
    ['89', { dimension: 'share' }, 0.89, '%'],
    ['88.5 %', { dimension: 'share' }, 0.885, '%'],
    ['3.622', { dimension: 'length', unit: 'in' }, 91.9988, 'in'],
    ['1 1/2', { dimension: 'length', unit: 'in' }, 38.1, 'in'],
    ['5.', length, 5, 'mm']
  ])('reads %s', (typed, field, value, unit) => {
    const parsed = parseFigure(typed, field)
    expect(parsed).toMatchObject({ kind: 'figure', figure: { unit, typed } })
    expect(parsed.kind === 'figure' && parsed.figure.value).toBeCloseTo(value, 9)
  })
  it('keeps each term of a sum: each is one fill', () => {
    expect(parseFigure('60+59.4', volume)).toMatchObject({ terms: [60, 59.4] })
  })
  it.each<[string, FieldOf, RegExp]>([
    ['abc', length, /not a number/],
    ['1,234.5', length, /two marks/],
    ['1.234,5', length, /two marks/],
    ['1e3', length, /no powers of ten/],
    ['1E+3', length, /no powers of ten/],
    ['5 cc', length, /cc is for a volume: this field takes a length/],
    ['5 mm', volume, /mm is for a length: this field takes a volume/],
    ['5 furlongs', length, /“furlongs” is not a unit/],
    ['5-3', length, /space on both sides/],
    ['1/0"', length, /0 below the line/],
    ['1 1/4', length, /read as inches/],
    ['60+', volume, /nothing after/],
    ['+', volume, /not a number|nothing/],
    ['NaN', length, /not a number/],
    ['Infinity', length, /not a number/],
    ['0x10', length, /not a unit/],
    ['1'.repeat(65), length, /too long/],
    ['<script>', length, /not a number/]
  ])('refuses %s in words', (typed, field, says) => {
    const parsed = parseFigure(typed, field)
    expect(parsed.kind).toBe('refused')
    expect(parsed.kind === 'refused' && parsed.sentence).toMatch(says)
  })
  it('asks about .040 in a mm field when only the inches make sense', () => {
    const gasket: FieldOf = { dimension: 'length', usual: [0.2, 4] }
    const parsed = parseFigure('.040', gasket)
    expect(parsed).toMatchObject({ kind: 'ask', question: '0.04 mm or 40 thou?' })
    expect(parsed.kind === 'ask' && parsed.choices[1]?.value).toBeCloseTo(1.016, 9)
    expect(parseFigure('.040 mm', gasket).kind).toBe('figure')
    expect(parseFigure('.9', gasket).kind).toBe('figure')
    expect(parseFigure('.040', { dimension: 'length', usual: [0.01, 4] }).kind).toBe('figure')
  })
  it.each([
    ['0.4', 'in', [-2, 5], '400 thou or 0.4 mm?', [10.16, 0.4]], ['96', 'in', [30, 200], '96 in or 96 mm?', [2438.4, 96]], ['3.78', 'mm', [30, 200], '3.78 mm or 3.78 in?', [3.78, 96.012]],
    ['-0.1', 'in', [-2, 5], '−100 thou or −0.1 mm?', [-2.54, -0.1]]
  ] as const)('asks about a bare %s in a field of %s that only makes sense in the other unit', (typed, unit, usual, question, values) => {
    const parsed = parseFigure(typed, { dimension: 'length', unit, usual })
    expect(parsed).toMatchObject({ kind: 'ask', question, choices: values.map(value => ({ value: expect.closeTo(value, 9) as number })) })
    expect(parseFigure(`${typed} ${unit}`, { dimension: 'length', unit, usual }).kind).toBe('figure')
    // Nor about what makes no sense in either.
    expect(parseFigure('2000', { dimension: 'length', unit, usual }).kind).toBe('figure')
  })
  it('asks about an angle that few engines have, and takes one that is usual without a word', () => {
    const flange: FieldOf = { dimension: 'angle', usual: [20, 70] }
    expect(parseFigure('10', flange)).toMatchObject({ kind: 'ask', question: expect.stringContaining('10.0° is unusual here: it is mostly between 20.0° and 70.0°'), choices: [{ value: 10 }] })
    expect(parseFigure('35', flange)).toMatchObject({ kind: 'figure', figure: { value: 35 } })
  })
  it('is empty for nothing', () => expect(parseFigure('  ', length)).toEqual({ kind: 'empty' }))
  it('never gives what is not finite, and never throws', () => {
    fc.assert(fc.property(fc.string({ maxLength: 70 }), (typed) => {
      const parsed = parseFigure(typed, length)
      if (parsed.kind === 'figure') expect(Number.isFinite(parsed.figure.value)).toBe(true)
    }))
    fc.assert(fc.property(fc.stringMatching(/^[-+0-9.,/ "a-z]{1,20}$/), (typed) => {
      expect(['figure', 'ask', 'empty', 'refused']).toContain(parseFigure(typed, { ...length, usual: [0.2, 4] }).kind)
    }))
  })
})

describe('figures as they are read', () => {
  it('in inches have nothing as 0, and a gas in feet', () => {
    expect([say(0, 'length', 'in'), say(-0.0005, 'length', 'in'), say(0, 'length'), say(0.00254, 'length', 'in')]).toEqual(['0 in', '0 in', '0.00 mm', '0.0001 in'])
    expect(airSpeed(30.48, 'in')).toEqual({ value: expect.closeTo(100, 9) as number, unit: 'ft/s' })
    expect(airSpeed(30.48, 'mm')).toEqual({ value: 30.48, unit: 'm/s' })
  })
  it('shows mm and inches from the same stored value', () => {
    expect(say(1.524, 'length', 'mm')).toBe('1.52 mm')
    expect(say(1.524, 'length', 'in')).toBe('0.0600 in')
    expect(say(9.8983, 'ratio')).toBe('9.90')
    expect(say(24, 'angle')).toBe('24.0°')
  })
  it('has temperatures with their own nought, and their differences without', () => {
    expect([say(20, 'temperature', 'in'), say(20, 'temperature'), say(10, 'warming', 'in'), say(10, 'warming'), say(1013.207, 'pressure', 'in')]).toEqual(['68.0 °F', '20.0 °C', '18.0 °F', '10.0 °C', '29.92 inHg'])
  })
  it.each([[1.928, 1], [0.41, 2], [0.0995, 3], [0.1, 2], [0.002, 3], [25, 1], [0, 3]])('a doubt of %f leaves %d places, of one to three', (doubt, places) => expect(placesFor(doubt, 1, 3)).toBe(places))
  it.each(Object.keys(CORE_UNIT) as Dimension[])('a %s that is typed as it is shown is the same to its last place, in either shop', (dimension) => {
    for (const lengths of ['mm', 'in'] as const) {
      const unit = shownUnit(dimension, lengths)
      fc.assert(fc.property(fc.double({ min: -500, max: 500, noNaN: true }), (value) => {
        const parsed = parseFigure(shown(value, dimension, lengths).number, { dimension, unit })
        const back = parsed.kind === 'figure' ? parsed.figure.value : Number.NaN
        // Half of the last place that is shown, which is a whole rpm or mm² at most.
        expect(Math.abs(fromCore(back, unit) - fromCore(value, unit))).toBeLessThanOrEqual(0.5 + 1e-9)
        expect(shown(back, dimension, lengths)).toEqual(shown(value, dimension, lengths))
      }))
    }
  })
  it('has a true minus, and no minus before nothing', () => {
    expect(digits(-0.2, 2)).toBe('−0.20')
    expect(digits(-0.001, 2)).toBe('0.00')
    expect([signed(1.26, 1), signed(-0.26, 1), signed(-0.03, 1), signed(0, 2)]).toEqual(['+1.3', '−0.3', '+0.0', '+0.00'])
  })
  it('shows doubt at k = 2', () => expect(sayDoubt(0.13, 'volume')).toBe('± 0.26 cc'))
  it('lists cylinders as one says them', () => {
    expect(sayCylinders([2], 6)).toBe('Cylinder 2')
    expect(sayCylinders([2, 5], 6)).toBe('Cylinders 2 and 5')
    expect(sayCylinders([1, 2, 3, 4, 5, 6], 6)).toBe('All six cylinders')
    expect(sayCylinders([1, 2], 2)).toBe('Cylinders 1 and 2')
  })
})
