import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { v4 as uuid } from 'uuid'
import { replay, type Entry } from '#core'
import type { BuildDocument } from '#shared/dto'
import { TestServer, put, upToDate } from '../support/server'
import { bore, buildRequest, frame, newBuild, pour } from '../support/sent'

let server: TestServer
beforeAll(async () => {
  server = await TestServer.start({ demo: true })
})
afterAll(() => server.stop())

const get = async <T>(path: string) => await (await fetch(server.url + path)).json() as T
const entriesOf = async (build: string) => (await get<{ entries: Entry[] }>(`/api/builds/${build}`)).entries

describe('the ledger over the API', () => {
  it('keeps one entry however often it is sent, and says so', async () => {
    const build = await newBuild(server.url)
    const url = `${server.url}/api/builds/${build}/entries/${uuid()}`
    const statuses = (await Promise.all([put(url, pour()), put(url, pour()), put(url, pour())])).map(r => r.status).sort()
    expect(statuses).toEqual([200, 200, 201])
    expect((await put(url, pour())).status).toBe(200)
    expect((await entriesOf(build)).filter(e => e.kind === 'pour')).toHaveLength(1)
  })
  it('refuses the same name for something else', async () => {
    const build = await newBuild(server.url)
    const url = `${server.url}/api/builds/${build}/entries/${uuid()}`
    await put(url, pour(55.4))
    expect((await put(url, pour(55.5))).status).toBe(409)
    expect((await entriesOf(build)).filter(e => e.kind === 'pour')).toHaveLength(1)
  })
  it('tells the second of two that supersede one entry what stands now', async () => {
    const build = await newBuild(server.url)
    const first = uuid()
    await put(`${server.url}/api/builds/${build}/entries/${first}`, bore(92))
    const [a, b] = await Promise.all([92.1, 92.2].map(value =>
      put(`${server.url}/api/builds/${build}/entries/${uuid()}`, { ...bore(value), supersedes: first })))
    expect([a!.status, b!.status].sort()).toEqual([201, 409])
    const told = (a!.status === 409 ? a : b)!.json as { current: Entry, detail: string }
    expect(told.current.supersedes).toBe(first)
    expect(told.detail).toMatch(/TT has changed this entry meanwhile/)
  })
  it('can’t be changed behind its back either: the database refuses', async () => {
    await expect(server.query('update entries set hand = $1', ['XX'])).rejects.toThrow(/append-only/)
    await expect(server.query('delete from entries')).rejects.toThrow(/append-only/)
  })
  it('takes a correction of the same kind only, in the same build', async () => {
    const [one, two] = [await newBuild(server.url), await newBuild(server.url)]
    const id = uuid()
    await put(`${server.url}/api/builds/${one}/entries/${id}`, bore(92))
    expect((await put(`${server.url}/api/builds/${one}/entries/${uuid()}`, { ...pour(), supersedes: id })).status).toBe(422)
    expect((await put(`${server.url}/api/builds/${two}/entries/${uuid()}`, { ...bore(93), supersedes: id })).status).toBe(422)
    expect((await put(`${server.url}/api/builds/${one}/entries/${uuid()}`, { ...frame, kind: 'book', scope: { level: 'build' }, body: bore(93).body, supersedes: id })).status).toBe(201)
  })
  it('keeps every name a build had: a new one is an entry, and taking it out brings the old one back', async () => {
    const build = await newBuild(server.url)
    const name = async () => (await get<{ name: string }>(`/api/builds/${build}`)).name
    const title = (text: string) => ({ ...frame, kind: 'title', scope: { level: 'build' }, body: { name: text, reference: 'T 2' } })
    const second = uuid()
    await put(`${server.url}/api/builds/${build}/entries/${uuid()}`, title('Second name'))
    await put(`${server.url}/api/builds/${build}/entries/${second}`, { ...title('Third name'), at: '2026-03-10T08:00:00.000Z' })
    expect(await name()).toBe('Third name')
    await put(`${server.url}/api/builds/${build}/entries/${uuid()}`, { ...frame, kind: 'void', scope: { level: 'build' }, body: { reason: 'slip' }, supersedes: second })
    expect(await name()).toBe('Second name')
    expect((await entriesOf(build)).filter(e => e.kind === 'title')).toHaveLength(2)
    const other = await put(`${server.url}/api/builds/${build}`, { ...buildRequest, name: 'Renamed' })
    expect(other.status).toBe(409)
    expect(await name()).toBe('Second name')
    expect((await put(`${server.url}/api/builds/${build}`, buildRequest)).status).toBe(200)
  })
  it('tells the second of two who state the same thing first, and stores only one', async () => {
    const build = await newBuild(server.url)
    const seen = (await get<{ seq: number }>(`/api/builds/${build}`)).seq
    const state = (value: number, more = '') => put(`${server.url}/api/builds/${build}/entries/${uuid()}?seen=${seen}${more}`, bore(value))
    const answers = await Promise.all([state(92), state(92.4)])
    expect(answers.map(a => a.status).sort()).toEqual([201, 409])
    const bores = (await entriesOf(build)).filter(e => e.kind === 'measure')
    expect(bores).toHaveLength(1)
    const told = answers.find(a => a.status === 409)!.json as { current: Entry }
    expect(told.current.id).toBe(bores[0]!.id)
    // Whoever has seen it may put theirs in its place, or state something else.
    expect((await put(`${server.url}/api/builds/${build}/entries/${uuid()}?seen=${seen}`, { ...bore(92.4), supersedes: bores[0]!.id })).status).toBe(201)
    expect((await put(`${server.url}/api/builds/${build}/entries/${uuid()}?seen=x`, bore(90))).status).toBe(422)
  })
  it('lists the demo shop with where each build stands', async () => {
    const builds = await upToDate(server)
    const launch = builds.find(b => b.name === 'Brackwater 34')!.reckoned!
    expect(launch.ratio!.low.toFixed(2)).toBe('9.01')
    expect(launch.ratio!.high.toFixed(2)).toBe('9.22')
    expect(launch.next).toMatchObject({ kind: 'pourSecond', cylinders: [2, 5] })
    expect(builds.find(b => b.name === 'Millrace test six')!.reckoned!.next.kind).toBe('onTarget')
  })
  it('tells open pages over one channel', async () => {
    const build = await newBuild(server.url)
    const stop = new AbortController()
    const response = await fetch(`${server.url}/api/events`, { signal: stop.signal })
    const reader = response.body!.getReader()
    const id = uuid()
    await put(`${server.url}/api/builds/${build}/entries/${id}`, pour())
    let heard = ''
    while (!heard.includes(id)) heard += new TextDecoder().decode((await reader.read()).value)
    expect(heard).toContain(`"kind":"entry","build":"${build}"`)
    stop.abort()
  })
})

describe('a build as a file', () => {
  const launch = async () => (await get<{ id: string, name: string }[]>('/api/builds')).find(b => b.name === 'Brackwater 34')!.id
  const bringIn = (document: unknown, copy: boolean, id = uuid()) => put(`${server.url}/api/imports/${id}`, { document, copy, hand: 'TT' })

  it('offers what is here, and copies under new ids once however often it is sent', async () => {
    const document = await get<BuildDocument>(`/api/builds/${await launch()}/file`)
    const here = await bringIn(document, false)
    expect(here.status).toBe(409)
    expect((here.json as { current: { name: string } }).current.name).toBe('Brackwater 34')
    const id = uuid()
    const copy = await bringIn(document, true, id)
    expect(copy.status).toBe(201)
    expect((await bringIn(document, true, id)).status).toBe(409)
    const copied = (copy.json as { id: string }).id
    expect(replay(await entriesOf(copied))!.asIs.map(s => s.ratio!.estimate.value))
      .toEqual(replay(document.entries)!.asIs.map(s => s.ratio!.estimate.value))
  })
  it('replays to the same ledger in another shop', async () => {
    const other = await TestServer.start()
    try {
      const document = await get<BuildDocument>(`/api/builds/${await launch()}/file`)
      expect((await put(`${other.url}/api/imports/${uuid()}`, { document, copy: false, hand: 'TT' })).status).toBe(201)
      const { entries } = await (await fetch(`${other.url}/api/builds/${document.build.id}`)).json() as { entries: Entry[] }
      const plain = (list: Entry[]) => list.map(({ seq: _seq, ...rest }) => rest)
      expect(plain(entries)).toEqual(plain(document.entries))
    } finally {
      await other.stop()
    }
  })
  it.each<[string, (d: BuildDocument) => unknown, string]>([
    ['another format', d => ({ ...d, format: 'x' }), 'document.format'],
    ['a later version', d => ({ ...d, version: 2 }), 'document.version'],
    ['an unknown field', d => ({ ...d, extra: 1 }), 'document.extra'],
    ['an entry that is none', d => ({ ...d, entries: [1] }), 'document.entries[0]'],
    ['an entry twice', d => ({ ...d, entries: [d.entries[0], d.entries[0]] }), 'document.entries[1].id'],
    ['an entry of another build', d => ({ ...d, entries: [{ ...d.entries[0], build: uuid() }] }), 'document.entries[0].build'],
    ['a bad body', d => ({ ...d, entries: [{ ...d.entries[0], body: { heads: [], banks: [] } }] }), 'document.entries[0].body.heads'],
    ['a correction of nothing', d => ({ ...d, entries: [{ ...d.entries[0], supersedes: uuid() }] }), 'document.entries[0].supersedes']
  ])('refuses a file with %s, whole', async (_what, spoil, path) => {
    const document = await get<BuildDocument>(`/api/builds/${await launch()}/file`)
    const fresh = JSON.parse(JSON.stringify(document).replaceAll(document.build.id, uuid())) as BuildDocument
    const before = await server.query<{ n: string }>('select (select count(*) from entries) + (select count(*) from builds) as n')
    const refused = await bringIn(spoil(fresh), true)
    expect(refused.status).toBe(422)
    expect((refused.json as { fields: { path: string }[] }).fields[0]!.path).toBe(path)
    expect(await server.query('select (select count(*) from entries) + (select count(*) from builds) as n')).toEqual(before)
  })
  it('gives every pour as CSV, the ones taken out too', async () => {
    const build = await newBuild(server.url)
    const id = uuid()
    await put(`${server.url}/api/builds/${build}/entries/${id}`, pour(55.4))
    await put(`${server.url}/api/builds/${build}/entries/${uuid()}`, { ...frame, kind: 'void', scope: { level: 'cylinder', cylinder: 1 }, body: { reason: 'bubble' }, supersedes: id })
    const response = await fetch(`${server.url}/api/builds/${build}/readings/pours`)
    expect(response.headers.get('content-type')).toMatch(/text\/csv/)
    const [head, row] = (await response.text()).split('\r\n')
    const cells = Object.fromEntries(head!.split(',').map((name, i) => [name, row!.split(',')[i]]))
    // u² = 0.2²/3 + 2·0.1²/12 + 0.08² = 0.146286²
    expect(cells).toMatchObject({
      at: '2026-03-09T08:00:00.000Z', cylinder: '1', encloses: 'chamber', volume_cc: '55.4', u_cc: '0.1463', fills: '0>55.4', instrument: 'Long burette',
      capacity_cc: '100', tolerance_cc: '0.2', hand: 'TT', standing: 'void', id
    })
  })
})
