import type { Dimension } from '#core'

export interface Unit {
  dimension: Dimension
  /** Core units per one of this unit. */
  factor: number
  /** What its nought is in the core unit, where that is not nought. */
  zero?: number
  /** As it is printed after a figure. */
  label: string
  /** Spellings that are understood when typed. */
  spellings: string[]
}

/** Every unit that can be typed or shown. Core units are mm, mm², cc, degrees, kg, rpm, °C, µm for how rough a face is, N, N/mm, L/s, Pa for a
 * bench's depression, hPa for the air about it and kW. How much warmer one thing is than another is a dimension of its own: 10 °C warmer are 18 °F, not 50. */
export const UNITS = {
  'mm': { dimension: 'length', factor: 1, label: 'mm', spellings: ['mm'] },
  'cm': { dimension: 'length', factor: 10, label: 'cm', spellings: ['cm'] },
  'in': { dimension: 'length', factor: 25.4, label: 'in', spellings: ['in', 'inch', '"', '″', '”'] },
  'thou': { dimension: 'length', factor: 0.0254, label: 'thou', spellings: ['thou'] },
  'mm2': { dimension: 'area', factor: 1, label: 'mm²', spellings: ['mm2', 'mm²', 'sqmm'] },
  'cm2': { dimension: 'area', factor: 100, label: 'cm²', spellings: ['cm2', 'cm²', 'sqcm'] },
  'in2': { dimension: 'area', factor: 645.16, label: 'in²', spellings: ['in2', 'in²', 'sqin'] },
  'cc': { dimension: 'volume', factor: 1, label: 'cc', spellings: ['cc', 'ml', 'cm3', 'cm³'] },
  '°': { dimension: 'angle', factor: 1, label: '°', spellings: ['°', 'deg'] },
  'kg': { dimension: 'mass', factor: 1, label: 'kg', spellings: ['kg'] },
  'g': { dimension: 'mass', factor: 0.001, label: 'g', spellings: ['g'] },
  'rpm': { dimension: 'speed', factor: 1, label: 'rpm', spellings: ['rpm'] },
  '°C': { dimension: 'temperature', factor: 1, label: '°C', spellings: ['°c', 'c'] },
  '°F': { dimension: 'temperature', factor: 5 / 9, zero: -160 / 9, label: '°F', spellings: ['°f', 'f'] },
  'K': { dimension: 'warming', factor: 1, label: '°C', spellings: ['°c', 'c', 'k'] },
  'F°': { dimension: 'warming', factor: 5 / 9, label: '°F', spellings: ['°f', 'f'] },
  'µm': { dimension: 'roughness', factor: 1, label: 'µm', spellings: ['µm', 'μm', 'um'] },
  'µin': { dimension: 'roughness', factor: 0.0254, label: 'µin', spellings: ['µin', 'μin', 'uin'] },
  'N': { dimension: 'force', factor: 1, label: 'N', spellings: ['n'] },
  'lbf': { dimension: 'force', factor: 4.4482216, label: 'lbf', spellings: ['lbf', 'lb'] },
  'N/mm': { dimension: 'rate', factor: 1, label: 'N/mm', spellings: ['n/mm'] },
  'lbf/in': { dimension: 'rate', factor: 0.17512683, label: 'lbf/in', spellings: ['lbf/in', 'lb/in'] },
  'L/s': { dimension: 'flow', factor: 1, label: 'L/s', spellings: ['l/s'] },
  'cfm': { dimension: 'flow', factor: 0.4719474, label: 'cfm', spellings: ['cfm'] },
  'Pa': { dimension: 'depression', factor: 1, label: 'Pa', spellings: ['pa'] },
  'kPa': { dimension: 'depression', factor: 1000, label: 'kPa', spellings: ['kpa'] },
  'mmH2O': { dimension: 'depression', factor: 9.80665, label: 'mmH₂O', spellings: ['mmh2o', 'mmh₂o'] },
  'inH2O': { dimension: 'depression', factor: 249.0889, label: 'inH₂O', spellings: ['inh2o', 'inh₂o'] },
  'hPa': { dimension: 'pressure', factor: 1, label: 'hPa', spellings: ['hpa', 'mbar'] },
  'inHg': { dimension: 'pressure', factor: 33.86389, label: 'inHg', spellings: ['inhg'] },
  'kW': { dimension: 'power', factor: 1, label: 'kW', spellings: ['kw'] },
  'hp': { dimension: 'power', factor: 0.7456999, label: 'hp', spellings: ['hp', 'bhp'] },
  '%': { dimension: 'share', factor: 0.01, label: '%', spellings: ['%'] },
  ':1': { dimension: 'ratio', factor: 1, label: ':1', spellings: [':1'] }
} as const satisfies Record<string, Unit>

export type UnitName = keyof typeof UNITS

/** The core's own unit of a dimension; a share is kept as a part of one, and has no unit but the one that it is typed in. */
export const CORE_UNIT: Record<Dimension, UnitName> = {
  length: 'mm', area: 'mm2', volume: 'cc', angle: '°', ratio: ':1', mass: 'kg', speed: 'rpm', temperature: '°C', warming: 'K', roughness: 'µm', force: 'N', rate: 'N/mm', flow: 'L/s', depression: 'Pa', pressure: 'hPa', power: 'kW', share: '%'
}

/** What a dimension is called in a sentence, and what it is counted in. */
export const DIMENSION_WORDS: Record<Dimension, { noun: string, unitWords: string }> = {
  length: { noun: 'a length', unitWords: 'mm, cm, in, " or thou' },
  area: { noun: 'an area', unitWords: 'mm², cm² or in²' },
  volume: { noun: 'a volume', unitWords: 'cc or ml' },
  angle: { noun: 'an angle', unitWords: '°' },
  ratio: { noun: 'a ratio', unitWords: 'no unit, or :1' },
  mass: { noun: 'a weight', unitWords: 'g or kg' },
  speed: { noun: 'an engine speed', unitWords: 'rpm' },
  temperature: { noun: 'a temperature', unitWords: '°C or °F' },
  warming: { noun: 'a difference of temperature', unitWords: '°C or °F' },
  roughness: { noun: 'a roughness', unitWords: 'µm or µin' },
  force: { noun: 'a load', unitWords: 'N or lbf' },
  rate: { noun: 'a spring’s rate', unitWords: 'N/mm or lbf/in' },
  flow: { noun: 'a flow', unitWords: 'L/s or cfm' },
  depression: { noun: 'a depression', unitWords: 'inH2O, mmH2O, kPa or Pa' },
  pressure: { noun: 'an air pressure', unitWords: 'hPa, mbar or inHg' },
  power: { noun: 'a power', unitWords: 'kW or hp' },
  share: { noun: 'a share', unitWords: '%' }
}

const NAMES = Object.keys(UNITS) as UnitName[]

/** The unit a spelling means where a dimension is wanted, if any; of another dimension where none of that one is spelled so. */
export function unitSpelled(text: string, dimension: Dimension): UnitName | undefined {
  const spelled = NAMES.filter(name => (UNITS[name].spellings as readonly string[]).includes(text.toLowerCase()))
  return spelled.find(name => UNITS[name].dimension === dimension) ?? spelled[0]
}

/** Whether a kept figure of a dimension may have a unit. Entries are never rewritten: a share was once typed as a part of one, and a difference of temperature in °C. */
export const fitsDimension = (unit: UnitName, dimension: Dimension): boolean =>
  UNITS[unit].dimension === dimension || (unit === ':1' && dimension === 'share') || (unit === '°C' && dimension === 'warming')

/**
 * A number in some unit, in the core's.
 *
 * @example inCore(68, '°F') // 20
 */
export const inCore = (number: number, unit: UnitName): number => number * UNITS[unit].factor + zeroOf(unit)
/** And back. */
export const fromCore = (value: number, unit: UnitName): number => (value - zeroOf(unit)) / UNITS[unit].factor
const zeroOf = (unit: UnitName) => (UNITS[unit] as Unit).zero ?? 0

/** Whether a stored unit name is one we know. */
export function isUnit(name: unknown): name is UnitName {
  return typeof name === 'string' && Object.hasOwn(UNITS, name)
}
