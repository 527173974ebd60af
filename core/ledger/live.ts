import { onceEach } from '../once'
import type { Entry, EntryKind, EntryOf } from './entry'

/** What became of an entry: it counts, a later one took its place, or it was taken out. */
export type Standing = 'counts' | 'superseded' | 'void'

/** Entries in the order things happened, and what each one's standing is. */
export interface Live {
  /** Those that count, by (at, seq); entries still waiting to be sent come last among equals. */
  entries: Entry[]
  /** Of those that were superseded or taken out; who is not in it counts. */
  standing: ReadonlyMap<string, Standing>
  /** For a superseded or voided entry, the one that did it. */
  supersededBy: ReadonlyMap<string, string>
  /** For a drawing that took the place of others, when the first of them was made, ms. */
  begun: ReadonlyMap<string, number>
}

/**
 * Compares two entries by (at, seq), a waiting entry after one the server has.
 *
 * @example [later, earlier].sort(inOrder)[0] // earlier
 */
export function inOrder(a: Entry, b: Entry): number {
  const t = Date.parse(a.at) - Date.parse(b.at)
  return t || (a.seq ?? Infinity) - (b.seq ?? Infinity) || 0
}

/**
 * Sorts a ledger and leaves out what was superseded or voided.
 *
 * @param entries in any order
 * @returns see {@link Live}; a void counts for nothing itself
 * @example live([pour, correctionOfPour]).entries // [correctionOfPour]
 */
export function live(entries: readonly Entry[]): Live {
  const supersededBy = new Map<string, string>()
  const standing = new Map<string, Standing>()
  for (const entry of entries) {
    if (!entry.supersedes) continue
    supersededBy.set(entry.supersedes, entry.id)
    standing.set(entry.supersedes, entry.kind === 'void' ? 'void' : 'superseded')
  }
  const counting = entries.filter(entry => !standing.has(entry.id) && entry.kind !== 'void')
  return { entries: sortedByTime(counting), standing, supersededBy, begun: begunOf(entries) }
}

/** When each drawing's first version was made: a later one shows the same face. */
function begunOf(entries: readonly Entry[]): Map<string, number> {
  const drawings = new Map(entries.filter(e => e.kind === 'chamberModel').map(e => [e.id, e]))
  const begun = new Map<string, number>()
  for (const entry of drawings.values()) {
    let first = entry
    for (let before = drawings.get(first.supersedes ?? ''); before && before !== entry; before = drawings.get(first.supersedes ?? '')) first = before
    if (first !== entry) begun.set(entry.id, Date.parse(first.at))
  }
  return begun
}

/**
 * The numbers of flow runs, in the order they were first entered. One that was struck out keeps its own, and what takes the place of
 * another has the other's: a run keeps its colour and its name.
 *
 * @param entries the whole ledger, in any order
 * @example runNumbers([first, struckOut, voidOfIt, third]).get(third.id) // 3
 */
export function runNumbers(entries: readonly Entry[]): ReadonlyMap<string, number> {
  const runs = entries.filter(entry => entry.kind === 'flowRun').sort(inOrder)
  const byId = new Map(runs.length > 0 ? entries.map(entry => [entry.id, entry]) : [])
  const numbers = new Map<string, number>()
  let last = 0
  for (const run of runs) {
    let first: Entry = run
    const passed = new Set([run.id])
    for (let before = byId.get(first.supersedes ?? ''); before && !passed.has(before.id); before = byId.get(first.supersedes ?? '')) passed.add((first = before).id)
    const number = numbers.get(first.id) ?? ++last
    numbers.set(first.id, number).set(run.id, number)
  }
  return numbers
}

/** The order of {@link inOrder}, with each time read once; a ledger mostly comes in order already. */
function sortedByTime(entries: Entry[]): Entry[] {
  const at = Float64Array.from(entries, entry => Date.parse(entry.at))
  const after = (a: number, b: number) => at[a]! - at[b]! || (entries[a]!.seq ?? Infinity) - (entries[b]!.seq ?? Infinity) || 0
  if (at.every((_, i) => i === 0 || after(i - 1, i) <= 0)) return entries
  return Array.from(entries.keys()).sort(after).map(i => entries[i]!)
}

/**
 * The entries of one kind, in order.
 *
 * @example ofKind(entries, 'pour').length // 12
 */
export function ofKind<K extends EntryKind>(entries: readonly Entry[], kind: K): readonly EntryOf<K>[] {
  return (byKind(entries).get(kind) ?? []) as EntryOf<K>[]
}

/** Dozens of questions are asked of one ledger, each about a kind: it is gone through once. */
const byKind = onceEach((entries: readonly Entry[]) => {
  const found = new Map<EntryKind, Entry[]>()
  for (const entry of entries) {
    const list = found.get(entry.kind)
    if (list) list.push(entry)
    else found.set(entry.kind, [entry])
  }
  return found
})
