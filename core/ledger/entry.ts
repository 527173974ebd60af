import type { ClearanceConvention } from '../chamber'
import type { Fill, Instrument } from '../pour'
import type { Quantity } from './quantities'

/** What was typed, and what was understood by it: `value` in core units (mm, mm², cc, degrees). */
export interface Figure { value: number, unit: string, typed: string }

/** What an entry is about. A cylinder's own entry overrides its head's, that its bank's, that the build's. */
export type Scope
  = | { level: 'build' }
    | { level: 'bank', bank: number }
    | { level: 'head', head: number }
    | { level: 'cylinder', cylinder: number }

/** Planned, then superseded by what was done or by dropping it. */
export type OperationState = 'planned' | 'done' | 'dropped'

export interface Statement {
  quantity: Quantity
  figure: Figure
  /** Standard uncertainty, when whoever states it knows better than the shop's table. */
  u?: Figure
  /** For piston-to-valve clearances: how they were measured. */
  convention?: ClearanceConvention
}

export interface Bodies {
  layout: { heads: number[][], banks: number[][] }
  target: { ratio: Figure, tolerance: Figure, countsCrevice: boolean }
  measure: Statement
  book: Statement
  assume: Statement
  /** A gasket that is to be had, not fitted. */
  offer: { name?: string, thickness: Figure, bore: Figure }
  pour: {
    encloses: 'chamber' | 'assembled'
    fills: Fill[]
    typed: string
    instrument: Instrument & { name: string }
    /** Assembled pours: whether the liquid reached the top ring (and so the crevice). Ring if not given. */
    sealed?: 'ring' | 'crown'
    /** Assembled pours: the plug hole's column above the chamber, taken off. */
    plugColumn?: Figure
  }
  faceCut: { state: OperationState, depth: Figure, measured?: Figure }
  deckCut: { state: OperationState, depth: Figure, measured?: Figure }
  gasketChange: { state: OperationState, thickness: Figure, bore: Figure }
  relief: { state: OperationState, added: Figure, u?: Figure }
  seatWork: { state: OperationState, added: Figure, u?: Figure }
  void: { reason: string }
}

export type EntryKind = keyof Bodies

/** Every kind there is, in the order the trade meets them. */
export const ENTRY_KINDS = [
  'layout', 'target', 'measure', 'book', 'assume', 'offer', 'pour',
  'faceCut', 'deckCut', 'gasketChange', 'relief', 'seatWork', 'void'
] as const satisfies readonly EntryKind[]

export const OPERATION_KINDS = ['faceCut', 'deckCut', 'gasketChange', 'relief', 'seatWork'] as const
export type OperationKind = (typeof OPERATION_KINDS)[number]

/** One line of the ledger. Never overwritten: a correction or a void supersedes it. */
export type Entry = {
  [K in EntryKind]: {
    id: string
    build: string
    /** Order the server received it in; null while it waits to be sent. */
    seq: number | null
    /** When it was done, ISO 8601. */
    at: string
    /** Initials of whoever did it. */
    hand: string
    kind: K
    /** Version of the body's shape. */
    v: number
    scope: Scope
    body: Bodies[K]
    note?: string
    supersedes?: string
  }
}[EntryKind]

export type EntryOf<K extends EntryKind> = Extract<Entry, { kind: K }>

/** Whether an entry of this kind changes metal or parts, and so has a state. */
export function isOperation(entry: Entry): entry is EntryOf<OperationKind> {
  return (OPERATION_KINDS as readonly string[]).includes(entry.kind)
}
