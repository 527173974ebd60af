import { isDeepStrictEqual } from 'node:util'
import { and, asc, desc, eq } from 'drizzle-orm'
import { checkPour, type CheckResult } from '#core'
import type { CheckRequest, InstrumentFigures, KeptInstrument } from '#shared/dto'
import { connection } from './connection'
import type { By, Outcome } from './outcome'
import { instrumentChecks, instruments } from './schema'

type Row = typeof instruments.$inferSelect
type CheckRow = typeof instrumentChecks.$inferSelect

function kept({ id, name, kind, capacity, tolerance, resolution, scale, film, repeatability, expansion }: Row, check?: CheckRow): KeptInstrument {
  const figures = { id, name, kind, capacity, tolerance, resolution, scale, film, repeatability, expansion }
  return check ? { ...figures, checked: { at: check.at.toISOString(), hand: check.hand, ...check.result } } : figures
}

async function latestChecks({ shop }: Pick<By, 'shop'>): Promise<Map<string, CheckRow>> {
  const rows = await connection().db.select().from(instrumentChecks).where(eq(instrumentChecks.shop, shop))
    .orderBy(asc(instrumentChecks.at), asc(instrumentChecks.receivedAt))
  return new Map(rows.map(row => [row.instrument, row]))
}

/** The shop's instruments, oldest first, each with its latest check pour. */
export async function listInstruments(by: Pick<By, 'shop'>): Promise<KeptInstrument[]> {
  const rows = await connection().db.select().from(instruments).where(eq(instruments.shop, by.shop))
    .orderBy(asc(instruments.createdAt), asc(instruments.id))
  const checks = await latestChecks(by)
  return rows.map(row => kept(row, checks.get(row.id)))
}

/** Adds an instrument or changes one. Pours keep a copy of their own, so no past reading changes with it. */
export async function keepInstrument({ shop, hand }: By, id: string, figures: InstrumentFigures): Promise<Outcome<KeptInstrument>> {
  const { db } = connection()
  const { name, kind, capacity, tolerance, resolution, scale, film, repeatability, expansion = 0 } = figures
  const values = { name: name.trim(), kind, capacity, tolerance, resolution, scale, film, repeatability, expansion, hand }
  const [added] = await db.insert(instruments).values({ id, shop, ...values }).onConflictDoNothing().returning()
  if (added) return { kind: 'added', value: kept(added) }
  const [changed] = await db.update(instruments).set(values)
    .where(and(eq(instruments.id, id), eq(instruments.shop, shop))).returning()
  if (!changed) return { kind: 'unknown', what: 'instrument' }
  return { kind: 'already', value: kept(changed, (await latestChecks({ shop })).get(id)) }
}

/**
 * Keeps a check pour of an instrument and what it came to. From then on the instrument has that correction.
 *
 * @throws DomainError where the readings can't be right
 */
export async function keepCheck({ shop, hand }: By, instrument: string, id: string, check: CheckRequest): Promise<Outcome<CheckResult>> {
  const { db } = connection()
  const [row] = await db.select().from(instruments).where(and(eq(instruments.id, instrument), eq(instruments.shop, shop)))
  if (!row) return { kind: 'unknown', what: 'instrument' }
  const { known, pours, at } = JSON.parse(JSON.stringify(check)) as CheckRequest
  const [added] = await db.insert(instrumentChecks)
    .values({ id, shop, instrument, hand, at: new Date(at), known, pours, result: checkPour(known, pours, row) })
    .onConflictDoNothing().returning()
  if (added) return { kind: 'added', value: added.result }
  const [there] = await db.select().from(instrumentChecks).where(eq(instrumentChecks.id, id)).orderBy(desc(instrumentChecks.at))
  if (!there || there.shop !== shop) return { kind: 'unknown', what: 'check' }
  const same = there.instrument === instrument && isDeepStrictEqual({ known: there.known, pours: there.pours }, { known, pours })
  return same ? { kind: 'already', value: there.result } : { kind: 'otherContent', current: there.result }
}
