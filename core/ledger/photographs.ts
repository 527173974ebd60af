import type { Entry } from './entry'
import type { Live } from './live'

/** A photograph of a build. */
export interface Photograph {
  sha256: string
  /** The entry that carries it, and the one that it shows: often the same. */
  entry: Entry
  of: Entry
}

/**
 * Every photograph that is to be seen, in the order of its entries. One whose own entry, or the entry it shows, was taken out is
 * not among them; one that shows what was corrected since shows what stands there now.
 *
 * @param live what counts of a ledger
 * @example photographsIn(live([finding])).map(one => one.sha256) // finding.photos
 */
export function photographsIn(live: Live): Photograph[] {
  let found = known.get(live)
  if (!found) known.set(live, found = photographsOf(live))
  return found
}

/** Every line of a Daybook asks for its own: they are looked for once a ledger. */
const known = new WeakMap<Live, Photograph[]>()

function photographsOf({ entries, supersededBy }: Live): Photograph[] {
  const byId = new Map(entries.map(entry => [entry.id, entry]))
  return entries.flatMap((entry) => {
    const of = entry.kind === 'photograph' && entry.body.of !== undefined ? byId.get(standingFor(entry.body.of, supersededBy)) : entry
    return of ? (entry.photos ?? []).map(sha256 => ({ sha256, entry, of })) : []
  })
}

/** The last that took an entry's place. */
function standingFor(id: string, supersededBy: Live['supersededBy']): string {
  let now = id
  for (let next = supersededBy.get(now); next !== undefined; next = supersededBy.get(now)) now = next
  return now
}

/** A paper that left the shop, and how many entries have come since. */
export interface PrintedPaper { entry: Extract<Entry, { kind: 'printed' }>, since: number }

/**
 * Papers that left the shop, the latest first.
 *
 * @param entries the whole ledger: what was taken out since is something that came since
 * @example printedPapers([...entries, printed, pour])[0].since // 1
 */
export function printedPapers(entries: readonly Entry[]): PrintedPaper[] {
  const gone = new Set(entries.map(entry => entry.supersedes))
  const order = (entry: Entry) => entry.seq ?? Infinity
  return entries.filter((entry): entry is PrintedPaper['entry'] => entry.kind === 'printed' && !gone.has(entry.id))
    .map(entry => ({ entry, since: entries.filter(other => other.kind !== 'printed' && order(other) > order(entry)).length }))
    .sort((a, b) => order(b.entry) - order(a.entry))
}
