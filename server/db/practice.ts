import { and, asc, eq } from 'drizzle-orm'
import type { KeptPractice } from '#shared/dto'
import { connection } from './connection'
import { sameRow, type By, type Outcome } from './outcome'
import { practiceReadings } from './schema'

type Row = typeof practiceReadings.$inferSelect
const kept = ({ id, hand, kind, truth, given, slip, at }: Row): KeptPractice => ({ id, hand, kind, truth, given, slip, at: at.toISOString() })

/** What a hand read for practice, in order. */
export async function listPractice({ shop }: Pick<By, 'shop'>, hand: string): Promise<KeptPractice[]> {
  const rows = await connection().db.select().from(practiceReadings).where(and(eq(practiceReadings.shop, shop), eq(practiceReadings.hand, hand))).orderBy(asc(practiceReadings.at), asc(practiceReadings.id))
  return rows.map(kept)
}

/** Keeps a reading for practice. The same one again changes nothing. */
export async function keepPractice({ shop }: By, reading: KeptPractice): Promise<Outcome<KeptPractice>> {
  const { db } = connection()
  const [added] = await db.insert(practiceReadings).values({ ...reading, shop, at: new Date(reading.at) }).onConflictDoNothing().returning()
  if (added) return { kind: 'added', value: kept(added) }
  const [there] = await db.select().from(practiceReadings).where(eq(practiceReadings.id, reading.id))
  return sameRow(there?.shop === shop ? kept(there) : undefined, reading, 'reading')
}
