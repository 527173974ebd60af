import { readFileSync } from 'node:fs'
import { resolve } from 'node:path'
import { drizzle } from 'drizzle-orm/node-postgres'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import { connection } from './connection'

/** Any fixed number: two processes that start at once take turns. */
const MIGRATION_LOCK = 7_416_302

/**
 * Brings the database to this code's schema. Forward only; a database that is newer than the code is refused.
 *
 * @param folder where drizzle-kit's migrations lie
 */
export async function applyMigrations(folder = resolve('server/db/migrations')): Promise<void> {
  const journal = JSON.parse(readFileSync(resolve(folder, 'meta/_journal.json'), 'utf8')) as { entries: { when: number }[] }
  const newest = Math.max(...journal.entries.map(entry => entry.when))
  const client = await connection().pool.connect()
  try {
    await client.query('select pg_advisory_lock($1)', [MIGRATION_LOCK])
    const known = await client.query(`select to_regclass('drizzle.__drizzle_migrations') as t`)
    if (known.rows[0].t) {
      const last = await client.query('select max(created_at)::bigint as at from drizzle.__drizzle_migrations')
      if (Number(last.rows[0].at ?? 0) > newest) {
        throw new Error('This database was made by a newer Precise Bowl than this one: start the newer one.')
      }
    }
    await migrate(drizzle(client), { migrationsFolder: folder })
  } finally {
    await client.query('select pg_advisory_unlock($1)', [MIGRATION_LOCK]).catch(() => undefined)
    client.release()
  }
}
