import type { ClearanceConvention } from '../chamber'
import type { Quantity } from './quantities'
import type { Figure } from './terms'

/** What measured, book and assumed figures share. */
export interface Statement {
  quantity: Quantity
  figure: Figure
  /** Standard uncertainty, when whoever states it knows better than the shop's table. */
  u?: Figure
  /** For piston-to-valve clearances: how they were measured. */
  convention?: ClearanceConvention
}

/** What a dimension of the engine may be stated for. */
export const ENGINE_SCOPES = ['build', 'bank', 'head', 'cylinder'] as const
/** Kinds that say a dimension: any of them may take another's place. */
export const STATEMENTS = ['measure', 'book', 'assume', 'wish', 'deckReadings'] as const
