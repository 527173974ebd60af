import { and, eq, notExists, sql } from 'drizzle-orm'
import { alias } from 'drizzle-orm/pg-core'
import type { Remade } from '../photographs/picture'
import { connection } from './connection'
import type { By, Outcome } from './outcome'
import { entries, photographs } from './schema'

type OfShop = Pick<By, 'shop'>

/** Whether the shop has a photograph of this name. */
export async function hasPhotograph({ shop }: OfShop, sha256: string): Promise<boolean> {
  const rows = await connection().db.select({ sha256: photographs.sha256 }).from(photographs).where(and(eq(photographs.shop, shop), eq(photographs.sha256, sha256)))
  return rows.length > 0
}

/** Keeps a photograph. The same one again changes nothing. */
export async function keepPhotograph({ shop }: OfShop, sha256: string, picture: Remade): Promise<Outcome<{ sha256: string }>> {
  const added = await connection().db.insert(photographs).values({ shop, sha256, ...picture }).onConflictDoNothing().returning({ sha256: photographs.sha256 })
  return { kind: added.length > 0 ? 'added' : 'already', value: { sha256 } }
}

const later = alias(entries, 'later')

/** A photograph that an entry of this build carries which nothing has taken the place of: one whose entry was struck out is not to be had. */
export async function photographOf({ shop }: OfShop, build: string, sha256: string, size: 'bytes' | 'small'): Promise<Buffer | undefined> {
  const { db } = connection()
  const [named] = await db.select({ id: entries.id }).from(entries).where(and(
    eq(entries.shop, shop), eq(entries.build, build), sql`${entries.photos} @> ${JSON.stringify([sha256])}::jsonb`,
    notExists(db.select({ id: later.id }).from(later).where(eq(later.supersedes, entries.id)))
  )).limit(1)
  if (!named) return undefined
  const [row] = await db.select({ bytes: photographs[size] }).from(photographs).where(and(eq(photographs.shop, shop), eq(photographs.sha256, sha256)))
  return row?.bytes
}
