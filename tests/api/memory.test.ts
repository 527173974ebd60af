import { execFileSync } from 'node:child_process'
import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { v4 as uuid } from 'uuid'
import { admin, TestServer, put, upToDate } from '../support/server'
import { frame } from '../support/sent'

let server: TestServer
beforeAll(async () => {
  server = await TestServer.start({ demo: true })
})
afterAll(() => server.stop())

const SHOWN = '00000000-0000-4000-8000-000000000001'
const reading = { hand: 'TT', kind: 'burette', truth: 31.42, given: 31.3, slip: 'meniscus', at: frame.at }
const choice = { hand: 'TT', topic: 'unshroud', school: 'pin', why: 'Six alike.', builds: [SHOWN, `${SHOWN}/${SHOWN}`], at: frame.at }
const list = async (path: string) => await (await fetch(`${server.url}${path}`)).json() as { id: string }[]

it.each([['a reading', '/api/practice', '/api/practice?hand=TT', reading, { ...reading, given: 31.4 }], ['a choice', '/api/schools', '/api/schools', choice, { ...choice, school: 'line' }]] as const)('%s is kept once, whatever is sent again, and never changed', async (_, path, read, body, other) => {
  const id = uuid()
  expect((await put(`${server.url}${path}/${id}`, body)).status).toBe(201)
  expect((await put(`${server.url}${path}/${id}`, body)).status).toBe(200)
  expect((await put(`${server.url}${path}/${id}`, other)).status).toBe(409)
  expect((await list(read)).filter(one => one.id === id)).toHaveLength(1)
  for (const table of ['practice_readings', 'school_choices']) await expect(server.query(`delete from ${table}`)).rejects.toThrow(/append-only/)
})

it('a hand’s practice is its own, and nobody’s without initials', async () => {
  expect((await list('/api/practice?hand=ZZ'))).toEqual([])
  expect((await fetch(`${server.url}/api/practice`)).status).toBe(422)
})

it('the shop’s list has job cards and castings', async () => {
  const builds = await upToDate(server)
  const of = (name: string) => builds.find(b => b.name === name)!.reckoned!
  expect(of('Brackwater 34').job).toMatchObject({ next: 'scribe', running: [], waits: [{ step: 'face', on: 'customer' }] })
  expect(of('Brackwater 34').job!.worked).toBeCloseTo(5.2, 6)
  expect(of('Hollin 16').job).toBeUndefined()
  expect(builds.flatMap(b => b.reckoned?.castings ?? []).filter(head => head.mark === 'MW 3412').map(head => head.figures.chamber.length)).toEqual([6, 6, 6, 6])
  expect(of('Caldbeck Twin').castings!.flatMap(head => head.gains).map(gain => gain.verdict)).toContain('more')
})

it('a shop’s file carries what was practised and chosen', async () => {
  const before = [await list('/api/practice?hand=TT'), await list('/api/schools')]
  expect(before.map(rows => rows.length)).toEqual([1, 1])
  const folder = await mkdtemp(join(tmpdir(), 'memory'))
  const tool = (...args: string[]) => execFileSync(process.execPath, ['.output/server/aside/shopfile.mjs', ...args], { env: { ...process.env, DATABASE_URL: server.databaseUrl }, encoding: 'utf8' })
  try {
    tool('backup', join(folder, 'shop'))
    await server.kill()
    expect(tool('restore', join(folder, 'shop'), admin)).toMatch(/are back/)
    await server.run()
    expect([await list('/api/practice?hand=TT'), await list('/api/schools')]).toEqual(before)
  } finally {
    await rm(folder, { recursive: true })
  }
}, 60_000)
