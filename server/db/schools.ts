import { asc, eq } from 'drizzle-orm'
import type { KeptChoice } from '#shared/dto'
import { connection } from './connection'
import { sameRow, type By, type Outcome } from './outcome'
import { schoolChoices } from './schema'

type Row = typeof schoolChoices.$inferSelect
const kept = ({ id, hand, topic, school, why, builds, at }: Row): KeptChoice => ({ id, hand, topic: topic as KeptChoice['topic'], school, why, builds, at: at.toISOString() })

/** Every choice the shop ever made, in order. */
export async function listChoices({ shop }: Pick<By, 'shop'>): Promise<KeptChoice[]> {
  const rows = await connection().db.select().from(schoolChoices).where(eq(schoolChoices.shop, shop)).orderBy(asc(schoolChoices.at), asc(schoolChoices.id))
  return rows.map(kept)
}

/** Keeps a choice. The same one again changes nothing. */
export async function keepChoice({ shop }: By, choice: KeptChoice): Promise<Outcome<KeptChoice>> {
  const { db } = connection()
  const [added] = await db.insert(schoolChoices).values({ ...choice, shop, at: new Date(choice.at) }).onConflictDoNothing().returning()
  if (added) return { kind: 'added', value: kept(added) }
  const [there] = await db.select().from(schoolChoices).where(eq(schoolChoices.id, choice.id))
  return sameRow(there?.shop === shop ? kept(there) : undefined, choice, 'choice')
}
