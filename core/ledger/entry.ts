import type { BodyOf, KindRule } from './kind'
import * as KINDS from './kinds'
import type { Scope } from './terms'

type Kinds = typeof KINDS
export type EntryKind = keyof Kinds

/** The shape of each kind's body. */
export type Bodies = { [K in EntryKind]: BodyOf<Kinds[K]> }

/** Every kind there is. */
export const ENTRY_KINDS = Object.keys(KINDS) as EntryKind[]

/**
 * What a kind says of itself.
 *
 * @example kindRule('faceCut').role // 'operation'
 */
export const kindRule = (kind: EntryKind): KindRule => KINDS[kind]

/** The kinds that change metal or parts. */
export type OperationKind = { [K in EntryKind]: Kinds[K]['role'] extends 'operation' ? K : never }[EntryKind]
export const OPERATION_KINDS = ENTRY_KINDS.filter((kind): kind is OperationKind => kindRule(kind).role === 'operation')

/**
 * The operations that change a dimension or a part, which divide its history into stretches.
 *
 * @example changersOf('gasketThickness') // ['gasketChange']
 */
export function changersOf(what: KindRule['changes'][number]): OperationKind[] {
  return OPERATION_KINDS.filter(kind => kindRule(kind).changes.includes(what))
}

/**
 * Whether a figure is another once an operation of this kind is done: what is read after it does not tell of what was before.
 *
 * @example makesAnother('deckCut', 'intakeClearance') // true
 */
export function makesAnother(kind: OperationKind, what: KindRule['changes'][number]): boolean {
  const { changes, moves } = kindRule(kind)
  return changes.includes(what) || (moves ?? []).some(name => name === what)
}

/** The frame of an entry, whatever its kind. */
export interface Frame {
  id: string
  build: string
  /** Order the server received it in; null while it waits to be sent. */
  seq: number | null
  /** When it was done, ISO 8601. */
  at: string
  /** Initials of whoever did it. */
  hand: string
  /** Version of the body's shape. */
  v: number
  scope: Scope
  note?: string
  /** The entry whose place it takes. */
  supersedes?: string
  /** The plan it belongs to: plans are dropped as one. */
  plan?: string
  /** SHA-256 of photographs that belong to it. */
  photos?: string[]
  /** It puts back what stood before the entry it supersedes, and names that here. */
  undoes?: string
}

/** One line of the ledger. Never overwritten: a correction or a void supersedes it. */
export type Entry = { [K in EntryKind]: Frame & { kind: K, body: Bodies[K] } }[EntryKind]

export type EntryOf<K extends EntryKind> = Extract<Entry, { kind: K }>

/**
 * Whether an entry of this kind changes metal or parts, and so has a state.
 *
 * @example isOperation(pour) // false
 */
export function isOperation(entry: Entry): entry is EntryOf<OperationKind> {
  return kindRule(entry.kind).role === 'operation'
}

/**
 * Whether an entry of one kind may take the place of one of another.
 *
 * @param undoing it puts back what stood before: then it may also take the place of a void
 * @example mayCorrect('pour', 'faceCut') // false
 */
export function mayCorrect(earlier: EntryKind, later: EntryKind, undoing = false): boolean {
  // What is stored may be of a kind that nobody knows here: it can be taken out all the same.
  const was: KindRule | undefined = Object.hasOwn(KINDS, earlier) ? kindRule(earlier) : undefined
  if (was?.takesPlace) return undoing
  if (kindRule(later).takesPlace) return true
  return earlier === later || (kindRule(later).corrects?.includes(earlier) === true && was?.corrects?.includes(later) === true)
}
