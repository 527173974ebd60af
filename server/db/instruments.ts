import { and, asc, eq } from 'drizzle-orm'
import type { InstrumentFigures, KeptInstrument } from '#shared/dto'
import { connection } from './connection'
import type { By, Outcome } from './outcome'
import { instruments } from './schema'

const kept = ({ id, name, kind, capacity, tolerance, resolution, scale, film, repeatability }: typeof instruments.$inferSelect): KeptInstrument =>
  ({ id, name, kind, capacity, tolerance, resolution, scale, film, repeatability })

/** The shop's instruments, oldest first. */
export async function listInstruments({ shop }: Pick<By, 'shop'>): Promise<KeptInstrument[]> {
  const rows = await connection().db.select().from(instruments).where(eq(instruments.shop, shop))
    .orderBy(asc(instruments.createdAt), asc(instruments.id))
  return rows.map(kept)
}

/** Adds an instrument or changes one. Pours keep a copy of their own, so no past reading changes with it. */
export async function keepInstrument({ shop, hand }: By, id: string, figures: InstrumentFigures): Promise<Outcome<KeptInstrument>> {
  const { db } = connection()
  const { name, kind, capacity, tolerance, resolution, scale, film, repeatability } = figures
  const values = { name: name.trim(), kind, capacity, tolerance, resolution, scale, film, repeatability, hand }
  const [added] = await db.insert(instruments).values({ id, shop, ...values }).onConflictDoNothing().returning()
  if (added) return { kind: 'added', value: kept(added) }
  const [changed] = await db.update(instruments).set(values)
    .where(and(eq(instruments.id, id), eq(instruments.shop, shop))).returning()
  return changed ? { kind: 'already', value: kept(changed) } : { kind: 'unknown', what: 'instrument' }
}
