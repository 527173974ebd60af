import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { v4 as uuid } from 'uuid'
import type { Entry } from '#core'
import type { BuildDocument, BuildView } from '#shared/dto'
import { TestServer, put, upToDate } from '../support/server'
import { bore, frame, newBuild, pour } from '../support/sent'

let server: TestServer
beforeAll(async () => {
  server = await TestServer.start()
})
afterAll(() => server.stop())

const HASH = 'a'.repeat(64)
const whole = { level: 'build' }
const one = { level: 'cylinder', cylinder: 1 }
const view = async (build: string) => await (await fetch(`${server.url}/api/builds/${build}`)).json() as BuildView
const add = (build: string, entry: object, id = uuid()) => put(`${server.url}/api/builds/${build}/entries/${id}`, entry)
const relief = (more: object = {}) => ({ ...frame, kind: 'relief', scope: one, body: { state: 'planned', added: { value: 1, unit: 'cc', typed: '1' } }, ...more })

describe('the frame of an entry', () => {
  it('keeps plan and photographs, says the same when it is sent again, and goes out and comes in with them', async () => {
    const build = await newBuild(server.url)
    const [plan, first, cut, heights] = [uuid(), uuid(), uuid(), uuid()]
    const mm = (value: number) => ({ value, unit: 'mm', typed: String(value) })
    const batch = { hand: 'TT', entries: [
      { id: plan, ...frame, kind: 'plan', scope: one, body: { name: 'Open', reasons: ['too tight'], state: 'open' } },
      { id: first, ...relief({ plan, photos: [HASH] }) },
      { id: cut, ...frame, kind: 'faceCut', scope: { level: 'head', head: 1 }, body: { state: 'done', depth: mm(0.5) } },
      { id: heights, ...frame, kind: 'headHeights', scope: { level: 'head', head: 1 }, body: { readings: [{ x: 0, y: 0, figure: mm(80) }], cut, side: 'before' } }
    ] }
    const address = `${server.url}/api/builds/${build}/batches/${uuid()}`
    expect(await put(address, batch)).toMatchObject({ status: 201, json: { added: 4 } })
    expect(await put(address, batch)).toMatchObject({ status: 200, json: { added: 0 } })
    expect((await view(build)).entries.find(e => e.id === first)).toMatchObject({ plan, photos: [HASH] })
    expect((await add(build, relief({ plan: uuid(), photos: [HASH] }), first)).status).toBe(409)

    const document = await (await fetch(`${server.url}/api/builds/${build}/file`)).json() as BuildDocument
    const copied = await put(`${server.url}/api/imports/${uuid()}`, { document, copy: true, hand: 'TT' })
    expect(copied.status).toBe(201)
    const { entries } = await view((copied.json as { id: string }).id)
    const of = (kind: string) => entries.find(e => e.kind === kind)!
    // What names another entry names the copy's own.
    expect(of('relief').plan).toBe(of('plan').id)
    expect((of('headHeights').body as { cut: string }).cut).toBe(of('faceCut').id)
    expect([plan, first, cut]).not.toContain(of('plan').id)
  })
  it.each<[string, object, string, RegExp]>([
    ['a plan that is no identity', relief({ plan: 'x' }), 'plan', /identity/],
    ['photographs twice', relief({ photos: [HASH, HASH] }), 'photos', /each once/],
    ['a photograph by another name', relief({ photos: ['img.jpg'] }), 'photos', /SHA-256/],
    ['no photograph at all', relief({ photos: [] }), 'photos', /SHA-256/],
    ['undoing what it does not take the place of', relief({ undoes: uuid() }), 'undoes', /takes the place of/],
    ['a valve of no cylinder', { ...bore(), scope: { level: 'valve', valve: 'intake' } }, 'scope', /Say which valve/],
    ['a valve of a third kind', { ...bore(), scope: { level: 'valve', cylinder: 1, valve: 'both' } }, 'scope', /The intake or the exhaust/],
    ['the fifth port', { ...bore(), scope: { level: 'port', cylinder: 1, port: 'intake', n: 5 } }, 'scope', /1 to 4/],
    ['a bore of a valve', { ...bore(), scope: { level: 'valve', cylinder: 1, valve: 'intake' } }, 'scope', /This is about the build/]
  ])('%s is refused with a sentence', async (_what, entry, path, sentence) => {
    const build = await newBuild(server.url)
    const { status, json } = await add(build, entry)
    expect(status).toBe(422)
    expect((json as { fields: { path: string, sentence: string }[] }).fields[0]).toMatchObject({ path, sentence: expect.stringMatching(sentence) })
    expect((await view(build)).entries).toHaveLength(1)
  })
})

describe('undoing', () => {
  it('puts back what a void took out, and only an undoing may', async () => {
    const build = await newBuild(server.url)
    const [poured, gone] = [uuid(), uuid()]
    await add(build, pour(), poured)
    await add(build, { ...frame, kind: 'void', scope: one, body: { reason: 'wrong cylinder' }, supersedes: poured }, gone)
    expect((await add(build, { ...pour(), supersedes: gone })).status).toBe(422)
    const back = uuid()
    expect((await add(build, { ...pour(), supersedes: gone, undoes: gone }, back)).status).toBe(201)
    const last = (await view(build)).entries.find((e: Entry) => e.id === back)
    expect(last).toMatchObject({ kind: 'pour', undoes: gone, supersedes: gone })
    // Once is enough: the second is told what stands there.
    expect((await add(build, { ...pour(50), supersedes: gone, undoes: gone })).status).toBe(409)
  })
})

describe('a build', () => {
  it('that was put away says so in the shop’s list, until it is back on the bench', async () => {
    const build = await newBuild(server.url)
    const put = (away: boolean, reason: string) => add(build, { ...frame, at: new Date().toISOString(), kind: 'putAway', scope: whole, body: { away, reason } })
    expect((await put(true, '')).status).toBe(422)
    await put(true, 'Gone out with the customer')
    expect((await upToDate(server)).find(b => b.id === build)!.reckoned!.away).toBe('Gone out with the customer')
    await put(false, '')
    expect((await upToDate(server)).find(b => b.id === build)!.reckoned).not.toHaveProperty('away')
  })
})
