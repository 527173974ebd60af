import { createHash } from 'node:crypto'
import { createReadStream, createWriteStream } from 'node:fs'
import { rename, rm } from 'node:fs/promises'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { createGunzip, createGzip } from 'node:zlib'
import type pg from 'pg'
import type { Entry } from '#core'
import { upcast } from '#core'
import { difference, figuresOf, type Figures } from './figures'

/**
 * A whole shop as a file (docs/shop-file.md): gzip of one JSON object a line. First what it is, then every row of every
 * table, then each build's figures, last the count and the SHA-256 of all lines before: a file that was cut short or
 * altered is refused before anything is touched.
 */
const FORMAT = 'precise-bowl-shop'
const VERSION = 1

/** Tables in the order they can be filled. Summaries are no one's word, and are made anew. */
const TABLES = ['shops', 'builds', 'instruments', 'instrument_checks', 'shop_rules', 'practice_readings', 'school_choices', 'photographs', 'entries'] as const
type Table = (typeof TABLES)[number]
/** Rows of a table in one order, so that a page of them can begin after the last of the one before. */
const ORDER: Record<Table, string> = { shops: 'id', builds: 'id', instruments: 'id', instrument_checks: 'id', shop_rules: 'id', practice_readings: 'id', school_choices: 'id', photographs: '(shop || sha256)', entries: 'seq' }
const PAGE = 1000
/** A photograph is some thousand times an entry: a few of them fill the memory as well. */
const pageOf = (table: Table) => table === 'photographs' ? 8 : PAGE

type Row = Record<string, unknown>
type Line = { format: string, version: number, made: string } | { table: Table, row: Row } | { build: string, figures: Figures } | { end: true, lines: number, sha256: string }

/** What went out or came in. */
export interface Shipped { builds: number, entries: number }

async function* rowsOf(client: pg.ClientBase, table: Table): AsyncGenerator<Row> {
  const [by, page] = [ORDER[table], pageOf(table)]
  for (let last: unknown; ;) {
    const { rows } = await client.query<{ row: Row, place: unknown }>(
      `select to_jsonb(t) as row, ${by} as place from ${table} t ${last === undefined ? '' : `where ${by} > $1`} order by ${by} limit ${page}`, last === undefined ? [] : [last])
    for (const { row } of rows) yield row
    if (rows.length < page) return
    last = rows.at(-1)!.place
  }
}

/** A stored row of the ledger as an entry; one that can't be read stays out, as it does on the screen. */
function entryOf(row: Row): Entry[] {
  const { id, build, seq, at, hand, kind, v, scope, body, ...more } = row as Row & Record<'at', string>
  const rest = Object.fromEntries(['note', 'supersedes', 'plan', 'photos', 'undoes'].flatMap(key => more[key] == null ? [] : [[key, more[key]]]))
  const entry = { id, build, seq, at: new Date(at).toISOString(), hand, kind, v, scope, body, ...rest } as unknown as Entry
  try {
    return [upcast(entry)]
  } catch {
    return []
  }
}

const ledgers = (entries: Row[]): Map<string, Entry[]> => {
  const byBuild = new Map<string, Entry[]>()
  for (const row of entries) {
    const list = byBuild.get(row.build as string) ?? []
    list.push(...entryOf(row))
    byBuild.set(row.build as string, list)
  }
  return byBuild
}

/** Writes a whole shop, as it stands at one moment, into a file. The file has its name only once it is whole. */
export async function backUp(client: pg.ClientBase, file: string): Promise<Shipped> {
  await client.query('begin isolation level repeatable read read only')
  const shipped: Shipped = { builds: 0, entries: 0 }
  async function* lines() {
    const hash = createHash('sha256')
    let count = 0
    const line = (what: Line) => {
      const text = `${JSON.stringify(what)}\n`
      hash.update(text)
      count++
      return text
    }
    yield line({ format: FORMAT, version: VERSION, made: new Date().toISOString() })
    const entries: Row[] = []
    for (const table of TABLES) {
      for await (const row of rowsOf(client, table)) {
        if (table === 'entries') entries.push(row)
        if (table === 'builds') shipped.builds++
        yield line({ table, row })
      }
    }
    shipped.entries = entries.length
    for (const [build, ledger] of ledgers(entries)) yield line({ build, figures: figuresOf(ledger) })
    yield `${JSON.stringify({ end: true, lines: count, sha256: hash.digest('hex') })}\n`
  }
  const part = `${file}.part`
  try {
    await pipeline(Readable.from(lines()), createGzip(), createWriteStream(part, { flags: 'w' }))
    await rename(part, file)
  } catch (error) {
    await rm(part, { force: true })
    throw error
  } finally {
    await client.query('rollback')
  }
  return shipped
}

/** A file that is no shop, or not the whole of one. */
export class NotAShop extends Error {}

async function* linesOf(file: string): AsyncGenerator<string> {
  const unzipped = createGunzip()
  createReadStream(file).on('error', error => unzipped.destroy(error)).pipe(unzipped)
  const utf8 = new TextDecoder('utf-8', { fatal: true })
  let rest = ''
  try {
    for await (const piece of unzipped as AsyncIterable<Buffer>) {
      const lines = (rest + utf8.decode(piece, { stream: true })).split('\n')
      rest = lines.pop()!
      yield* lines
    }
  } catch (error) {
    if (error instanceof NotAShop) throw error
    throw new NotAShop((error as NodeJS.ErrnoException).code === 'ENOENT' ? 'There is no such file.' : 'The file is no backup of Precise Bowl, or was cut short or altered.')
  }
  if (rest !== '') throw new NotAShop('The file was cut short.')
}

/**
 * Reads a file to its end and makes sure that it is whole, before anything is done with it. Photographs are only counted in: all of
 * them would not fit into memory, and are read once more when they go into the database.
 *
 * @throws NotAShop where it is not
 */
async function readWhole(file: string): Promise<{ rows: Map<Table, Row[]>, figures: Map<string, Figures> }> {
  const rows = new Map<Table, Row[]>(TABLES.map(table => [table, []]))
  const figures = new Map<string, Figures>()
  const hash = createHash('sha256')
  let count = 0
  let whole = false
  for await (const text of linesOf(file)) {
    let line: Line
    try {
      line = JSON.parse(text) as Line
    } catch {
      throw new NotAShop('The file was altered: one of its lines can’t be read.')
    }
    if (whole) throw new NotAShop('The file was altered: something follows its end.')
    if (count === 0) {
      if (!('format' in line) || line.format !== FORMAT) throw new NotAShop('The file is no backup of Precise Bowl.')
      if (line.version !== VERSION) throw new NotAShop(`The file is of version ${line.version}: it was made by a newer Precise Bowl than this one.`)
    }
    if ('end' in line) {
      if (line.lines !== count || line.sha256 !== hash.digest('hex')) throw new NotAShop('The file was altered: it is not what was written.')
      whole = true
      continue
    }
    hash.update(`${text}\n`)
    count++
    if ('table' in line) {
      const list = rows.get(line.table)
      if (!list) throw new NotAShop(`The file holds a table that is not known here: ${String(line.table).slice(0, 40)}.`)
      if (line.table !== 'photographs') list.push(line.row)
    } else if ('build' in line) figures.set(line.build, line.figures)
  }
  if (!whole) throw new NotAShop('The file was cut short.')
  return { rows, figures }
}

/**
 * Puts a shop out of a file into a database that has the tables and nothing in them, and makes sure that every build comes
 * to the same figures there.
 *
 * @returns what came in, and the builds whose figures the code that wrote the file gave otherwise
 * @throws NotAShop where the file is not whole, Error where a build does not come to the same
 */
export async function restore(client: pg.ClientBase, file: string): Promise<Shipped & { otherwise: string[] }> {
  const { rows, figures } = await readWhole(file)
  await client.query('begin')
  try {
    const put = (table: Table, list: Row[]) => client.query(`insert into ${table} select * from jsonb_populate_recordset(null::${table}, $1::jsonb)`, [JSON.stringify(list)])
    for (const table of TABLES) {
      const list = rows.get(table)!
      for (let i = 0; i < list.length; i += PAGE) await put(table, list.slice(i, i + PAGE))
    }
    for await (const text of linesOf(file)) {
      if (text.startsWith('{"table":"photographs"')) await put('photographs', [(JSON.parse(text) as { row: Row }).row])
    }
    await client.query(`select setval(pg_get_serial_sequence('entries', 'seq'), greatest(1, (select coalesce(max(seq), 1) from entries)))`)
    const back: Row[] = []
    for await (const row of rowsOf(client, 'entries')) back.push(row)
    const there = ledgers(back)
    const otherwise: string[] = []
    for (const [build, ledger] of ledgers(rows.get('entries')!)) {
      const wrong = difference(figuresOf(ledger), figuresOf(there.get(build) ?? []))
      if (wrong) throw new Error(`build ${build} does not come to the same: ${wrong}`)
      const before = figures.get(build)
      const told = before && difference(before, figuresOf(ledger))
      if (told) otherwise.push(`${build}: ${told}`)
    }
    await client.query('commit')
    return { builds: rows.get('builds')!.length, entries: back.length, otherwise }
  } catch (error) {
    await client.query('rollback')
    throw error
  }
}
