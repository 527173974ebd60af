import { registerDecorator, type ValidationArguments } from 'class-validator'
import { QUANTITIES, quantityRule, type Quantity, type QuantityRule } from '#core'
import { TYPED_LIMIT, fitsDimension, isUnit, say, shownUnit } from '#shared/figures'
import { QUANTITY_WORDS } from '#shared/words/quantities'
import { isFields } from './plain'

type Sentence = (value: unknown, object: Record<string, unknown>) => string | undefined

/** A decorator from a function that answers with a sentence when the value can't be accepted. */
export function Sound(sentence: Sentence): PropertyDecorator {
  return (target, propertyName) => registerDecorator({
    name: 'sound', target: target.constructor, propertyName: String(propertyName),
    validator: {
      validate: (value: unknown, args: ValidationArguments) => sentence(value, args.object as Record<string, unknown>) === undefined,
      defaultMessage: args => sentence(args!.value, args!.object as Record<string, unknown>) ?? ''
    }
  })
}

interface FigureRule extends QuantityRule { noun: string }

/** What is wrong with a stored figure, if anything. */
export function figureFault(value: unknown, rule: FigureRule): string | undefined {
  if (typeof value !== 'object' || value === null) return 'A figure is needed: its value, its unit and what was typed.'
  const { value: number, unit, typed, ...rest } = value as Record<string, unknown>
  const strange = Object.keys(rest)[0]
  if (strange) return `“${strange}” is not known here.`
  if (typeof number !== 'number' || !Number.isFinite(number)) return `A number is needed for ${rule.noun}.`
  if (typeof typed !== 'string' || typed.length > TYPED_LIMIT) return `What was typed must be text of ${TYPED_LIMIT} characters at most.`
  if (!isUnit(unit) || !fitsDimension(unit, rule.dimension)) return `That unit does not fit ${rule.noun}.`
  if (number < rule.min || number > rule.max) {
    // In the lengths it was typed in: whoever works in inches is answered in inches.
    const lengths = unit === 'thou' || (unit === shownUnit(rule.dimension, 'in') && unit !== shownUnit(rule.dimension, 'mm')) ? 'in' : 'mm'
    const told = (bound: number) => say(bound, rule.dimension, lengths, 1)
    return `${told(number)} can’t be right for ${rule.noun}: it must lie between ${told(rule.min)} and ${told(rule.max)}.`
  }
  return undefined
}

/** A figure within fixed bounds. */
export const FigureIn = (rule: QuantityRule, noun: string): PropertyDecorator => Sound(value => figureFault(value, { ...rule, noun }))

/** The figure of a statement: its bounds follow from the quantity beside it. */
export const FigureOfQuantity = (): PropertyDecorator => Sound((value, { quantity }) => {
  if (typeof quantity !== 'string' || !Object.hasOwn(QUANTITIES, quantity)) return undefined
  const name = quantity as Quantity
  return figureFault(value, { ...quantityRule(name), noun: QUANTITY_WORDS[name].noun })
})

/** A doubt given with a statement: 0 or more, in the quantity's dimension. */
export const DoubtOfQuantity = (): PropertyDecorator => Sound((value, { quantity }) => {
  if (typeof quantity !== 'string' || !Object.hasOwn(QUANTITIES, quantity)) return undefined
  const { dimension, max } = quantityRule(quantity as Quantity)
  return figureFault(value, { dimension, min: 0, max, noun: 'its doubt' })
})

/** What is wrong with a name, if anything: letters, digits and what a job card needs. */
export function nameFault(value: unknown, noun: string, limit = 80): string | undefined {
  if (typeof value !== 'string' || value.trim() === '') return `${noun} is needed.`
  if (value.length > limit) return `${noun} is too long: ${limit} characters at most.`
  const strange = /[^\p{L}\p{M}\p{N} .,:'’/()&+#°№×_-]/u.exec(value)
  return strange ? `${noun} can’t hold “${strange[0]}”: letters, digits and . , : ' / ( ) & + # - are fine.` : undefined
}

/** Name of a build, an instrument. */
export const PlainName = (noun: string, limit = 80): PropertyDecorator => Sound(value => nameFault(value, noun, limit))

/** A build's job reference: a name like another, or none for who has no job number. */
export const JobReference = (): PropertyDecorator => Sound(value => typeof value === 'string' && value.trim() === '' ? undefined : nameFault(value, 'The job reference'))

/** A note in plain words. */
export const PlainNote = (limit = 2000): PropertyDecorator => Sound((value) => {
  if (typeof value !== 'string') return 'A note is text.'
  if (value.length > limit) return `The note is too long: ${limit} characters at most.`
  return /<[a-z/!?]/i.test(value) ? 'A note is plain words: leave the “<…” out.' : undefined
})

/** What is wrong with somebody's initials, if anything. */
export const initialsFault = (value: unknown): string | undefined =>
  typeof value === 'string' && /^\p{L}{1,4}$/u.test(value) ? undefined : 'Initials are needed: one to four letters.'

/** Initials of whoever is at the bench. */
export const Initials = (): PropertyDecorator => Sound(initialsFault)

/** One of a fixed list. */
export const OneOf = (choices: readonly string[], noun: string): PropertyDecorator => Sound(value =>
  typeof value === 'string' && choices.includes(value) ? undefined : `${noun} must be one of ${choices.join(', ')}.`)

/** Which of several of one kind at a cylinder, valves or ports, counted from the front. */
export const severalFault = (value: unknown, noun: string): string | undefined =>
  Number.isInteger(value) && (value as number) >= 1 && (value as number) <= 4 ? undefined : `Which of the ${noun}? A number from 1 to 4.`
export const OneOfSeveral = (noun: string): PropertyDecorator => Sound(value => severalFault(value, noun))

/** A finite number within bounds, for figures of an instrument in cc. */
export const NumberIn = (noun: string, min: number, max: number): PropertyDecorator => Sound((value) => {
  if (typeof value !== 'number' || !Number.isFinite(value)) return `A number is needed for ${noun}.`
  return value < min || value > max ? `${value} can’t be right for ${noun}: it must lie between ${min} and ${max}.` : undefined
})

/** Where a time lies: `nowhere` for what is no time in UTC, `ahead` for one more than a day to come. */
export function lies(value: unknown): 'nowhere' | 'before' | 'ahead' | 'well' {
  const time = typeof value === 'string' && /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d{1,3})?Z$/.test(value) ? Date.parse(value) : NaN
  // The thirtieth of February would be taken for the second of March.
  if (!Number.isFinite(time) || new Date(time).toISOString().slice(0, 19) !== (value as string).slice(0, 19)) return 'nowhere'
  return time > Date.now() + 86_400_000 ? 'ahead' : time < Date.UTC(1990) ? 'before' : 'well'
}

/** When something was done: UTC, not before 1990. */
export const Moment = (): PropertyDecorator => Sound((value) => {
  const where = lies(value)
  return where === 'nowhere' ? 'When it was done must be a time, in UTC.' : where === 'before' ? 'That is before 1990.' : undefined
})

/** Each of a list is an object with fields; a list in a list would otherwise pass for an empty one. */
export const EachFields = (sentence: string): PropertyDecorator => Sound(value => Array.isArray(value) && value.every(isFields) ? undefined : sentence)

/** An object with fields, where it is given at all. */
export const Fields = (sentence: string): PropertyDecorator => Sound(value => isFields(value) ? undefined : sentence)
