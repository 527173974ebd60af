import type { Dimension, Figure } from '#core'
import { say } from './show'
import { CORE_UNIT, DIMENSION_WORDS, UNITS, inCore, unitSpelled, type UnitName } from './units'

/** What a field wants. */
export interface FieldOf {
  dimension: Dimension
  /** The unit printed in the field: what a bare number has. */
  unit?: UnitName
  /** Range, in core units, that a figure of this kind usually lies in; outside it an angle is asked about, and a bare length that would lie inside it in the other of mm and inches. */
  usual?: readonly [number, number]
}

export type Parsed
  = | { kind: 'figure', figure: Figure, /** Each term of a sum in core units. */ terms: number[] }
    | { kind: 'ask', question: string, choices: Figure[] }
    | { kind: 'empty' }
    | { kind: 'refused', sentence: string }

/** The longest a typed figure may be. */
export const TYPED_LIMIT = 64

const refused = (sentence: string): Parsed => ({ kind: 'refused', sentence })

class Unreadable extends Error {}

interface Term { sign: 1 | -1, text: string }

/** Splits `60+59.4` and `10 - 2`; a minus without spaces belongs to `1-1/4` or to a sign. */
function splitTerms(text: string): Term[] {
  const terms: Term[] = []
  let rest = text
  let sign: 1 | -1 = 1
  for (;;) {
    const next = /\s*\+\s*|\s+-\s+/.exec(rest.slice(1))
    const end = next ? next.index + 1 : rest.length
    const term = rest.slice(0, end).trim()
    if (term === '') throw new Unreadable('There is nothing on one side of the sign.')
    terms.push({ sign, text: term })
    if (!next) return terms
    sign = next[0].trim() === '+' ? 1 : -1
    rest = rest.slice(end + next[0].length)
    if (rest === '') throw new Unreadable('There is nothing after the last sign.')
  }
}

function splitUnit(text: string, dimension: Dimension): { number: string, unit?: UnitName, unknown?: string } {
  const match = /^([-\d.,/\s]*\d[.,]?|[-\d.,/\s]*[.,]\d+)\s*(\D.*)?$/.exec(text)
  if (!match) throw new Unreadable(`“${text}” is not a number.`)
  const spelled = match[2]?.trim()
  if (!spelled) return { number: match[1]!.trim() }
  const unit = unitSpelled(spelled, dimension)
  return unit ? { number: match[1]!.trim(), unit } : { number: match[1]!.trim(), unknown: spelled }
}

const PLAIN = /^-?(\d+([.,]\d*)?|[.,]\d+)$/
const FRACTION = /^(-?)(?:(\d+)(?:\s+|-))?(\d+)\/(\d+)$/

function readNumber(text: string): { value: number, fraction: boolean } {
  if (PLAIN.test(text)) return { value: Number(text.replace(',', '.')), fraction: false }
  const fraction = FRACTION.exec(text)
  if (fraction) {
    const bottom = Number(fraction[4])
    if (bottom === 0) throw new Unreadable('A fraction can’t have 0 below the line.')
    const size = Number(fraction[2] ?? 0) + Number(fraction[3]) / bottom
    return { value: fraction[1] ? -size : size, fraction: true }
  }
  if (/[.,].*[.,]/.test(text)) throw new Unreadable(`“${text}” has two marks in it: one dot or comma only, none for thousands.`)
  if (/^\d+([.,]\d+)?-\d/.test(text)) throw new Unreadable('To take away, put a space on both sides of the minus.')
  throw new Unreadable(`“${text}” is not a number.`)
}

/**
 * Reads a typed figure in the one grammar of the whole application.
 *
 * Sums (`60+59.4`), inches and fractions (`2.02in`, `1 1/4"`, `1-1/4"`), `.040`, `40 thou`, `51,3`. A bare number
 * has the field's unit; a unit at the end of a sum holds for the terms that have none.
 *
 * @param typed what stands in the field
 * @param field what the field wants
 * @returns the figure in core units with its terms, a question, or a sentence saying what can't be read
 * @example parseFigure('1-1/4"', { dimension: 'length' }) // value 31.75, unit 'in'
 */
export function parseFigure(typed: string, field: FieldOf): Parsed {
  const text = typed.replaceAll('−', '-').trim()
  if (text === '') return { kind: 'empty' }
  if (typed.length > TYPED_LIMIT) return refused(`That is too long: ${TYPED_LIMIT} characters at most.`)
  if (/\d\s*[eE]\s*[-+]?\d/.test(text)) return refused('Write the number out: no powers of ten.')
  const fieldUnit = field.unit ?? CORE_UNIT[field.dimension]
  try {
    const terms = splitTerms(text).map(term => ({ ...term, ...splitUnit(term.text, field.dimension) }))
    const strange = terms.find(term => term.unknown)
    if (strange) {
      return refused(`“${strange.unknown}” is not a unit here: use ${DIMENSION_WORDS[field.dimension].unitWords}.`)
    }
    const wrong = terms.find(term => term.unit && UNITS[term.unit].dimension !== field.dimension)
    if (wrong) {
      const { noun } = DIMENSION_WORDS[UNITS[wrong.unit!].dimension]
      const wanted = DIMENSION_WORDS[field.dimension]
      return refused(`${UNITS[wrong.unit!].label} is for ${noun}: this field takes ${wanted.noun}, in ${wanted.unitWords}.`)
    }
    const unit = terms.at(-1)!.unit ?? fieldUnit
    const values = terms.map((term) => {
      const { value, fraction } = readNumber(term.number)
      const of = term.unit ?? unit
      if (fraction && of !== 'in') throw new Unreadable(`A fraction is read as inches: write ${term.number}".`)
      return term.sign * value * UNITS[of].factor
    })
    // A sum has one nought: 60 °F + 8 °F are 68 °F.
    const zero = inCore(0, unit)
    const figure: Figure = { value: values.reduce((a, b) => a + b, zero), unit, typed: typed.trim() }
    return asked(figure, text, field, fieldUnit) ?? unusual(figure, field) ?? { kind: 'figure', figure, terms: values.length === 1 ? [figure.value] : values }
  } catch (error) {
    if (error instanceof Unreadable) return refused(error.message)
    throw error
  }
}

/** An angle that is read off the wrong datum is still an angle: one that few engines have is asked about. */
function unusual(figure: Figure, field: FieldOf): Parsed | undefined {
  if (!field.usual || field.dimension !== 'angle' || (figure.value >= field.usual[0] && figure.value <= field.usual[1])) return undefined
  return {
    kind: 'ask', choices: [figure],
    question: `${say(figure.value, 'angle')} is unusual here: it is mostly between ${say(field.usual[0], 'angle')} and ${say(field.usual[1], 'angle')}. Measure it again from the line that is named.`
  }
}

/** A bare length that only makes sense in the other of mm and inches: `.040` in a mm field, `0.4` in an inch field. */
function asked(figure: Figure, text: string, field: FieldOf, fieldUnit: UnitName): Parsed | undefined {
  if (!field.usual || (fieldUnit !== 'mm' && fieldUnit !== 'in') || !PLAIN.test(text)) return undefined
  const inside = (value: number) => value >= field.usual![0] && value <= field.usual![1]
  const [other, number] = [fieldUnit === 'mm' ? 'in' : 'mm', figure.value / UNITS[fieldUnit].factor] as const
  const meant: Figure = { value: number * UNITS[other].factor, unit: other, typed: figure.typed }
  if (inside(figure.value) || !inside(meant.value)) return undefined
  const choices = [figure, meant]
  return { kind: 'ask', question: `${choices.map(sayAsTyped).join(' or ')}?`, choices }
}

/**
 * A length in the unit it was typed in, as a hand would say it: small inches in thou.
 *
 * @example sayAsTyped({ value: 1.016, unit: 'in', typed: '.040' }) // '40 thou'
 */
export function sayAsTyped({ value, unit }: Figure): string {
  const number = (of: number) => String(Number(of.toFixed(3))).replace('-', '−')
  if (unit !== 'in') return `${number(value)} mm`
  return Math.abs(value) < UNITS.in.factor ? `${number(value / UNITS.thou.factor)} thou` : `${number(value / UNITS.in.factor)} in`
}
