import pg from 'pg'
import { applyMigrations } from '../migrate'
import { connection } from '../connection'
import { forTheLog } from '../trouble'
import { NotAShop, backUp, restore } from './shopFile'

const [task, file, admin] = process.argv.slice(2)

/** What `bin/backup` and `bin/restore` run: `backup FILE` on DATABASE_URL, `restore FILE ADMIN_URL` beside the shop there. */
async function run(): Promise<void> {
  if (task === 'backup') {
    const { builds, entries } = await withClient(client => backUp(client, file!))
    await connection().pool.end()
    console.log(`${builds} builds with ${entries} entries are in ${file}.`)
  } else if (task === 'restore') await restoreBeside(admin!)
  else throw new Error('backup FILE or restore FILE ADMIN_URL')
}

async function withClient<T>(work: (client: pg.PoolClient) => Promise<T>): Promise<T> {
  const client = await connection().pool.connect()
  try {
    return await work(client)
  } finally {
    client.release()
  }
}

const stamp = () => new Date().toISOString().replace(/[-:]/g, '').replace('T', '_').slice(0, 15)

/** Restores into a database of its own first; only a whole and checked shop takes the place of the one that is there. */
async function restoreBeside(adminUrl: string): Promise<void> {
  const shop = new URL(process.env.DATABASE_URL!).pathname.slice(1)
  const name = `${shop}_restored_${stamp()}`
  const kept = `${shop}_${stamp()}`
  const onAdmin = new pg.Client({ connectionString: adminUrl })
  await onAdmin.connect()
  await onAdmin.query(`create database ${name}`)
  const url = new URL(process.env.DATABASE_URL!)
  url.pathname = `/${name}`
  process.env.DATABASE_URL = url.toString()
  try {
    await applyMigrations()
    const { builds, entries, otherwise } = await withClient(client => restore(client, file!))
    await connection().pool.end()
    const there = (await onAdmin.query('select 1 from pg_database where datname = $1', [shop])).rowCount
    if (there) await onAdmin.query(`alter database ${shop} rename to ${kept}`)
    await onAdmin.query(`alter database ${name} rename to ${shop}`)
    console.log(`${builds} builds with ${entries} entries are back, and every figure is what it was.`)
    if (otherwise.length > 0) console.log(`This version reckons ${otherwise.length === 1 ? 'one build' : `${otherwise.length} builds`} otherwise than the one that made the file:\n${otherwise.join('\n')}`)
    if (there) console.log(`The shop that was here is kept as the database ${kept}.`)
  } catch (error) {
    if (!connection().pool.ended) await connection().pool.end()
    await onAdmin.query(`drop database if exists ${name} with (force)`)
    throw error
  } finally {
    await onAdmin.end()
  }
}

run().catch((error: Error) => {
  console.error(error instanceof NotAShop ? `${error.message} Nothing was changed.` : `That did not work, and nothing was changed: ${forTheLog(error)}`)
  process.exit(1)
})
