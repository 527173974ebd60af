import fc from 'fast-check'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { v4 as uuid } from 'uuid'
import { replay, type Entry } from '#core'
import type { KeptInstrument } from '#shared/dto'
import { readReadings } from '#shared/files/readingFile'
import { writeReadings } from '#shared/files/readingRows'
import { demoShop } from '#demo/shop'
import { TestServer, put } from '../support/server'
import { frame, instrument, newBuild, pour } from '../support/sent'

let server: TestServer
beforeAll(async () => {
  server = await TestServer.start({ demo: true })
})
afterAll(() => server.stop())

const get = async <T>(path: string) => await (await fetch(server.url + path)).json() as T
const count = async () => (await server.query<{ n: string }>('select count(*) as n from entries'))[0]!.n

describe('an instrument’s check', () => {
  it('gives it its own correction, once however often it is sent, and keeps every check', async () => {
    const [glass, check] = [uuid(), uuid()]
    await put(`${server.url}/api/instruments/${glass}`, { ...instrument, hand: 'TT' })
    const request = { hand: 'TT', at: frame.at, known: { kind: 'ball', diameter: 40, u: 0.005 }, pours: [[{ start: 0, end: 33.4 }]] }
    expect((await put(`${server.url}/api/instruments/${glass}/checks/${check}`, request)).status).toBe(201)
    expect((await put(`${server.url}/api/instruments/${glass}/checks/${check}`, request)).status).toBe(200)
    expect((await put(`${server.url}/api/instruments/${glass}/checks/${check}`, { ...request, pours: [[{ start: 0, end: 33.5 }]] })).status).toBe(409)
    const kept = (await get<KeptInstrument[]>('/api/instruments')).find(i => i.id === glass)!
    expect(kept.checked!.correction).toBeCloseTo(33.5103 / 33.4, 4)
    expect(kept.tolerance).toBe(0.2)
    // A reading that can't be right is told at its field, and no check is kept.
    const off = await put(`${server.url}/api/instruments/${glass}/checks/${uuid()}`, { ...request, pours: [[{ start: 0, end: 80 }]] })
    expect(off.status).toBe(422)
    expect((off.json as { detail: string }).detail).toMatch(/no scale error/)
    expect(await server.query('select 1 from instrument_checks where instrument = $1', [glass])).toHaveLength(1)
    await expect(server.query('delete from instrument_checks')).rejects.toThrow(/append-only/)
  })
})

describe('what the shop goes by', () => {
  it('is kept, and the table before stays', async () => {
    const { rules } = await get<{ rules: { squish: { least: number }[] } }>('/api/shop')
    const changed = { ...rules, hand: 'TT', squish: [{ ...rules.squish[0], least: 0.7 }] }
    const id = uuid()
    expect((await put(`${server.url}/api/rules/${id}`, changed)).status).toBe(201)
    expect((await put(`${server.url}/api/rules/${id}`, changed)).status).toBe(200)
    expect((await get<{ rules: { squish: { least: number }[] } }>('/api/shop')).rules.squish.map(r => r.least)).toEqual([0.7])
    expect(await server.query('select 1 from shop_rules')).toHaveLength(1)
  })
})

describe('files of readings', () => {
  const launch = demoShop.builds.find(b => b.name === 'Brackwater 34')!
  const skerry = demoShop.builds.find(b => b.name === 'Skerry 247')!

  it.each(['pours', 'deck', 'solder'] as const)('a round trip of %s through another build loses nothing', async (kind) => {
    const from = kind === 'pours' ? launch : skerry
    const csv = await (await fetch(`${server.url}/api/builds/${from.id}/readings/${kind}`)).text()
    const to = uuid()
    await put(`${server.url}/api/builds/${to}`, { name: 'Round trip', reference: kind, hand: 'TT' })
    const layout = from.entries.find(e => e.kind === 'layout')!
    await put(`${server.url}/api/builds/${to}/entries/${uuid()}`, { ...frame, kind: 'layout', scope: layout.scope, body: layout.body })
    const read = readReadings(csv, kind, to, { hand: 'XX', cylinder: 1, at: frame.at })
    expect(read.bad).toEqual([])
    const batch = { hand: 'TT', entries: read.good.map(({ id, entry }) => ({ id, ...entry })) }
    const name = uuid()
    expect((await put(`${server.url}/api/builds/${to}/batches/${name}`, batch)).status).toBe(201)
    // Sent again, or the file read again: nothing doubles.
    expect((await put(`${server.url}/api/builds/${to}/batches/${name}`, batch)).status).toBe(200)
    const { entries } = await get<{ entries: Entry[] }>(`/api/builds/${to}`)
    expect(entries).toHaveLength(batch.entries.length + 1)
    const bare = (list: Entry[]) => list.filter(e => e.kind === (kind === 'pours' ? 'pour' : kind === 'deck' ? 'deckReadings' : 'solder'))
      .map(({ at, hand, scope, body, note }) => ({ at, hand, scope, body, note }))
    expect(bare(entries)).toEqual(bare(from.entries))
    const withoutId = (text: string) => text.replace(/[^,\r\n]*(?=\r?$)/gm, '')
    expect(withoutId(writeReadings(entries, kind))).toBe(withoutId(csv))
  })
  it('stores no half of a batch: the last bad entry undoes the first', async () => {
    const to = await newBuild(server.url)
    const before = await count()
    const answer = await put(`${server.url}/api/builds/${to}/batches/${uuid()}`, { hand: 'TT', entries: [...Array.from({ length: 40 }, () => ({ id: uuid(), ...pour() })), { id: uuid(), ...pour(55, 2), supersedes: uuid() }] })
    expect(answer.status).toBe(422)
    expect((answer.json as { fields: { path: string }[] }).fields[0]!.path).toBe('entries[40].supersedes')
    expect(await count()).toBe(before)
  })
  it('random batches never break the server and never store half', async () => {
    const to = await newBuild(server.url)
    await fc.assert(fc.asyncProperty(fc.array(fc.oneof(fc.anything(), fc.record({ id: fc.uuid(), kind: fc.constantFrom('pour', 'solder', 'wheel'), body: fc.anything() })), { maxLength: 5 }), async (entries) => {
      const before = await count()
      const { status } = await put(`${server.url}/api/builds/${to}/batches/${uuid()}`, JSON.stringify({ hand: 'TT', entries }))
      expect(status).toBeGreaterThanOrEqual(400)
      expect(status).toBeLessThan(500)
      expect(await count()).toBe(before)
    }), { numRuns: 100 })
  })
})

describe('gauges', () => {
  it('stream a chamber’s filling over the live channel until it stands at the hidden truth', async () => {
    const list = await get<{ id: string, unit: string }[]>('/api/gauges')
    expect(list.map(g => g.id)).toEqual(['sim-burette', 'sim-dial', 'sim-calliper', 'sim-scale', 'sim-flow'])
    const build = demoShop.builds.find(b => b.name === 'Brackwater 34')!.id
    const control = new AbortController()
    const response = await fetch(`${server.url}/api/events?gauge=sim-burette&build=${build}&cylinder=4&what=chamber`, { signal: control.signal })
    const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader()
    const levels: number[] = []
    const until = Date.now() + 6000
    while (Date.now() < until) {
      const { value = '' } = await reader.read()
      for (const match of value.matchAll(/event: gauge\ndata: \+([\d.]+) cc/g)) levels.push(Number(match[1]))
    }
    control.abort()
    expect(levels.length).toBeGreaterThan(80)
    expect(levels[0]).toBeLessThan(5)
    expect(Math.abs(levels.at(-1)! - 56.2)).toBeLessThan(0.25)
  })
  it('knows no other gauge and no odd place', async () => {
    expect((await fetch(`${server.url}/api/events?gauge=nothing`)).status).toBe(404)
    expect((await fetch(`${server.url}/api/events?gauge=sim-dial&build=x`)).status).toBe(400)
    expect(replay(demoShop.builds[0]!.entries)!.challenges).toEqual([])
  })
})
