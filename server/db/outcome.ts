import { isDeepStrictEqual } from 'node:util'
import type { Entry } from '#core'
import type { FieldProblem } from '#shared/dto'

/** Who asks: every repository call is for one shop, by one pair of hands. */
export interface By { shop: string, hand: string }

/** How a write ended. Only `added` and `already` mean that it is kept. */
export type Outcome<T>
  = | { kind: 'added' | 'already', value: T }
    | { kind: 'otherContent', current: T }
    | { kind: 'supersededAlready', current: Entry }
    | { kind: 'unknown', what: string }
    | { kind: 'refused', fields: FieldProblem[] }

/** How a write under a name that was there already ended: the same content, other content, or another shop's. */
export function sameRow<T>(there: T | undefined, sent: T, what: string): Outcome<T> {
  if (!there) return { kind: 'unknown', what }
  return isDeepStrictEqual(there, sent) ? { kind: 'already', value: there } : { kind: 'otherContent', current: there }
}
