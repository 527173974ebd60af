import type { Place } from './place'
import type { PartName, Quantity, QuantityRule } from './quantities'
import type { Scope } from './terms'

/**
 * What a kind of entry is to the ledger:
 * - `frame`: what the build is and is called;
 * - `statement`: a figure, by its source (measured, of the book, assumed);
 * - `reading`: something measured, kept as it was read;
 * - `operation`: changes metal or parts, and has a state (planned, done, dropped);
 * - `remark`: a word about the build or about another entry.
 */
export type Role = 'frame' | 'statement' | 'reading' | 'operation' | 'remark'

/** What every kind of entry says of itself, in a file of its own in `kinds/`. */
export interface KindRule<B = unknown> {
  /** A body as a builder would enter it: tests try every kind by it. */
  example: () => B
  /** The station and leaf where it is entered and put right. */
  at(body: B): Place
  role: Role
  /** What an entry of this kind may be about. */
  scopes: readonly Scope['level'][]
  /** Dimensions and parts of the clearance volume that it says or changes; an operation's divide their history into stretches. */
  changes: readonly (Quantity | PartName)[]
  /** Of an operation: further figures that are others after it, and are carried over it where they are used. */
  moves?: readonly Quantity[]
  /** Bounds of its figures outside which one is a slip of the hand, by field, in core units. */
  bounds: Readonly<Record<string, QuantityRule>>
  /** Other kinds whose place it may take as a correction. */
  corrects?: readonly string[]
  /** A second one about the same thing, by somebody who had not seen the first, is told of it. */
  told?: boolean
  /** Fields of the body that name other entries: a copy of a build names its own. */
  names?: readonly string[]
  /** It is nothing without a photograph. */
  pictured?: boolean
  /** It is nothing without an entry whose place it takes. */
  takesPlace?: boolean
}

declare const BODY: unique symbol
/** A kind's rule, with the shape of its body known to the compiler alone. */
export type KindOf<B, R extends KindRule = KindRule> = R & { readonly [BODY]?: B }
export type BodyOf<K> = K extends { readonly [BODY]?: infer B } ? NonNullable<B> : never

/** Declares a kind: `kind<Body>()({ … })`. */
export const kind = <B>() => <const R extends KindRule<B>>(rule: R): KindOf<B, R> => rule
