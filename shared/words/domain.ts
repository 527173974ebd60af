import { DomainError, type Clash, type LeftOut } from '#core'
import { capital } from '../figures'

/** A refusal of the core as a sentence for the field it belongs to. */
export function sayRefusal(error: RangeError): string {
  if (!(error instanceof DomainError)) return `That can’t be used: ${error.message}.`
  const given = typeof error.given === 'number' ? Number(error.given.toPrecision(6)) : 'that'
  return `${given} can’t be right: it must be ${error.bound}.`
}

/** Why a new entry can't stand beside what is known. */
export const sayClash = ({ given, bound }: Clash): string => `${Number(given.toPrecision(6))} can’t be right: it must be ${bound}.`

/** Why an entry can't be used beside the others. */
export function sayLeftOut({ argument, given, bound }: LeftOut): string {
  if (argument === 'entry') return 'This entry can’t be read.'
  const why = sayRefusal(new DomainError(argument, given, bound))
  return `This does not fit what else is known of the engine. ${capital(why)}`
}
