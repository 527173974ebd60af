import { isDeepStrictEqual } from 'node:util'
import { and, asc, eq, sql } from 'drizzle-orm'
import { layoutBounds, upcast, type Entry } from '#core'
import { checkEntry, mayCorrect, type FieldProblem, type SentEntry } from '#shared/dto'
import { connection, type Database } from './connection'
import type { By, Outcome } from './outcome'
import { builds, entries } from './schema'

type Row = typeof entries.$inferSelect

function sent(row: Row): SentEntry {
  return {
    at: row.at.toISOString(), hand: row.hand, kind: row.kind, v: row.v, scope: row.scope, body: row.body,
    ...(row.note === null ? {} : { note: row.note }), ...(row.supersedes === null ? {} : { supersedes: row.supersedes })
  } as SentEntry
}

/** Entries never change, so one that was sound once needs no second look. */
const seenSound = new Set<string>()

function read(row: Row): Entry {
  const entry = { id: row.id, build: row.build, seq: row.seq, ...sent(row) } as Entry
  if (!seenSound.has(row.id)) {
    const checked = checkEntry(sent(row))
    if (!checked.ok) throw new Error(`stored entry ${row.id} is not sound: ${checked.fields[0]?.sentence}`)
    seenSound.add(row.id)
  }
  return upcast(entry)
}

/** A build's whole ledger, in the order of things. */
export async function listEntries({ shop }: Pick<By, 'shop'>, build: string, db: Database = connection().db): Promise<Entry[]> {
  const rows = await db.select().from(entries).where(and(eq(entries.shop, shop), eq(entries.build, build)))
    .orderBy(asc(entries.at), asc(entries.seq))
  return rows.map(read)
}

/** How many entries the shop keeps. */
export async function countEntries({ shop }: Pick<By, 'shop'>): Promise<number> {
  const [row] = await connection().db.select({ n: sql<number>`count(*)::int` }).from(entries).where(eq(entries.shop, shop))
  return row?.n ?? 0
}

function scopeProblem(entry: SentEntry, ledger: Entry[]): FieldProblem | undefined {
  const bounds = layoutBounds(ledger)
  const { scope } = entry
  if (!bounds) {
    return entry.kind === 'layout' || entry.kind === 'void' || scope.level === 'build'
      ? undefined
      : { path: 'scope', sentence: 'Say first how many cylinders the engine has.' }
  }
  if (scope.level === 'cylinder' && !bounds.cylinders.includes(scope.cylinder)) {
    return { path: 'scope.cylinder', sentence: `This engine has no cylinder ${scope.cylinder}.` }
  }
  if (scope.level === 'head' && scope.head > bounds.heads) return { path: 'scope.head', sentence: `This engine has no head ${scope.head}.` }
  if (scope.level === 'bank' && scope.bank > bounds.banks) return { path: 'scope.bank', sentence: `This engine has no bank ${scope.bank}.` }
  return undefined
}

function correctionProblem(entry: SentEntry, earlier: Entry | undefined): FieldProblem | undefined {
  if (!entry.supersedes) return undefined
  if (!earlier) return { path: 'supersedes', sentence: 'The entry this takes the place of is not in this build.' }
  if (mayCorrect(earlier.kind, entry.kind)) return undefined
  return { path: 'supersedes', sentence: `An entry of kind ${entry.kind} can’t take the place of one of kind ${earlier.kind}.` }
}

class Undone extends Error {
  constructor(readonly outcome: Outcome<never>) {
    super('batch undone')
  }
}

/** One entry into a ledger that is locked and read; the ledger grows with it. */
async function addTo(tx: Database, shop: string, build: string, id: string, entry: SentEntry, ledger: Entry[]): Promise<Outcome<Entry>> {
  const same = async (): Promise<Outcome<Entry> | undefined> => {
    const [there] = await tx.select().from(entries).where(eq(entries.id, id))
    if (!there) return undefined
    if (there.shop !== shop) return { kind: 'unknown', what: 'entry' }
    return there.build === build && isDeepStrictEqual(sent(there), normalised(entry))
      ? { kind: 'already', value: read(there) }
      : { kind: 'otherContent', current: read(there) }
  }
  const retried = await same()
  if (retried) return retried
  const successor = entry.supersedes && ledger.find(e => e.supersedes === entry.supersedes)
  if (successor) return { kind: 'supersededAlready', current: successor }
  const problem = scopeProblem(entry, ledger) ?? correctionProblem(entry, ledger.find(e => e.id === entry.supersedes))
  if (problem) return { kind: 'refused', fields: [problem] }
  const [added] = await tx.insert(entries).values({
    id, shop, build, at: new Date(entry.at), hand: entry.hand, kind: entry.kind, v: entry.v, scope: entry.scope,
    body: entry.body, note: entry.note ?? null, supersedes: entry.supersedes ?? null
  }).onConflictDoNothing().returning()
  if (!added) return await same() ?? { kind: 'unknown', what: 'entry' }
  ledger.push(read(added))
  return { kind: 'added', value: ledger.at(-1)! }
}

/** Writers of one build take turns: what is checked against the ledger must still be so when it is added. */
async function locked(tx: Database, shop: string, build: string): Promise<Entry[] | undefined> {
  const [parent] = await tx.select().from(builds).where(and(eq(builds.id, build), eq(builds.shop, shop))).for('update')
  return parent && listEntries({ shop }, build, tx)
}

/**
 * Adds one entry to a build's ledger. Sending the same one again changes nothing; superseding what is superseded
 * already is told with what stands there now.
 */
export async function addEntry(
  { shop }: Pick<By, 'shop'>, build: string, id: string, entry: SentEntry, db: Database = connection().db
): Promise<Outcome<Entry>> {
  return db.transaction(async (inside) => {
    const tx = inside as unknown as Database
    const ledger = await locked(tx, shop, build)
    return ledger ? addTo(tx, shop, build, id, entry, ledger) : { kind: 'unknown', what: 'build' }
  })
}

/**
 * Adds entries that came in together, all or none. Those that are here already are not added again, so a batch sent
 * twice changes nothing.
 *
 * @returns `added` with how many are new, `already` when none is; the path of the first that can't be taken otherwise
 */
export async function addEntries({ shop }: Pick<By, 'shop'>, build: string, batch: { id: string, entry: SentEntry }[]): Promise<Outcome<{ added: number }>> {
  try {
    return await connection().db.transaction(async (inside) => {
      const tx = inside as unknown as Database
      const ledger = await locked(tx, shop, build)
      if (!ledger) throw new Undone({ kind: 'unknown', what: 'build' })
      let added = 0
      for (const [i, { id, entry }] of batch.entries()) {
        const outcome = await addTo(tx, shop, build, id, entry, ledger)
        if (outcome.kind === 'added') added++
        else if (outcome.kind !== 'already') {
          const field = outcome.kind === 'refused'
            ? { path: `entries[${i}].${outcome.fields[0]!.path}`, sentence: outcome.fields[0]!.sentence }
            : { path: `entries[${i}]`, sentence: 'Something else of this identity is here already.' }
          throw new Undone({ kind: 'refused', fields: [field] })
        }
      }
      return { kind: added > 0 ? 'added' : 'already', value: { added } }
    })
  } catch (error) {
    if (error instanceof Undone) return error.outcome
    throw error
  }
}

/** The entry as the database gives it back: times to the millisecond, keys without a value left out. */
function normalised(entry: SentEntry): SentEntry {
  const { at, hand, kind, v, scope, body, note, supersedes } = JSON.parse(JSON.stringify(entry)) as SentEntry
  return {
    at: new Date(at).toISOString(), hand, kind, v, scope, body,
    ...(note == null ? {} : { note }), ...(supersedes == null ? {} : { supersedes })
  } as SentEntry
}
