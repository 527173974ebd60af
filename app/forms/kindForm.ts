import type { Bodies, Dimension, EntryKind, Figure, QuantityRule } from '#core'

/** One field of the plain form. Figures take their bounds from the core, words and choices what they may be. */
export type FormField = { name: string, label: string } & (
  | { as: 'figure', rule: QuantityRule, usual?: readonly [number, number] }
  | { as: 'words', limit: number, optional?: boolean }
  | { as: 'yes', sentence: string }
)

/** How a kind of entry is made and put right. */
export interface KindForm<K extends EntryKind = EntryKind> {
  /** Its one figure, which can be put right in the Daybook where it stands; `terms` are what was added up in typing it. */
  figure?: { label: string, dimension: (body: Bodies[K]) => Dimension, right: (body: Bodies[K], figure: Figure, terms: number[]) => Bodies[K] }
  /** Fields of the plain form, where the kind has no station of its own making. */
  fields?: readonly FormField[]
}

/** Declares a kind's form: `kindForm<'hold'>({ … })`. */
export const kindForm = <K extends EntryKind>(form: KindForm<K>): KindForm<K> => form
