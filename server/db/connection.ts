import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres'
import pg from 'pg'
import * as schema from './schema'

export type Database = NodePgDatabase<typeof schema>

let pool: pg.Pool | undefined
let database: Database | undefined

/** The one connection pool of this process, to DATABASE_URL. */
export function connection(): { pool: pg.Pool, db: Database } {
  if (!pool || !database) {
    const url = process.env.DATABASE_URL
    if (!url) throw new Error('DATABASE_URL is not set: start with bin/start, or name a PostgreSQL database.')
    pool = new pg.Pool({ connectionString: url, max: 8, connectionTimeoutMillis: 5000 })
    // A connection that dies while idle must not take the process with it; the next query says what is wrong.
    pool.on('error', error => console.error('database connection lost:', error.message))
    database = drizzle(pool, { schema, casing: 'snake_case' })
  }
  return { pool, db: database }
}
