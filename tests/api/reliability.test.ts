import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { readFileSync } from 'node:fs'
import { request } from 'node:http'
import pg from 'pg'
import { v4 as uuid } from 'uuid'
import { replay, type Entry } from '#core'
import type { BuildView } from '#shared/dto'
import { TestServer, admin, put, upToDate } from '../support/server'
import { bore, frame, layout, newBuild, pour } from '../support/sent'

let server: TestServer
beforeAll(async () => {
  server = await TestServer.start()
})
afterAll(() => server.stop())

const view = async (build: string, query = '') => await (await fetch(`${server.url}/api/builds/${build}${query}`)).json() as BuildView
const add = (build: string, entry: object, id = uuid()) => put(`${server.url}/api/builds/${build}/entries/${id}`, entry)
/** Stores an entry as an older version, or somebody at the database, may have left it. */
const storeRaw = (build: string, id: string, kind: string, scope: object, body: object, at = '2026-03-09T08:00:00Z') => server.query(
  'insert into entries (id, shop, build, at, hand, kind, v, scope, body) values ($1, \'millrace-lane\', $2, $3, \'TT\', $4, 1, $5, $6)', [id, build, at, kind, scope, JSON.stringify(body)])
const mm = (value: number) => ({ value, unit: 'mm', typed: String(value) })
const head = { level: 'head', head: 1 }

describe('what can’t be used', () => {
  it('is refused when it is sent', async () => {
    const build = await newBuild(server.url)
    const cut = (cc: number) => ({ ...frame, kind: 'faceCut', scope: head, body: { state: 'done', depth: mm(1), removed: [{ cylinder: 1, x: 0, cc, perMm: 4, factor: 1 }] } })
    for (const cc of [-0.001, -1e-15]) expect((await add(build, cut(cc))).status).toBe(422)
    expect((await add(build, cut(0))).status).toBe(201)
  })
  it('stored all the same it takes no list, no page and no other build with it, and can be taken out', async () => {
    const build = await newBuild(server.url)
    await add(build, bore())
    const [cut, odd] = [uuid(), uuid()]
    await storeRaw(build, cut, 'faceCut', head, { state: 'done', depth: mm(1), removed: [{ cylinder: 1, x: 0, cc: -0.001, perMm: 4, factor: 1 }] })
    await storeRaw(build, odd, 'nonsense', { level: 'nowhere' }, { a: 1 })
    const { entries, unsound } = await view(build)
    expect(unsound.map(u => [u.entry.id, u.sentence]).sort()).toEqual([[cut, expect.stringMatching(/can’t be right/)], [odd, expect.stringMatching(/[a-z]{3}/)]].sort())
    expect(entries.map(e => e.kind)).toEqual(['layout', 'measure'])
    expect(replay(entries)!.leftOut).toEqual([])
    // Another entry wakes the list.
    await add(build, pour())
    const mine = (await upToDate(server)).find(b => b.id === build)!
    expect(mine.reckoned!.next).toMatchObject({ kind: 'takeOut', entries: expect.arrayContaining([cut, odd]) })
    for (const id of [cut, odd]) expect((await add(build, { ...frame, kind: 'void', scope: { level: 'build' }, body: { reason: 'could not be used' }, supersedes: id })).status).toBe(201)
    expect((await upToDate(server)).find(b => b.id === build)!.reckoned!.next.kind).not.toBe('takeOut')
    for (const path of ['/file', '/readings/pours']) expect((await fetch(`${server.url}/api/builds/${build}${path}`)).status).toBe(200)
  })
})

describe('what can’t be on this engine', () => {
  const gasket = (bore: number, more = {}) => ({ ...frame, kind: 'gasketChange', scope: head, body: { state: 'planned', thickness: mm(0.9), bore: mm(bore), ...more } })
  it('a gasket smaller than its bore is refused with a sentence, one with an opening of its own shape is not', async () => {
    const build = await newBuild(server.url)
    await add(build, bore())
    const refused = await add(build, gasket(91))
    expect(refused.status).toBe(422)
    expect(JSON.stringify(refused.json)).toContain('92 mm, the bore, or more')
    expect((await add(build, { ...frame, kind: 'book', scope: { level: 'build' }, body: { quantity: 'gasketBore', figure: mm(91.9) } })).status).toBe(422)
    expect((await view(build)).entries.map(e => e.kind)).toEqual(['layout', 'measure'])
    for (const right of [gasket(92), gasket(91, { area: { value: 6700, unit: 'mm2', typed: '6700' } })]) expect(await add(build, right)).toMatchObject({ status: 201 })
  })
})

describe('what is typed is never a fault of the server', () => {
  const nested = (n: number) => JSON.parse(`${'{"a":'.repeat(n)}1${'}'.repeat(n)}`) as object
  it.each<[string, (e: ReturnType<typeof pour>) => unknown]>([
    ['a NUL in what was typed', e => ({ ...e, body: { ...e.body, typed: '55.4\u0000' } })],
    ['a lone surrogate in a note', e => ({ ...e, note: 'a \uD800 b' })],
    ['a lone surrogate in what was typed', e => ({ ...e, body: { ...e.body, typed: '\uDFFF' } })],
    ['a name that turns the writing round', e => ({ ...e, body: { ...e.body, instrument: { ...e.body.instrument, name: 'a\u202Eb' } } })],
    ['an escape character', e => ({ ...e, note: '\u001b[2J' })],
    ['a kind that every object has', e => ({ ...e, kind: 'toString' })],
    ['a kind that is a function’s', e => ({ ...e, kind: 'constructor' })],
    ['a scope that every object has', e => ({ ...e, scope: { level: '__proto__' } })],
    ['a nest 3 000 deep', e => ({ ...e, body: nested(3000) })],
    ['a nest in a scope', e => ({ ...e, scope: nested(2000) })],
    ['a list for a fill', e => ({ ...e, body: { ...e.body, fills: [[]] } })],
    ['a list for an instrument', e => ({ ...e, body: { ...e.body, instrument: [] } })],
    ['a list for a watch', e => ({ ...e, body: { ...e.body, watch: [] } })],
    ['the thirtieth of February', e => ({ ...e, at: '2026-02-30T08:00:00.000Z' })],
    ['a day after tomorrow', e => ({ ...e, at: new Date(Date.now() + 2.5 * 86_400_000).toISOString() })]
  ])('%s is refused in words', async (_what, spoil) => {
    const build = await newBuild(server.url)
    const { status, json } = await add(build, spoil(pour()) as object)
    expect(status).toBe(422)
    expect((json as { detail: string }).detail).toMatch(/[A-Za-z]{3}.*\.$/)
    expect((await view(build)).entries).toHaveLength(1)
  })
  it('rules that hold a list for a row are refused', async () => {
    const rules = { hand: 'TT', squish: [[]], clearances: { intake: 2, exhaust: 2.5, side: 1, aluminiumMore: 0.5, valveToValve: 1.5, domeToChamber: 1 } }
    expect((await put(`${server.url}/api/rules/${uuid()}`, rules)).status).toBe(422)
  })
  it('batches of the same ids in opposite order in two builds: one has them, the other is told', async () => {
    const builds = [await newBuild(server.url), await newBuild(server.url)]
    for (let round = 0; round < 5; round++) {
      const ids = Array.from({ length: 200 }, () => uuid())
      const send = (build: string, list: string[]) => put(`${server.url}/api/builds/${build}/batches/${uuid()}`, { hand: 'TT', entries: list.map(id => ({ id, ...pour() })) })
      const [a, b] = await Promise.all([send(builds[0]!, ids), send(builds[1]!, [...ids].reverse())])
      expect([a!.status, b!.status].sort()).toEqual([201, 422])
      const [{ n }] = await server.query<{ n: number }>('select count(*)::int as n from entries where id = any($1)', [ids]) as [{ n: number }]
      expect(n).toBe(200)
    }
  })
  it('a clock set back since takes nothing that was kept', async () => {
    const build = await newBuild(server.url)
    await storeRaw(build, uuid(), 'measure', { level: 'build' }, bore().body, new Date(Date.now() + 3 * 86_400_000).toISOString())
    expect((await view(build)).entries.map(e => e.kind)).toContain('measure')
    expect((await fetch(`${server.url}/api/builds`)).status).toBe(200)
  })
})

describe('what goes out comes back', () => {
  it('10 001 pours, as one file', async () => {
    const build = await newBuild(server.url)
    const batch = { hand: 'TT', entries: Array.from({ length: 10_001 }, (_, i) => ({ id: uuid(), ...pour(50 + (i % 60) / 10) })) }
    expect(await put(`${server.url}/api/builds/${build}/batches/${uuid()}`, batch)).toMatchObject({ status: 201, json: { added: 10_001 } })
    const text = await (await fetch(`${server.url}/api/builds/${build}/file`)).text()
    expect(text.length).toBeGreaterThan(4 * 1024 * 1024)
    const copy = await put(`${server.url}/api/imports/${uuid()}`, `{"document":${text},"copy":true,"hand":"TT"}`)
    expect(copy.status).toBe(201)
    const [before, after] = [await view(build), await view((copy.json as { id: string }).id)]
    const plain = (list: Entry[]) => list.map(({ id: _id, build: _b, seq: _s, ...rest }) => rest)
    expect(plain(after.entries)).toEqual(plain(before.entries))
    // The same batch again changes nothing; since its end there is nothing new.
    expect(await put(`${server.url}/api/builds/${build}/batches/${uuid()}`, batch)).toMatchObject({ status: 200, json: { added: 0 } })
    expect((await view(build, `?since=${before.seq}`)).entries).toEqual([])
  })
})

describe('the live line', () => {
  it('sends its headers and a first beat at once', async () => {
    const stop = new AbortController()
    const begun = Date.now()
    const response = await fetch(`${server.url}/api/events`, { signal: stop.signal })
    const { value } = await response.body!.getReader().read()
    expect(Date.now() - begun).toBeLessThan(2000)
    expect(new TextDecoder().decode(value)).toMatch(/event: beat/)
    stop.abort()
  })
})

describe('the door', () => {
  const ask = (headers: Record<string, string>, path: string, method = 'PUT') => new Promise<number>((done, fail) => {
    const sent = request({ host: '127.0.0.1', port: server.port, path, method, headers: { 'content-type': 'application/json', ...headers } }, (response) => {
      response.resume()
      done(response.statusCode!)
    })
    sent.on('error', fail)
    sent.end(method === 'PUT' ? JSON.stringify(layout) : undefined)
  })
  it('lets nothing in that a browser says comes from another site, Origin or none', async () => {
    const path = () => `/api/builds/${uuid()}/entries/${uuid()}`
    for (const from of ['cross-site', 'same-site']) expect(await ask({ 'sec-fetch-site': from }, path())).toBe(403)
    expect(await ask({ 'sec-fetch-site': 'same-origin' }, path())).toBe(404)
    // A link on another site may open the page.
    expect(await ask({ 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate' }, '/', 'GET')).toBe(200)
  })
  it('says one thing about being framed', async () => {
    const { headers } = await fetch(server.url)
    expect(headers.get('x-frame-options')).toBe('DENY')
    expect(headers.get('content-security-policy')).toContain('frame-ancestors \'none\'')
  })
})

/** A server of its own whose log is kept, and a hand on its database: `cutOff` ends every connection to it. */
async function apart(work: (server: TestServer, sql: (statement: string) => Promise<unknown>, cutOff: () => Promise<void>) => Promise<void>): Promise<void> {
  const own = await TestServer.start({ log: true })
  const onAdmin = new pg.Client({ connectionString: admin })
  await onAdmin.connect()
  try {
    await work(own, statement => onAdmin.query(statement), async () => {
      await onAdmin.query('select pg_terminate_backend(pid) from pg_stat_activity where datname = $1', [own.database])
      await new Promise(r => setTimeout(r, 1500))
    })
  } finally {
    await onAdmin.end()
    await own.stop()
  }
}

describe('a database that can’t write', () => {
  it('is a 503 for health and for every write, is no fault of what was sent, and logs nothing of it', () => apart(async (poor, sql, cutOff) => {
    const build = await newBuild(poor.url)
    await sql(`alter database ${poor.database} set default_transaction_read_only = on`)
    await cutOff()
    const url = `${poor.url}/api/builds/${build}/entries/${uuid()}`
    const secret = { ...pour(), note: 'told in confidence' }
    const refused = await put(url, secret)
    expect(refused).toMatchObject({ status: 503, json: { detail: expect.stringMatching(/can’t write/) } })
    expect((await fetch(`${poor.url}/api/health`)).status).toBe(503)
    await sql(`alter database ${poor.database} set default_transaction_read_only = off`)
    await cutOff()
    expect((await put(url, secret)).status).toBe(201)
    expect((await fetch(`${poor.url}/api/health`)).status).toBe(200)
    expect(poor.logged()).not.toMatch(/confidence|55\.4|insert into/i)
  }))
})

describe('a log that nobody reads any more', () => {
  it('keeps a server that has something to say neither busy nor from answering', () => apart(async (unheard, _sql, cutOff) => {
    unheard.leaveLog()
    await cutOff()
    /** Hundredths of a second that it has worked for, in its own code and the system's (proc(5)). */
    const worked = () => readFileSync(`/proc/${unheard.pid}/stat`, 'utf8').replace(/^.*\) /, '').split(' ').slice(11, 13).reduce((sum, n) => sum + Number(n), 0)
    const before = worked()
    await new Promise(r => setTimeout(r, 2000))
    expect(worked() - before).toBeLessThan(100)
    expect((await fetch(`${unheard.url}/api/health`)).status).toBe(200)
  }))
})

describe('what takes long', () => {
  it('holds up nobody: a stop is a stop, and others are answered, while a long ledger is brought in', async () => {
    const busy = await TestServer.start()
    try {
      const build = await newBuild(busy.url)
      const batch = put(`${busy.url}/api/builds/${build}/batches/${uuid()}`, { hand: 'TT', entries: Array.from({ length: 15_000 }, (_, i) => ({ id: uuid(), ...pour(50 + (i % 60) / 10) })) }).catch(() => undefined)
      await new Promise(r => setTimeout(r, 600))
      const begun = Date.now()
      expect((await fetch(`${busy.url}/api/builds`)).status).toBe(200)
      const asked = Date.now() - begun
      await busy.kill('SIGTERM')
      // A thread in the middle of its work neither keeps the list waiting nor the process alive.
      expect(asked).toBeLessThan(2000)
      expect(Date.now() - begun).toBeLessThan(6000)
      await batch
      await busy.run()
      const kept = (await (await fetch(`${busy.url}/api/builds/${build}`)).json() as BuildView).entries.filter(e => e.kind === 'pour').length
      expect([0, 15_000]).toContain(kept)
    } finally {
      await busy.stop()
    }
  })
})
