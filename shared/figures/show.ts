import type { Dimension } from '#core'
import { UNITS, fromCore, type UnitName } from './units'

/** What lengths are shown in, by the hand's choice. Stored values are never rounded by it. */
export type LengthUnit = 'mm' | 'in'

const DECIMALS: Record<UnitName, number> = {
  'mm': 2, 'cm': 3, 'in': 4, 'thou': 1, 'mm2': 0, 'cm2': 2, 'in2': 3, 'cc': 1, '°': 1, ':1': 2, 'kg': 3, 'g': 0, 'rpm': 0, '°C': 1, '°F': 1, 'K': 1, 'F°': 1, 'µm': 2, 'µin': 0, 'N': 0, 'lbf': 0, 'N/mm': 1, 'lbf/in': 0,
  'L/s': 1, 'cfm': 1, 'Pa': 0, 'kPa': 2, 'mmH2O': 0, 'inH2O': 1, 'hPa': 0, 'inHg': 2, 'kW': 1, 'hp': 1, '%': 1
}

const both = (unit: UnitName) => ({ mm: unit, in: unit })
const SHOWN: Record<Dimension, Record<LengthUnit, UnitName>> = {
  length: { mm: 'mm', in: 'in' }, area: { mm: 'mm2', in: 'in2' }, volume: both('cc'), angle: both('°'), ratio: both(':1'), mass: both('g'), speed: both('rpm'),
  temperature: { mm: '°C', in: '°F' }, warming: { mm: 'K', in: 'F°' }, roughness: { mm: 'µm', in: 'µin' }, force: { mm: 'N', in: 'lbf' }, rate: { mm: 'N/mm', in: 'lbf/in' }, flow: { mm: 'L/s', in: 'cfm' },
  depression: both('inH2O'), pressure: { mm: 'hPa', in: 'inHg' }, power: { mm: 'kW', in: 'hp' }, share: both('%')
}

/** The unit a dimension is shown in. */
export function shownUnit(dimension: Dimension, lengths: LengthUnit): UnitName {
  return SHOWN[dimension][lengths]
}

/** A number with a true minus and a fixed count of decimals; never “-0”. */
export function digits(value: number, decimals: number): string {
  const text = value.toFixed(decimals)
  return (Number(text) === 0 ? text.replace('-', '') : text).replace('-', '−')
}

/**
 * A difference with its sign; what rounds to nothing is never below it.
 *
 * @example signed(-0.03, 1) // '+0.0'
 */
export function signed(value: number, decimals: number): string {
  const text = digits(value, decimals)
  return text.startsWith('−') ? text : `+${text}`
}

/**
 * A figure as it is read off the screen: number and unit apart, so that each can have its own size.
 *
 * @param value in core units
 * @param dimension what it is
 * @param lengths mm or inches
 * @param extra decimals more (or fewer) than usual for the unit
 * @example shown(1.524, 'length', 'mm') // { number: '1.52', unit: 'mm' }
 */
export function shown(value: number, dimension: Dimension, lengths: LengthUnit = 'mm', extra = 0): { number: string, unit: string } {
  const unit = shownUnit(dimension, lengths)
  const number = digits(fromCore(value, unit), Math.max(0, DECIMALS[unit] + extra))
  return {
    // Four noughts after the point are no easier to read than one before it.
    number: unit === 'in' && Number(number) === 0 ? '0' : number,
    unit: dimension === 'ratio' ? '' : UNITS[unit].label
  }
}

/** The same as one piece of text. */
export function say(value: number, dimension: Dimension, lengths: LengthUnit = 'mm', extra = 0): string {
  const { number, unit } = shown(value, dimension, lengths, extra)
  return unit === '' ? number : unit === '°' ? `${number}°` : `${number} ${unit}`
}

/** What a depth takes, in the shop's lengths: cc a millimetre, or cc a thou, which is what an inch shop cuts by. */
export function sayRate(ccPerMm: number, lengths: LengthUnit, extra = 0): { number: string, unit: string, factor: number } {
  const factor = lengths === 'in' ? UNITS.thou.factor : 1
  return { number: digits(ccPerMm * factor, (lengths === 'in' ? 4 : 2) + extra), unit: lengths === 'in' ? 'cc per thou' : 'cc per mm', factor }
}

/**
 * How fast a gas goes, by the shop's lengths.
 *
 * @param metres a second
 * @example airSpeed(30.48, 'in') // { value: 100, unit: 'ft/s' }
 */
export const airSpeed = (metres: number, lengths: LengthUnit): { value: number, unit: string } => lengths === 'in' ? { value: metres / 0.3048, unit: 'ft/s' } : { value: metres, unit: 'm/s' }

/** A length as a plain number in the shop's lengths, for a chart or a table whose head names the unit. */
export const inLengths = (mm: number, lengths: LengthUnit): number => mm / UNITS[lengths].factor

/** A standard uncertainty as it is shown: two of them, k = 2. */
export function sayDoubt(u: number, dimension: Dimension, lengths: LengthUnit = 'mm', extra = 0): string {
  return `± ${say(2 * u, dimension, lengths, Math.max(extra, dimension === 'volume' ? 1 : 0))}`
}

/** A text as a sentence begins. */
export const capital = (text: string): string => text.replace(/^./, c => c.toUpperCase())

/** “2”, “2 and 5”, “1, 2 and 5”. */
export function sayList(items: (string | number)[]): string {
  return items.length < 2 ? items.join('') : `${items.slice(0, -1).join(', ')} and ${items.at(-1)}`
}

/**
 * Decimal places that leave a doubt two figures: more of them would say what nobody knows.
 *
 * @param doubt in the unit that is shown; none or 0 leaves the most
 * @example placesFor(1.93, 1, 3) // 1
 */
export const placesFor = (doubt: number, least: number, most: number): number => doubt > 0 ? Math.min(most, Math.max(least, 1 - Math.floor(Math.log10(doubt)))) : most

/** “Cylinder 2”, “Cylinders 2 and 5”, “All six cylinders”. */
export function sayCylinders(cylinders: number[], all: number): string {
  const words = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight']
  if (cylinders.length === all && all > 2) return `All ${words[all] ?? all} cylinders`
  return `${cylinders.length === 1 ? 'Cylinder' : 'Cylinders'} ${sayList(cylinders)}`
}
