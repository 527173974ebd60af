import { DomainError } from '#core'

/** A refusal of the core as a sentence for the field it belongs to. */
export function sayRefusal(error: RangeError): string {
  if (!(error instanceof DomainError)) return `That can’t be reckoned with: ${error.message}.`
  const given = typeof error.given === 'number' ? Number(error.given.toPrecision(6)) : 'that'
  return `${given} can’t be right: it must be ${error.bound}.`
}
