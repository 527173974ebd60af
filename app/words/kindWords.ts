import type { Bodies, EntryKind, EntryOf } from '#core'
import type { LengthUnit } from '#shared/figures'

/** What the Daybook says of a kind of entry. */
export interface KindWords<K extends EntryKind = EntryKind> {
  label: string
  /** The entry's content in one line. */
  say: (body: Bodies[K], lengths: LengthUnit, entry: EntryOf<K>) => string
  /** What was typed, where it keeps one typed figure; empty for one that was only pressed for. */
  typed?: (body: Bodies[K]) => string | undefined
}

/** Declares a kind's words: `kindWords<'hold'>({ … })`. */
export const kindWords = <K extends EntryKind>(words: KindWords<K>): KindWords<K> => words
