import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres'
import pg from 'pg'
import * as schema from './schema'
import { forTheLog, metHeadOn } from './trouble'

export type Database = NodePgDatabase<typeof schema>

let pool: pg.Pool | undefined
let database: Database | undefined

/** Longest a single statement may take: a request that waits for one longer is told to come again. */
const STATEMENT_MS = 30_000

/** The one connection pool of this process (and one of each worker of it), to DATABASE_URL. */
export function connection(): { pool: pg.Pool, db: Database } {
  if (!pool || !database) {
    const url = process.env.DATABASE_URL
    if (!url) throw new Error('DATABASE_URL is not set: start with bin/start, or name a PostgreSQL database.')
    pool = new pg.Pool({
      connectionString: url, max: 8, connectionTimeoutMillis: 15_000, statement_timeout: STATEMENT_MS, lock_timeout: STATEMENT_MS / 2,
      idle_in_transaction_session_timeout: 2 * STATEMENT_MS
    })
    // A connection that dies while idle must not take the process with it; the next query says what is wrong.
    pool.on('error', error => console.error('database connection lost:', forTheLog(error)))
    // Nor one that dies while it is in use: whoever uses it is told by the query itself.
    pool.on('connect', client => client.on('error', () => undefined))
    database = drizzle(pool, { schema, casing: 'snake_case' })
  }
  return { pool, db: database }
}

/** A transaction that begins again where two of them met head on. */
export async function inTransaction<T>(work: (tx: Database) => Promise<T>): Promise<T> {
  for (let again = 3; ; again--) {
    try {
      return await connection().db.transaction(tx => work(tx as unknown as Database))
    } catch (error) {
      if (again === 0 || !metHeadOn(error)) throw error
    }
  }
}
