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
