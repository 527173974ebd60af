import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { v4 as uuid } from 'uuid'
import { KINDS } from '#core'
import { admin, TestServer, put, upToDate } from '../support/server'
import { bomb, phonePicture, sha256 } from '../support/pictures'
import { bore, frame, newBuild } from '../support/sent'

let server: TestServer
let build: string
beforeAll(async () => {
  server = await TestServer.start()
  build = await newBuild(server.url)
})
afterAll(() => server.stop())

const at = (of: string, name: string) => `${server.url}/api/builds/${of}/photographs/${name}`
const send = (bytes: Buffer, { name = sha256(bytes), type = 'image/jpeg', to = build } = {}) => fetch(at(to, name), { method: 'PUT', headers: { 'content-type': type }, body: new Uint8Array(bytes) })
const rows = async () => Number((await server.query<{ n: number }>('select count(*) as n from photographs'))[0]!.n)
const finding = (photos?: string[]) => ({ ...frame, kind: 'finding', scope: { level: 'head', head: 1 }, body: KINDS.finding.example(), ...(photos ? { photos } : {}) })
const enter = (entry: object, id = uuid(), to = build) => put(`${server.url}/api/builds/${to}/entries/${id}`, entry)
const residentMb = () => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${server.pid}/status`, 'utf8'))![1]) / 1024

describe('a photograph', () => {
  it('is made anew: upright, bounded, without the place; the same one twice is kept once', async () => {
    const sent = await phonePicture(4000, 3000)
    expect((await sharp(sent).metadata())).toMatchObject({ orientation: 6, exif: expect.anything() })
    const before = await rows()
    expect([(await send(sent)).status, (await send(sent)).status]).toEqual([201, 200])
    expect(await rows()).toBe(before + 1)
    await enter(finding([sha256(sent)]))
    const answer = await fetch(at(build, sha256(sent)))
    const bytes = Buffer.from(await answer.arrayBuffer())
    const { format, width, height, exif, orientation } = await sharp(bytes).metadata()
    expect({ format, width, height, exif, orientation }).toEqual({ format: 'jpeg', width: 2250, height: 3000, exif: undefined, orientation: undefined })
    expect(Object.fromEntries(['content-type', 'x-content-type-options', 'content-security-policy', 'cache-control'].map(name => [name, answer.headers.get(name)]))).toEqual({
      'content-type': 'image/jpeg', 'x-content-type-options': 'nosniff', 'content-security-policy': 'default-src \'none\'; sandbox', 'cache-control': 'private, no-cache'
    })
    expect((await fetch(at(build, sha256(sent)), { headers: { 'if-none-match': answer.headers.get('etag')! } })).status).toBe(304)
    const small = Buffer.from(await (await fetch(`${at(build, sha256(sent))}?small`)).arrayBuffer())
    expect((await sharp(small).metadata()).height).toBe(360)
  })
  it('is there for the build whose entry carries it, for as long as that entry counts', async () => {
    const sent = await phonePicture(320, 240, '#123456')
    await send(sent)
    expect((await fetch(at(build, sha256(sent)))).status).toBe(404)
    const id = uuid()
    await enter(finding([sha256(sent)]), id)
    expect((await fetch(at(build, sha256(sent)))).status).toBe(200)
    expect((await fetch(at(await newBuild(server.url), sha256(sent)))).status).toBe(404)
    const gone = uuid()
    await enter({ ...frame, kind: 'void', scope: { level: 'head', head: 1 }, body: { reason: 'another head' }, supersedes: id }, gone)
    expect([(await fetch(at(build, sha256(sent)))).status, (await fetch(`${at(build, sha256(sent))}?small`, { headers: { 'if-none-match': `"${sha256(sent)}-small"` } })).status]).toEqual([404, 404])
    await enter({ ...finding([sha256(sent)]), supersedes: gone, undoes: gone })
    expect((await fetch(at(build, sha256(sent)))).status).toBe(200)
    await expect(server.query('delete from photographs')).rejects.toThrow(/append-only/)
  })
  it('stands in the shop’s list for as long as nobody has decided about what it shows', async () => {
    const of = await newBuild(server.url)
    const undecided = async () => (await upToDate(server)).find(b => b.id === of)!.reckoned!.undecided
    const id = uuid()
    await enter({ ...finding(), body: { what: 'crack' } }, id, of)
    await enter({ ...finding(), body: { what: 'numbering' } }, uuid(), of)
    expect(await undecided()).toBe(1)
    await enter({ ...finding(), body: { what: 'crack', decided: 'another head' }, supersedes: id }, uuid(), of)
    expect(await undecided()).toBe(0)
  })
  it('is wanted by an entry that is nothing without one', async () => {
    const alone = { ...frame, kind: 'photograph', scope: { level: 'build' }, body: {} }
    expect(await enter(alone)).toMatchObject({ status: 422, json: { detail: 'Choose a photograph first.' } })
    expect((await enter({ ...alone, photos: [sha256(Buffer.from('x'))] })).status).toBe(201)
    expect((await enter({ ...bore(), photos: [sha256(Buffer.from('x'))] })).status).toBe(201)
  })

  const svg = Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><script>alert(1)</script></svg>')
  const HOSTILE: [string, () => Buffer | Promise<Buffer>, { name?: string, type?: string }, number, RegExp][] = [
    ['a bomb of 400 million pixels', () => bomb(20_000, 20_000), { type: 'image/png' }, 422, /too large to open: at most 80 million/],
    ['a picture a pixel high and 90 million wide', () => bomb(90_000_000, 1), { type: 'image/png' }, 422, /too large|can be read/],
    ['a picture of no size', () => bomb(0, 0), { type: 'image/png' }, 422, /can be read|damaged/],
    ['SVG by its own name', () => svg, { type: 'image/svg+xml' }, 415, /Send a picture/],
    ['SVG that says it is JPEG', () => svg, {}, 422, /JPEG, PNG and WebP are/],
    ['a page that says it is PNG', () => Buffer.from('<html><script>alert(1)</script>'), { type: 'image/png' }, 422, /can be read here/],
    ['a GIF that says it is PNG', () => Buffer.from('474946383961010001008000000000000000002c00000000010001000002024401003b', 'hex'), { type: 'image/png' }, 422, /can be read here/],
    ['half a picture', async () => (await phonePicture()).subarray(0, 900), {}, 422, /damaged|can be read/],
    ['nothing', () => Buffer.alloc(0), {}, 422, /can be read/],
    ['JSON', () => Buffer.from('{}'), { type: 'application/json' }, 415, /Send a picture/],
    ['33 MB', () => Buffer.alloc(33 * 1024 * 1024, 7), {}, 413, /32 MB/],
    ['another’s name', () => phonePicture(), { name: 'a'.repeat(64) }, 422, /damaged on its way/],
    ['a name that is none', () => phonePicture(), { name: 'img.jpg' }, 400, /SHA-256/]
  ]
  it.each(HOSTILE)('is not: %s', async (_, bytes, how, status, sentence) => {
    const before = await rows()
    const answer = await send(await bytes(), how)
    const problem = await answer.json() as { detail: string }
    expect(answer.status).toBe(status)
    expect(problem.detail).toMatch(sentence)
    expect(problem.detail).not.toMatch(/vips|buffer|node_modules/i)
    expect(await rows()).toBe(before)
  })
  it('of a build that is not there is not kept', async () => {
    expect((await send(await phonePicture(), { to: uuid() })).status).toBe(404)
  })
  it('gives back the memory it took, however large', async () => {
    await send(bomb(8800, 8800), { type: 'image/png' })
    const before = residentMb()
    await Promise.all(Array.from({ length: 4 }, (_, i) => send(bomb(8900, 8900 + i), { type: 'image/png' })))
    await Promise.all(Array.from({ length: 4 }, (_, i) => send(bomb(20_000, 20_000 + i), { type: 'image/png' })))
    await new Promise(resolve => setTimeout(resolve, 2000))
    expect(residentMb() - before).toBeLessThan(100)
    expect((await fetch(`${server.url}/api/health`)).status).toBe(200)
  }, 120_000)
})

it('a shop’s file carries its photographs', async () => {
  const sent = await phonePicture(640, 480, '#445566')
  await send(sent)
  await enter(finding([sha256(sent)]))
  const whole = Buffer.from(await (await fetch(at(build, sha256(sent)))).arrayBuffer())
  const folder = await mkdtemp(join(tmpdir(), 'photographs'))
  const tool = (...args: string[]) => execFileSync(process.execPath, ['.output/server/aside/shopfile.mjs', ...args], { env: { ...process.env, DATABASE_URL: server.databaseUrl }, encoding: 'utf8' })
  try {
    tool('backup', join(folder, 'shop'))
    const before = await rows()
    await server.kill()
    expect(tool('restore', join(folder, 'shop'), admin)).toMatch(/are back/)
    await server.run()
    expect(await rows()).toBe(before)
    expect(Buffer.from(await (await fetch(at(build, sha256(sent)))).arrayBuffer()).equals(whole)).toBe(true)
  } finally {
    await rm(folder, { recursive: true })
  }
}, 60_000)
