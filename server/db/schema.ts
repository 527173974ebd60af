import { sql } from 'drizzle-orm'
import {
  bigint, bigserial, customType, doublePrecision, foreignKey, index, integer, jsonb, pgTable, primaryKey, text, timestamp, uniqueIndex, uuid
} from 'drizzle-orm/pg-core'
import type { Reckoned } from '#shared/dto'
import type { CheckResult, Entry, Fill, Instrument, KnownVolume, ReadKind, Scope, ShopRules, Slip } from '#core'

/** A shop owns everything below. There is one today; every table and every query carries it already. */
export const shops = pgTable('shops', {
  id: text().primaryKey(),
  name: text().notNull(),
  createdAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
  /** When the demo builds were put in, whole; null where nobody asked for them. */
  demoAt: timestamp({ withTimezone: true })
})

/** A build as it was begun; everything that came after, its later names too, is an entry. Rows are only ever added. */
export const builds = pgTable('builds', {
  id: uuid().primaryKey(),
  shop: text().notNull().references(() => shops.id),
  name: text().notNull(),
  reference: text().notNull(),
  hand: text().notNull(),
  createdAt: timestamp({ withTimezone: true }).notNull().defaultNow()
}, t => [index('builds_by_shop').on(t.shop, t.createdAt)])

/** Glass and plastic the shop pours from. A pour keeps a copy of what it was poured with. */
export const instruments = pgTable('instruments', {
  id: uuid().primaryKey(),
  shop: text().notNull().references(() => shops.id),
  name: text().notNull(),
  kind: text().$type<Instrument['kind']>().notNull(),
  capacity: doublePrecision().notNull(),
  tolerance: doublePrecision().notNull(),
  resolution: doublePrecision().notNull(),
  scale: text().$type<'deliver' | 'contain'>().notNull(),
  film: doublePrecision().notNull(),
  repeatability: doublePrecision().notNull(),
  expansion: doublePrecision().notNull().default(0),
  hand: text().notNull(),
  createdAt: timestamp({ withTimezone: true }).notNull().defaultNow()
}, t => [index('instruments_by_shop').on(t.shop, t.createdAt)])

/** Check pours of an instrument against a known volume, and what they came to. Only ever added; the latest counts. */
export const instrumentChecks = pgTable('instrument_checks', {
  id: uuid().primaryKey(),
  shop: text().notNull().references(() => shops.id),
  instrument: uuid().notNull().references(() => instruments.id),
  at: timestamp({ withTimezone: true, precision: 3 }).notNull(),
  hand: text().notNull(),
  known: jsonb().$type<KnownVolume>().notNull(),
  pours: jsonb().$type<Fill[][]>().notNull(),
  result: jsonb().$type<CheckResult>().notNull(),
  receivedAt: timestamp({ withTimezone: true }).notNull().default(sql`now()`)
}, t => [index('checks_by_instrument').on(t.shop, t.instrument, t.at)])

/** What the shop goes by: every table it ever set, the latest counts. */
export const shopRules = pgTable('shop_rules', {
  id: uuid().primaryKey(),
  shop: text().notNull().references(() => shops.id),
  hand: text().notNull(),
  rules: jsonb().$type<ShopRules>().notNull(),
  receivedAt: timestamp({ withTimezone: true }).notNull().default(sql`now()`)
}, t => [index('rules_by_shop').on(t.shop, t.receivedAt)])

/** The ledger. Rows are only ever added: there is no update and no delete in the code. */
export const entries = pgTable('entries', {
  id: uuid().primaryKey(),
  shop: text().notNull().references(() => shops.id),
  build: uuid().notNull().references(() => builds.id),
  seq: bigserial({ mode: 'number' }).notNull(),
  at: timestamp({ withTimezone: true, precision: 3 }).notNull(),
  hand: text().notNull(),
  kind: text().$type<Entry['kind']>().notNull(),
  v: integer().notNull(),
  scope: jsonb().$type<Scope>().notNull(),
  body: jsonb().$type<Entry['body']>().notNull(),
  note: text(),
  supersedes: uuid(),
  /** The plan it belongs to, photographs by their SHA-256, and what it undoes. */
  plan: uuid(),
  photos: jsonb().$type<string[]>(),
  undoes: uuid(),
  receivedAt: timestamp({ withTimezone: true }).notNull().default(sql`now()`)
}, t => [
  index('entries_by_build').on(t.shop, t.build, t.at, t.seq),
  index('entries_by_seq').on(t.build, t.seq),
  index('entries_by_kind').on(t.build, t.kind),
  // What is superseded once can't be superseded again: the second page is told instead.
  uniqueIndex('entries_superseded_once').on(t.supersedes),
  foreignKey({ columns: [t.supersedes], foreignColumns: [t.id], name: 'entries_supersede_an_entry' })
])

const bytea = customType<{ data: Buffer }>({ dataType: () => 'bytea' })

/**
 * Photographs, made anew from what was sent: JPEG of a bounded size with nothing beside the picture. Named by the SHA-256 of what was
 * sent, so that a device knows the name before the shop answers. Only ever added; whether one is seen is up to its entries.
 */
export const photographs = pgTable('photographs', {
  shop: text().notNull().references(() => shops.id),
  sha256: text().notNull(),
  bytes: bytea().notNull(),
  /** The same for a list, some hundred pixels across. */
  small: bytea().notNull(),
  width: integer().notNull(),
  height: integer().notNull(),
  receivedAt: timestamp({ withTimezone: true }).notNull().default(sql`now()`)
}, t => [primaryKey({ columns: [t.shop, t.sha256] })])

/**
 * Where each build stands, for the shop's list: made aside from the requests, and made anew when the ledger has grown or the
 * code that reckons has changed. Nothing here is anybody's word: it can be thrown away at any time.
 */
export const buildSummaries = pgTable('build_summaries', {
  build: uuid().primaryKey().references(() => builds.id),
  shop: text().notNull().references(() => shops.id),
  /** The last entry it is of, and what reckoned it. */
  seq: bigint({ mode: 'number' }).notNull(),
  reckoning: text().notNull(),
  summary: jsonb().$type<Reckoned>().notNull(),
  /** Entries up to `seq` that the checks of this code would not let through, and why. */
  unsound: jsonb().$type<{ id: string, sentence: string }[]>().notNull()
})

/** What a hand read off a picture for practice, beside what there was to be read. Only ever added. */
export const practiceReadings = pgTable('practice_readings', {
  id: uuid().primaryKey(),
  shop: text().notNull().references(() => shops.id),
  hand: text().notNull(),
  kind: text().$type<ReadKind>().notNull(),
  truth: doublePrecision().notNull(),
  /** Null where it was said that there is a bubble. */
  given: doublePrecision(),
  slip: text().$type<Slip>(),
  at: timestamp({ withTimezone: true, precision: 3 }).notNull(),
  receivedAt: timestamp({ withTimezone: true }).notNull().default(sql`now()`)
}, t => [index('practice_by_hand').on(t.shop, t.hand, t.at)])

/** What the shop chose where the trade disagrees, and why. Only ever added; the latest on a topic counts. */
export const schoolChoices = pgTable('school_choices', {
  id: uuid().primaryKey(),
  shop: text().notNull().references(() => shops.id),
  hand: text().notNull(),
  topic: text().notNull(),
  school: text().notNull(),
  why: text().notNull(),
  /** What showed it: builds, or entries of one as build/entry. */
  builds: jsonb().$type<string[]>().notNull(),
  at: timestamp({ withTimezone: true, precision: 3 }).notNull(),
  receivedAt: timestamp({ withTimezone: true }).notNull().default(sql`now()`)
}, t => [index('choices_by_topic').on(t.shop, t.topic, t.at)])

/** One row that is written to see whether the database can still write. */
export const pulse = pgTable('pulse', { id: integer().primaryKey(), at: timestamp({ withTimezone: true }).notNull() })
