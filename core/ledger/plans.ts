import type { Entry, EntryOf } from './entry'

/** A plan of the ledger: operations that were planned together, and are dropped as one. */
export interface WorkPlan {
  /** The entry it began with: what its operations name. */
  id: string
  /** What counts of it now; nothing once it was taken out. */
  entry?: EntryOf<'plan'>
  dropped: boolean
}

/**
 * Every plan there ever was, by the entry it began with.
 *
 * @param entries the whole ledger, superseded entries among them
 * @param counting those that count
 * @example plansOf(all, counting).get(first.id)?.dropped // false
 */
export function plansOf(entries: readonly Entry[], counting: readonly Entry[]): Map<string, WorkPlan> {
  const plans = new Map<string, WorkPlan>()
  const known = new Map<string, Entry>()
  for (const entry of entries) {
    if (entry.kind === 'plan' || entry.supersedes) known.set(entry.id, entry)
  }
  const beginning = (entry: Entry): string => {
    const seen = new Set<string>()
    let first = entry
    for (let before = known.get(first.supersedes ?? ''); before && !seen.has(before.id); before = known.get(first.supersedes ?? '')) {
      seen.add(before.id)
      first = before
    }
    return first.id
  }
  for (const entry of entries) if (entry.kind === 'plan') plans.set(beginning(entry), { id: beginning(entry), dropped: true })
  for (const entry of counting) {
    if (entry.kind !== 'plan') continue
    const id = beginning(entry)
    plans.set(id, { id, entry, dropped: entry.body.state === 'dropped' })
  }
  return plans
}
