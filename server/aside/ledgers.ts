import { clashOf, replay, type Entry } from '#core'
import { sayClash, sayLeftOut } from '#shared/words/domain'
import { listEntries, type Misfit } from '../db/entries'
import { siftedOf } from '../db/summaries'

interface Held { seq: number, entries: Entry[] }

/** Ledgers held in memory, the one used last at the end: entries are only ever added, so each is read once and then kept up. */
const held = new Map<string, Held>()
/** Entries held over all builds: some hundred megabytes. */
const MOST = 300_000

/** A build's sound entries, up to now. */
export async function ledgerOf(shop: string, build: string, reckoning: string): Promise<Entry[]> {
  const before = held.get(build)
  const known = before ? undefined : await siftedOf({ shop }, build, reckoning)
  const { entries, seq } = await listEntries({ shop }, build, { known, since: before?.seq ?? 0 })
  if (before && entries.length === 0) return before.entries
  const now: Held = { seq, entries: before ? [...before.entries, ...entries] : entries }
  held.delete(build)
  held.set(build, now)
  for (const [id, { entries: list }] of held) {
    if (id === build || [...held.values()].reduce((n, h) => n + h.entries.length, 0) <= MOST) break
    if (list.length > 0) held.delete(id)
  }
  return now.entries
}

/** What a new entry can be judged by: of a cylinder's own entries, only those of that cylinder. */
function beside(ledger: Entry[], fresh: Entry[]): Entry[] {
  const cylinders = new Set(fresh.map(({ scope }) => 'cylinder' in scope ? scope.cylinder : 0))
  return cylinders.has(0) ? ledger : ledger.filter(({ scope }) => !('cylinder' in scope) || cylinders.has(scope.cylinder))
}

/**
 * The first of some new entries that could not be reckoned with beside the ledger, and why.
 *
 * @param fresh entries that passed every check of their own
 */
export function misfitOf(ledger: Entry[], fresh: Entry[]): Misfit | undefined {
  const ids = new Set(fresh.map(({ id }) => id))
  const known = beside(ledger, fresh)
  const then = replay([...known, ...fresh])
  const out = then?.leftOut.find(({ id }) => ids.has(id))
  if (out) return { id: out.id, sentence: sayLeftOut(out) }
  for (const entry of fresh) {
    const clash = clashOf(entry, then)
    if (clash) return { id: entry.id, sentence: sayClash(clash) }
  }
  return undefined
}
