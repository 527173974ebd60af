import { isDeepStrictEqual } from 'node:util'
import { and, asc, eq, gt, inArray, notExists, or, sql } from 'drizzle-orm'
import { alias } from 'drizzle-orm/pg-core'
import { kindRule, layoutBounds, mayCorrect, upcast, type Entry } from '#core'
import { checkEntry, type FieldProblem, type SentEntry, type Unsound } from '#shared/dto'
import { connection, inTransaction, type Database } from './connection'
import type { By, Outcome } from './outcome'
import { builds, entries } from './schema'

type Row = typeof entries.$inferSelect
type OfShop = Pick<By, 'shop'>

/** The fields that have a value: the others are left out, not null. */
const given = <T extends object>(fields: T): T => Object.fromEntries(Object.entries(fields).filter(([, value]) => value != null)) as T

function sent(row: Row): SentEntry {
  return {
    at: row.at.toISOString(), hand: row.hand, kind: row.kind, v: row.v, scope: row.scope, body: row.body,
    ...given({ note: row.note, supersedes: row.supersedes, plan: row.plan, photos: row.photos, undoes: row.undoes })
  } as SentEntry
}

/** A row as an entry, as it is stored. */
const asStored = (row: Row): Entry => ({ id: row.id, build: row.build, seq: row.seq, ...sent(row) } as Entry)

/** A build's rows after a place, in the order of things. */
async function rowsOf({ shop }: OfShop, build: string, since: number, db: Database): Promise<Row[]> {
  return db.select().from(entries).where(and(eq(entries.shop, shop), eq(entries.build, build), ...(since > 0 ? [gt(entries.seq, since)] : [])))
    .orderBy(asc(entries.at), asc(entries.seq))
}

/** What was found of a ledger's entries up to a place: the few that the checks would not let through. */
export interface Sifted { seq: number, unsound: { id: string, sentence: string }[] }

/** Entries checked between two looks at what else there is to do. */
const SLICE = 100

/**
 * A build's ledger, in the order of things: what can be reckoned with, and apart from it what is stored but would not be
 * let in today (by an older version's hand, or somebody else's). It never throws for what is stored.
 *
 * @param known what is known of the entries up to a place: they are not checked again
 * @param since only what came after that place
 */
export async function listEntries(
  by: OfShop, build: string, { known, since = 0, db = connection().db }: { known?: Sifted, since?: number, db?: Database } = {}
): Promise<{ entries: Entry[], unsound: Unsound[], seq: number }> {
  const rows = await rowsOf(by, build, since, db)
  const faults = new Map(known?.unsound.map(({ id, sentence }) => [id, sentence]))
  const sound: Entry[] = []
  const unsound: Unsound[] = []
  let looked = 0
  let seq = since
  for (const row of rows) {
    seq = Math.max(seq, row.seq)
    if (row.seq > (known?.seq ?? 0)) {
      // A long ledger that nobody has looked through yet must not keep everybody else waiting.
      if (++looked % SLICE === 0) await new Promise(resolve => setImmediate(resolve))
      const fault = soundFault(row)
      if (fault) faults.set(row.id, fault)
    }
    const sentence = faults.get(row.id)
    if (sentence) unsound.push({ entry: asStored(row), sentence })
    else sound.push(upcast(asStored(row)))
  }
  return { entries: sound, unsound, seq }
}

function soundFault(row: Row): string | undefined {
  try {
    const checked = checkEntry(sent(row), 'stored')
    if (!checked.ok) return checked.fields[0]?.sentence ?? 'It can’t be read.'
    upcast(asStored(row))
    return undefined
  } catch {
    return 'It can’t be read.'
  }
}

/** A build's entries as they are stored, sound or not, in the order they were received: what a file or a backup holds. */
export async function storedEntries(by: OfShop, build: string, db: Database = connection().db): Promise<Entry[]> {
  return (await rowsOf(by, build, 0, db)).map(asStored).sort((a, b) => a.seq! - b.seq!)
}

/** How many entries the shop keeps. */
export async function countEntries({ shop }: OfShop): Promise<number> {
  const [row] = await connection().db.select({ n: sql<number>`count(*)::int` }).from(entries).where(eq(entries.shop, shop))
  return row?.n ?? 0
}

/** Something sent that goes in beside the ledger: what of it must be known to judge what is new. */
interface Ground {
  /** The layout's entries and what superseded them: they say which cylinders there are. */
  layouts: Entry[]
  /** What the new ones take the place of, by id. */
  earlier: Map<string, Entry>
  /** Who has taken the place of those already, by the id of what was replaced. */
  successors: Map<string, Entry>
}

async function groundOf(tx: Database, build: string, fresh: Fresh[]): Promise<Ground> {
  const named = [...new Set(fresh.flatMap(({ entry }) => entry.supersedes ?? []))]
  const layout = alias(entries, 'layout')
  const layouts = await tx.select().from(entries).where(and(eq(entries.build, build), or(eq(entries.kind, 'layout'),
    inArray(entries.supersedes, tx.select({ id: layout.id }).from(layout).where(and(eq(layout.build, build), eq(layout.kind, 'layout')))))))
  const about = named.length === 0
    ? []
    : await tx.select().from(entries).where(and(eq(entries.build, build), or(inArray(entries.id, named), inArray(entries.supersedes, named))))
  return {
    layouts: layouts.map(asStored),
    earlier: new Map(about.map(row => [row.id, asStored(row)])),
    successors: new Map(about.flatMap(row => row.supersedes ? [[row.supersedes, asStored(row)] as const] : []))
  }
}

type Fresh = { id: string, entry: SentEntry }
type Bounds = ReturnType<typeof layoutBounds>

function scopeProblem({ kind, scope }: SentEntry, bounds: Bounds): FieldProblem | undefined {
  if (!bounds) {
    return kind === 'layout' || kindRule(kind).takesPlace || scope.level === 'build'
      ? undefined
      : { path: 'scope', sentence: 'Say first how many cylinders the engine has.' }
  }
  if ('cylinder' in scope && !bounds.cylinders.includes(scope.cylinder)) {
    return { path: 'scope.cylinder', sentence: `This engine has no cylinder ${scope.cylinder}.` }
  }
  if (scope.level === 'head' && scope.head > bounds.heads) return { path: 'scope.head', sentence: `This engine has no head ${scope.head}.` }
  if (scope.level === 'bank' && scope.bank > bounds.banks) return { path: 'scope.bank', sentence: `This engine has no bank ${scope.bank}.` }
  return undefined
}

function correctionProblem(entry: SentEntry, earlier: Entry | undefined): FieldProblem | undefined {
  if (!entry.supersedes) return undefined
  if (!earlier) return { path: 'supersedes', sentence: 'The entry this takes the place of is not in this build.' }
  if (mayCorrect(earlier.kind, entry.kind, entry.undoes !== undefined)) return undefined
  return { path: 'supersedes', sentence: `An entry of kind ${entry.kind} can’t take the place of one of kind ${earlier.kind}.` }
}

/** Judges new entries one after the other, each as the ledger will then stand: the first that can't go in, and why. */
function judge(fresh: Fresh[], { layouts, earlier, successors }: Ground, build: string): { at: number, outcome: Outcome<never> } | undefined {
  let bounds = layoutBounds(layouts)
  for (const [at, { id, entry }] of fresh.entries()) {
    const { supersedes } = entry
    const successor = supersedes && successors.get(supersedes)
    if (successor) return { at, outcome: { kind: 'supersededAlready', current: successor } }
    const problem = scopeProblem(entry, bounds) ?? correctionProblem(entry, supersedes ? earlier.get(supersedes) : undefined)
    if (problem) return { at, outcome: { kind: 'refused', fields: [problem] } }
    const added = { id, build, seq: null, ...entry } as Entry
    earlier.set(id, added)
    if (supersedes) successors.set(supersedes, added)
    if (entry.kind === 'layout' || layouts.some(l => l.id === supersedes)) {
      layouts.push(added)
      bounds = layoutBounds(layouts)
    }
  }
  return undefined
}

/** What somebody else has stated about the same thing since the page last looked, if it still counts. */
async function statedSince(tx: Database, build: string, { kind, scope, body, supersedes }: SentEntry, seen: number): Promise<Entry | undefined> {
  if (supersedes || !kindRule(kind).told) return undefined
  const later = alias(entries, 'later')
  const quantity = 'quantity' in body ? [eq(sql`${entries.body}->>'quantity'`, body.quantity)] : []
  const [row] = await tx.select().from(entries).where(and(
    eq(entries.build, build), eq(entries.kind, kind), gt(entries.seq, seen), eq(entries.scope, scope), ...quantity,
    notExists(tx.select({ id: later.id }).from(later).where(eq(later.supersedes, entries.id)))
  )).limit(1)
  return row && asStored(row)
}

/** Says which of the new entries could not be reckoned with beside the ledger: see {@link CanReckon}. */
export interface Misfit { id: string, sentence: string }

/** Asked before anything is added; the ledger is locked meanwhile. Nothing found means that all of it can be reckoned. */
export type CanReckon = (build: string, fresh: Entry[]) => Promise<Misfit | undefined>

interface Adding {
  /** The last entry the page had seen when this was typed: what was stated since is told, not written over. */
  seen?: number
  canReckon?: CanReckon
  db?: Database
}

/** Rows that go to the database in one statement. */
const ROWS = 1000

class Undone extends Error {
  constructor(readonly at: number, readonly outcome: Outcome<never>) {
    super('undone')
  }
}

async function addInside(tx: Database, shop: string, build: string, sentOnes: Fresh[], { seen, canReckon }: Adding): Promise<{ added: number, entries: Entry[] }> {
  // Writers of one build take turns: what is checked against the ledger must still be so when it is added.
  const [parent] = await tx.select({ id: builds.id }).from(builds).where(and(eq(builds.id, build), eq(builds.shop, shop))).for('update')
  if (!parent) throw new Undone(0, { kind: 'unknown', what: 'build' })
  const there = new Map<string, Row>()
  for (let i = 0; i < sentOnes.length; i += ROWS) {
    for (const row of await tx.select().from(entries).where(inArray(entries.id, sentOnes.slice(i, i + ROWS).map(s => s.id)))) there.set(row.id, row)
  }
  const fresh: { id: string, entry: SentEntry, at: number }[] = []
  const kept: Entry[] = []
  sentOnes.forEach(({ id, entry }, at) => {
    const row = there.get(id)
    if (!row) return void fresh.push({ id, entry: normalised(entry), at })
    if (row.shop !== shop) throw new Undone(at, { kind: 'unknown', what: 'entry' })
    if (row.build !== build || !isDeepStrictEqual(sent(row), normalised(entry))) throw new Undone(at, { kind: 'otherContent', current: asStored(row) as never })
    kept.push(asStored(row))
  })
  if (fresh.length === 0) return { added: 0, entries: kept }
  const refused = judge(fresh, await groundOf(tx, build, fresh), build)
  if (refused) throw new Undone(fresh[refused.at]!.at, refused.outcome)
  const meanwhile = seen === undefined ? undefined : await statedSince(tx, build, fresh[0]!.entry, seen)
  if (meanwhile) throw new Undone(0, { kind: 'supersededAlready', current: meanwhile })
  const misfit = await canReckon?.(build, fresh.map(({ id, entry }) => ({ id, build, seq: null, ...entry }) as Entry))
  if (misfit) throw new Undone(fresh.find(f => f.id === misfit.id)?.at ?? 0, { kind: 'refused', fields: [{ path: 'body', sentence: misfit.sentence }] })
  const added: Entry[] = []
  for (let i = 0; i < fresh.length; i += ROWS) {
    const part = fresh.slice(i, i + ROWS)
    const rows = await tx.insert(entries).values(part.map(({ id, entry }) => ({
      id, shop, build, at: new Date(entry.at), hand: entry.hand, kind: entry.kind, v: entry.v, scope: entry.scope, body: entry.body,
      note: entry.note ?? null, supersedes: entry.supersedes ?? null, plan: entry.plan ?? null, photos: entry.photos ?? null, undoes: entry.undoes ?? null
    }))).onConflictDoNothing().returning()
    // One that did not go in was taken, that very moment, by another build.
    if (rows.length < part.length) throw new Undone(part.find(f => !rows.some(r => r.id === f.id))!.at, { kind: 'otherContent', current: undefined as never })
    added.push(...rows.map(asStored))
  }
  return { added: added.length, entries: [...kept, ...added] }
}

/**
 * Adds one entry to a build's ledger. Sending the same one again changes nothing; superseding what is superseded
 * already is told with what stands there now.
 */
export async function addEntry({ shop }: OfShop, build: string, id: string, entry: SentEntry, adding: Adding = {}): Promise<Outcome<Entry>> {
  try {
    const { added, entries: [kept] } = await inTransaction(tx => addInside(tx, shop, build, [{ id, entry }], adding))
    return { kind: added > 0 ? 'added' : 'already', value: kept! }
  } catch (error) {
    if (error instanceof Undone) return error.outcome
    throw error
  }
}

/**
 * Adds entries that came in together, all or none. Those that are here already are not added again, so a batch sent
 * twice changes nothing.
 *
 * @returns `added` with how many are new, `already` when none is; the path of the first that can't be taken otherwise
 */
export async function addEntries(
  { shop }: OfShop, build: string, batch: Fresh[], adding: Adding = {}
): Promise<Outcome<{ added: number }>> {
  try {
    const { added } = await (adding.db ? addInside(adding.db, shop, build, batch, adding) : inTransaction(tx => addInside(tx, shop, build, batch, adding)))
    return { kind: added > 0 ? 'added' : 'already', value: { added } }
  } catch (error) {
    if (error instanceof Undone) return inBatch(error)
    throw error
  }
}

function inBatch({ at, outcome }: Undone): Outcome<never> {
  switch (outcome.kind) {
    case 'unknown': return outcome.what === 'build' ? outcome : { kind: 'refused', fields: [{ path: `entries[${at}]`, sentence: 'Something else of this identity is here already.' }] }
    case 'refused': return { kind: 'refused', fields: [{ path: `entries[${at}].${outcome.fields[0]!.path}`, sentence: outcome.fields[0]!.sentence }] }
    case 'supersededAlready': return { kind: 'refused', fields: [{ path: `entries[${at}]`, sentence: 'Another entry has taken the place of the same one.' }] }
    default: return { kind: 'refused', fields: [{ path: `entries[${at}]`, sentence: 'Something else of this identity is here already.' }] }
  }
}

/** The entry as the database gives it back: times to the millisecond, keys without a value left out. */
function normalised(entry: SentEntry): SentEntry {
  const { at, hand, kind, v, scope, body, note, supersedes, plan, photos, undoes } = JSON.parse(JSON.stringify(entry)) as SentEntry
  return {
    at: new Date(at).toISOString(), hand, kind, v, scope, body, ...given({ note, supersedes, plan, photos, undoes })
  } as SentEntry
}
