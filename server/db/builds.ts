import { and, asc, eq } from 'drizzle-orm'
import { connection, type Database } from './connection'
import type { By, Outcome } from './outcome'
import { builds, shops } from './schema'

export interface BuildRow { id: string, name: string, reference: string, createdAt: string }

const row = (r: typeof builds.$inferSelect): BuildRow =>
  ({ id: r.id, name: r.name, reference: r.reference, createdAt: r.createdAt.toISOString() })

/** Every build of a shop, oldest first. */
export async function listBuilds({ shop }: Pick<By, 'shop'>): Promise<BuildRow[]> {
  return (await connection().db.select().from(builds).where(eq(builds.shop, shop)).orderBy(asc(builds.createdAt), asc(builds.id))).map(row)
}

/** One build, if the shop has it. */
export async function findBuild({ shop }: Pick<By, 'shop'>, id: string): Promise<BuildRow | undefined> {
  const [found] = await connection().db.select().from(builds).where(and(eq(builds.shop, shop), eq(builds.id, id)))
  return found && row(found)
}

/** Names a build: adds it, or gives the one that is there its new name and reference. */
export async function nameBuild(
  { shop, hand }: By, build: { id: string, name: string, reference: string }, db: Database = connection().db
): Promise<Outcome<BuildRow>> {
  const values = { id: build.id, shop, name: build.name.trim(), reference: build.reference.trim(), hand }
  const [added] = await db.insert(builds).values(values).onConflictDoNothing().returning()
  if (added) return { kind: 'added', value: row(added) }
  const [changed] = await db.update(builds).set({ name: values.name, reference: values.reference })
    .where(and(eq(builds.id, build.id), eq(builds.shop, shop))).returning()
  // The id belongs to another shop: to this one it does not exist.
  return changed ? { kind: 'already', value: row(changed) } : { kind: 'unknown', what: 'build' }
}

/** Makes sure a shop is there. @returns whether its demo builds have been put in */
export async function openShop(id: string, name: string): Promise<{ hasDemo: boolean }> {
  const { db } = connection()
  await db.insert(shops).values({ id, name }).onConflictDoNothing()
  const [shop] = await db.select().from(shops).where(eq(shops.id, id))
  return { hasDemo: shop?.demoAt != null }
}

/** Notes that the demo builds are in, so that they are put in once only. */
export async function demoIsIn(id: string): Promise<void> {
  await connection().db.update(shops).set({ demoAt: new Date() }).where(eq(shops.id, id))
}

/** The shop's name. */
export async function shopName(id: string): Promise<string | undefined> {
  return (await connection().db.select().from(shops).where(eq(shops.id, id)))[0]?.name
}
