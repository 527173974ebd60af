import { and, eq, max, sql } from 'drizzle-orm'
import { advice, benchRepeats, castingHeads, ccBand, findingsOf, isUndecided, jobCardOf, live, mouldsIn, ofKind, replay, spansOf, targetBand, workDone, type Entry, type Replay, type ShopRules } from '#core'
import type { BuildSummary, Reckoned, ReckonedJob, Unsound } from '#shared/dto'
import { connection } from './connection'
import { listBuilds } from './builds'
import { listEntries, type Sifted } from './entries'
import type { By } from './outcome'
import { currentRules } from './rules'
import { buildSummaries, entries } from './schema'

type OfShop = Pick<By, 'shop'>

/** Those that nobody has taken out yet. */
const standing = (sound: Entry[], unsound: Unsound[]): string[] => {
  const out = new Set(sound.map(e => e.supersedes))
  return unsound.map(u => u.entry.id).filter(id => !out.has(id))
}

/** The target's band in cc, by the first cylinder that has one. */
function bandOf({ asIs, target }: Replay): Reckoned['band'] {
  const cc = asIs.map(state => ccBand(state, targetBand(target))).find(Boolean)
  return cc ?? null
}

/** A summary stands still while clocks run: they count from when they end. */
const NO_TIME = 0

/** The job card as the shop's list has it. A clock without a card runs all the same. */
function jobOf(r: Replay): ReckonedJob | undefined {
  const card = jobCardOf(r, NO_TIME)
  const running = spansOf(r.live.entries).filter(span => span.to === undefined).map(({ hand, step, from }) => ({ hand, step, since: new Date(from).toISOString() }))
  if (!card && running.length === 0) return undefined
  return {
    ...card?.next ? { next: card.next.step } : {}, planned: card?.planned ?? 0, worked: card?.worked ?? 0, running,
    waits: (card?.lines ?? []).flatMap(({ step, waits }) => waits?.waits ? [{ step, on: waits.waits, ...waits.words ? { words: waits.words } : {}, since: waits.since }] : []),
    work: workDone(r, NO_TIME)
  }
}

/** Where a ledger stands, for the shop's list; `unsound` are entries that can't be read and were not taken out. */
export function reckoned(list: Entry[], unsound: string[] = [], rules?: ShopRules): Reckoned {
  const replayed = replay(list)
  const ratios = replayed?.asIs.flatMap(state => state.ratio?.estimate.value ?? []) ?? []
  const target = replayed?.target?.body
  const benches = replayed ? benchRepeats(replayed) : []
  const castings = replayed ? castingHeads(replayed) : []
  const job = replayed && jobOf(replayed)
  const put = ofKind(live(list).entries, 'putAway').at(-1)?.body
  return {
    cylinders: replayed?.layout.cylinders.length ?? 0,
    ratio: ratios.length > 0 ? { low: Math.min(...ratios), high: Math.max(...ratios) } : null,
    target: target ? { ratio: target.ratio.value, tolerance: target.tolerance.value } : null,
    gaps: replayed?.asIs.map(state => state.gap?.estimate.value ?? null) ?? [],
    band: replayed ? bandOf(replayed) : null,
    next: unsound.length > 0 ? { kind: 'takeOut', entries: unsound, cylinders: [], heads: [], at: { station: 'daybook' } } : advice(replayed, rules)[0]!,
    moulds: replayed ? mouldsIn(replayed).map(mould => mould.due) : [],
    undecided: replayed ? findingsOf(replayed).filter(({ entry }) => isUndecided(entry)).length : 0,
    ...(job ? { job } : {}),
    ...(castings.length ? { castings } : {}),
    ...(benches.length ? { benches } : {}),
    ...(put?.away ? { away: put.reason } : {})
  }
}

async function lastSeqs({ shop }: OfShop): Promise<Map<string, { seq: number, entries: number, lastAt: string }>> {
  const rows = await connection().db.select({ build: entries.build, seq: max(entries.seq), n: sql<number>`count(*)::int`, at: max(entries.at) })
    .from(entries).where(eq(entries.shop, shop)).groupBy(entries.build)
  return new Map(rows.map(row => [row.build, { seq: row.seq!, entries: row.n, lastAt: row.at!.toISOString() }]))
}

/** The shop's list as it is kept: no ledger is replayed for it. What is behind its ledger is said to be stale. */
export async function listSummaries(by: OfShop, reckoning: string): Promise<BuildSummary[]> {
  const [builds, seqs, kept] = await Promise.all([
    listBuilds(by), lastSeqs(by), connection().db.select().from(buildSummaries).where(eq(buildSummaries.shop, by.shop))
  ])
  const byBuild = new Map(kept.map(row => [row.build, row]))
  return builds.map(({ id, name, reference }) => {
    const row = byBuild.get(id)
    const last = seqs.get(id)
    return {
      id, name, reference, entries: last?.entries ?? 0, lastAt: last?.lastAt ?? null,
      ...(row ? { reckoned: row.summary } : {}),
      stale: row?.reckoning !== reckoning || row.seq !== (last?.seq ?? 0)
    }
  })
}

/** What is known of a build's entries from its summary: which of them the checks would not let through. */
export async function siftedOf({ shop }: OfShop, build: string, reckoning: string): Promise<Sifted | undefined> {
  const [row] = await connection().db.select().from(buildSummaries)
    .where(and(eq(buildSummaries.shop, shop), eq(buildSummaries.build, build), eq(buildSummaries.reckoning, reckoning)))
  return row && { seq: row.seq, unsound: row.unsound }
}

/**
 * Makes a build's summary and keeps it, unless a later one is kept already.
 *
 * @param reckoning what reckons it: a summary of other code counts as none
 */
export async function makeSummary(by: OfShop, build: string, reckoning: string): Promise<void> {
  const known = await siftedOf(by, build, reckoning)
  const { entries: sound, unsound, seq } = await listEntries(by, build, { known })
  const row = { build, shop: by.shop, seq, reckoning, summary: reckoned(sound, standing(sound, unsound), await currentRules(by)), unsound: unsound.map(({ entry, sentence }) => ({ id: entry.id, sentence })) }
  await connection().db.insert(buildSummaries).values(row).onConflictDoUpdate({
    target: buildSummaries.build, set: { seq, reckoning, summary: row.summary, unsound: row.unsound },
    setWhere: sql`${buildSummaries.reckoning} <> ${reckoning} or ${buildSummaries.seq} <= ${seq}`
  })
}
