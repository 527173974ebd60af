import { and, asc, desc, eq, notExists, type SQL } from 'drizzle-orm'
import { alias } from 'drizzle-orm/pg-core'
import type { Bodies } from '#core'
import { connection, type Database } from './connection'
import type { By, Outcome } from './outcome'
import { builds, entries, shops } from './schema'

export interface BuildRow { id: string, name: string, reference: string, createdAt: string }

/** The title that counts for a build: the latest that nobody superseded or took out. Before any, the name it was begun with. */
const later = alias(entries, 'later')
const latestTitle = (db: Database) => db.selectDistinctOn([entries.build], { build: entries.build, body: entries.body }).from(entries)
  .where(and(eq(entries.kind, 'title'), notExists(db.select({ id: later.id }).from(later).where(eq(later.supersedes, entries.id)))))
  .orderBy(entries.build, desc(entries.at), desc(entries.seq)).as('title')

async function buildRows(where: SQL | undefined, db: Database): Promise<BuildRow[]> {
  const title = latestTitle(db)
  const rows = await db.select({ build: builds, title: title.body }).from(builds).leftJoin(title, eq(title.build, builds.id)).where(where)
    .orderBy(asc(builds.createdAt), asc(builds.id))
  return rows.map(({ build, title }) => {
    const { name, reference } = (title as Bodies['title'] | null) ?? build
    return { id: build.id, name, reference, createdAt: build.createdAt.toISOString() }
  })
}

/** Every build of a shop, oldest first. */
export async function listBuilds({ shop }: Pick<By, 'shop'>): Promise<BuildRow[]> {
  return buildRows(eq(builds.shop, shop), connection().db)
}

/** One build, if the shop has it. */
export async function findBuild({ shop }: Pick<By, 'shop'>, id: string, db: Database = connection().db): Promise<BuildRow | undefined> {
  return (await buildRows(and(eq(builds.shop, shop), eq(builds.id, id)), db))[0]
}

/**
 * Begins a build. Beginning the same one again changes nothing; what it is called later is an entry of its ledger.
 *
 * @returns `otherContent` with the build of that identity where it was begun under another name
 */
export async function beginBuild(
  { shop, hand }: By, build: { id: string, name: string, reference: string }, db: Database = connection().db
): Promise<Outcome<BuildRow>> {
  const values = { id: build.id, shop, name: build.name.trim(), reference: build.reference.trim(), hand }
  const [added] = await db.insert(builds).values(values).onConflictDoNothing().returning()
  if (added) return { kind: 'added', value: { id: added.id, name: added.name, reference: added.reference, createdAt: added.createdAt.toISOString() } }
  const [there] = await db.select().from(builds).where(and(eq(builds.id, build.id), eq(builds.shop, shop)))
  // The id belongs to another shop: to this one it does not exist.
  const here = there && await findBuild({ shop }, build.id, db)
  if (!there || !here) return { kind: 'unknown', what: 'build' }
  return there.name === values.name && there.reference === values.reference ? { kind: 'already', value: here } : { kind: 'otherContent', current: here }
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
