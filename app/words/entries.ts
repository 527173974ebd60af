import type { Entry, EntryKind, Scope } from '#core'
import { sayList, type LengthUnit } from '#shared/figures'
import type { KindWords } from './kindWords'
import * as WORDS from './kinds'

/** Every kind's words; a kind without them does not compile. */
const KINDS: { [K in EntryKind]: KindWords<K> } = WORDS
const wordsOf = (kind: EntryKind) => KINDS[kind] as KindWords

/** What a kind of entry is called in the Daybook; one that a newer version wrote goes by its own name. */
export const sayKind = (kind: string): string => Object.hasOwn(KINDS, kind) ? KINDS[kind as EntryKind].label : kind

/** “Head 2, cylinders 5, 6, 7 and 8”: a head or a bank by its name and whose it is; only “Head” where there is one. */
export function sayGroup(name: string, n: number, groups: readonly (readonly number[])[]): string {
  const own = groups[n - 1] ?? []
  return groups.length > 1 ? `${name} ${n}, ${own.length === 1 ? 'cylinder' : 'cylinders'} ${sayList([...own])}` : name
}

/** What an entry is about. */
export function sayScope(scope: Scope): string {
  switch (scope.level) {
    case 'build': return 'all'
    case 'bank': return `bank ${scope.bank}`
    case 'head': return `head ${scope.head}`
    case 'cylinder': return `cyl. ${scope.cylinder}`
    case 'valve': return `cyl. ${scope.cylinder}, ${scope.valve} valve${scope.n ? ` ${scope.n}` : ''}`
    case 'port': return `cyl. ${scope.cylinder}, ${scope.port} port${scope.n ? ` ${scope.n}` : ''}`
  }
}

/** An entry's content in one line. */
export const sayEntry = (entry: Entry, lengths: LengthUnit): string => wordsOf(entry.kind).say(entry.body, lengths, entry)

/** What was typed, where an entry keeps one typed figure; nothing for one that was only pressed for. */
export const typedOf = (entry: Entry): string | undefined => wordsOf(entry.kind).typed?.(entry.body)

/** A time as it is written on a job card. */
export function sayTime(at: string): string {
  return new Date(at).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })
}

/** The same with its year, for what is kept on paper. */
export function sayDate(at: string): string {
  return new Date(at).toLocaleString('en-GB', { day: 'numeric', month: 'short', year: 'numeric', hour: '2-digit', minute: '2-digit' })
}

/** The hour alone, beside its day. */
export function sayHour(at: string): string {
  return new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
}

/** The day alone. */
export function sayDay(at: string): string {
  return new Date(at).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })
}
