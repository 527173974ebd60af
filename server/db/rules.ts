import { isDeepStrictEqual } from 'node:util'
import { desc, eq } from 'drizzle-orm'
import { STARTING_RULES, type ShopRules } from '#core'
import { connection } from './connection'
import type { By, Outcome } from './outcome'
import { shopRules } from './schema'

/** What the shop goes by now. */
export async function currentRules({ shop }: Pick<By, 'shop'>): Promise<ShopRules> {
  const [row] = await connection().db.select().from(shopRules).where(eq(shopRules.shop, shop)).orderBy(desc(shopRules.receivedAt)).limit(1)
  // A table that was kept before work had its cost is filled up from the shop's start.
  return row ? { ...STARTING_RULES, ...row.rules } : STARTING_RULES
}

/** Sets the shop's rules anew. The ones before stay in the table. */
export async function keepRules({ shop, hand }: By, id: string, rules: ShopRules): Promise<Outcome<ShopRules>> {
  const { db } = connection()
  const [added] = await db.insert(shopRules).values({ id, shop, hand, rules }).onConflictDoNothing().returning()
  if (added) return { kind: 'added', value: added.rules }
  const [there] = await db.select().from(shopRules).where(eq(shopRules.id, id))
  if (!there || there.shop !== shop) return { kind: 'unknown', what: 'table' }
  return isDeepStrictEqual(there.rules, JSON.parse(JSON.stringify(rules))) ? { kind: 'already', value: there.rules } : { kind: 'otherContent', current: there.rules }
}
