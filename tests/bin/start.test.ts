import { spawn, spawnSync, type ChildProcess } from 'node:child_process'
import { chownSync, existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, truncateSync, writeFileSync, copyFileSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, afterEach, expect, it } from 'vitest'
import { v4 as uuid } from 'uuid'
import { freePort, put, upToDate } from '../support/server'
import { newBuild, pour } from '../support/sent'

/** bin/start, bin/backup and bin/restore as somebody uses them, on a state of their own. Each case leaves the shop stopped. */
// As root PostgreSQL runs as its own user, who can't look into root's folders.
const root = process.getuid?.() === 0 ? '/var/lib/precise-bowl-tests' : tmpdir()
mkdirSync(root, { recursive: true })
const state = mkdtempSync(join(root, 'start-'))
if (root !== tmpdir()) chownSync(state, 0, 0)
const env = { ...process.env, BOWL_STATE: state, DATABASE_URL: '' }
const running = new Set<ChildProcess>()

interface Start { child: ChildProcess, port: number, said: () => string, ended: Promise<number> }
function begin(port: number): Start {
  const child = spawn('bin/start', ['--port', String(port)], { env, stdio: ['ignore', 'pipe', 'pipe'] })
  running.add(child)
  let text = ''
  for (const line of [child.stdout!, child.stderr!]) line.on('data', (piece: Buffer) => text += piece.toString())
  return { child, port, said: () => text, ended: new Promise(done => child.once('exit', code => done(code ?? -1))) }
}
const health = (port: number) => fetch(`http://127.0.0.1:${port}/api/health`).then(r => r.ok, () => false)
async function until(what: string, holds: () => Promise<boolean> | boolean, seconds = 60): Promise<void> {
  for (let i = 0; i < seconds * 10; i++) {
    if (await holds()) return
    await new Promise(r => setTimeout(r, 100))
  }
  throw new Error(`waited for: ${what}`)
}
async function open(): Promise<Start> {
  const start = begin(await freePort())
  await Promise.race([until(`it opens (${start.said()})`, () => /is open at/.test(start.said())), start.ended.then(() => {
    throw new Error(start.said())
  })])
  return start
}
async function stop({ child, ended }: Start, signal: NodeJS.Signals = 'SIGTERM'): Promise<void> {
  child.kill(signal)
  await ended
  running.delete(child)
}
const tool = (name: string, file: string) => {
  const { status, stdout, stderr } = spawnSync(`bin/${name}`, [file], { env, encoding: 'utf8', timeout: 90_000 })
  return { status, said: stdout + stderr }
}
const postmaster = () => Number(readFileSync(join(state, 'cluster/postmaster.pid'), 'utf8').split('\n')[0])
const figures = async (port: number) => (await upToDate({ url: `http://127.0.0.1:${port}` })).map(({ name, entries, reckoned }) => ({ name, entries, reckoned }))

afterEach(async () => {
  for (const child of running) child.kill('SIGTERM')
  await until('every start has ended', () => [...running].every(child => child.exitCode !== null || child.signalCode !== null), 20)
  running.clear()
})
afterAll(() => rmSync(state, { recursive: true, force: true }))

it('of two first starts at once one opens, and the other says where', async () => {
  const starts = [begin(await freePort()), begin(await freePort())]
  await until('one of them opens', () => starts.some(s => /is open at/.test(s.said())))
  const [open, refused] = /is open at/.test(starts[0]!.said()) ? starts : starts.reverse()
  expect(await refused!.ended).toBe(1)
  expect(refused!.said()).toMatch(/already runs with this shop.*use that one, or stop it first/s)
  // A third, later, on another port: told too, and nothing of the first is taken down by its end.
  const third = begin(await freePort())
  expect(await third.ended).toBe(1)
  expect(third.said()).toContain(`http://127.0.0.1:${open!.port}`)
  expect(await health(open!.port)).toBe(true)
})

it('runs the database again when it dies, and the application too', async () => {
  const start = await open()
  const build = await newBuild(`http://127.0.0.1:${start.port}`)
  process.kill(postmaster(), 'SIGKILL')
  await until('the database is back', () => /It runs again/.test(start.said()))
  await until('the shop answers', () => health(start.port))
  expect((await put(`http://127.0.0.1:${start.port}/api/builds/${build}/entries/${uuid()}`, pour())).status).toBe(201)
  process.kill(Number(readFileSync(join(state, 'app.pid'), 'utf8')), 'SIGKILL')
  await until('the application is back', () => /It opens again/.test(start.said()))
  await until('the shop answers', () => health(start.port))
})

it('takes over what a start left that was killed, and names the application that still runs', async () => {
  const first = await open()
  await stop(first, 'SIGKILL')
  const left = Number(readFileSync(join(state, 'app.pid'), 'utf8'))
  const second = begin(await freePort())
  expect(await second.ended).toBe(1)
  expect(second.said()).toContain(`kill ${left}`)
  process.kill(left)
  await until('it has ended', () => !existsSync(`/proc/${left}`))
  await stop(await open())
  expect(existsSync(join(state, 'cluster/postmaster.pid'))).toBe(false)
})

it('is not held up by a stale postmaster.pid of another process, nor by a lost or wrong password file', async () => {
  const pid = join(state, 'cluster/postmaster.pid')
  writeFileSync(pid, `${process.pid}\n${state}/cluster\n0\n5432\n\n127.0.0.1\n0 0\nready\n`)
  await stop(await open())
  rmSync(join(state, 'password'))
  await stop(await open())
  writeFileSync(join(state, 'password'), 'not the one\n')
  const start = await open()
  expect(await health(start.port)).toBe(true)
})

it('touches nothing of another major version, and says how to bring it over', () => {
  const file = join(state, 'cluster/PG_VERSION')
  const before = readFileSync(file, 'utf8')
  writeFileSync(file, '9\n')
  const { status, stderr } = spawnSync('bin/start', ['--port', '4999'], { env, encoding: 'utf8', timeout: 90_000 })
  writeFileSync(file, before)
  expect(status).toBe(1)
  expect(stderr).toMatch(/made by PostgreSQL 9.*Nothing was touched.*bin\/backup.*bin\/restore/s)
})

it('backs a shop up while it runs, and brings it back with every figure, keeping the one that is there', async () => {
  const file = join(state, 'shop.bowl')
  const start = await open()
  const before = await figures(start.port)
  const backup = tool('backup', file)
  expect(backup).toMatchObject({ status: 0, said: expect.stringMatching(/builds with \d+ entries are in/) })
  expect(tool('backup', file).said).toMatch(/is there already/)
  // What comes after the backup is gone when it is brought back, but not lost: it is kept beside.
  await newBuild(`http://127.0.0.1:${start.port}`)
  expect(tool('restore', file).said).toMatch(/already runs with this shop/)
  await stop(start)
  for (const [what, spoil] of [
    ['cut short', (f: string) => truncateSync(f, Math.floor(statSync(f).size * 0.7))],
    ['altered', (f: string) => {
      const bytes = readFileSync(f)
      bytes[Math.floor(bytes.length / 2)]! ^= 0x55
      writeFileSync(f, bytes)
    }],
    ['of something else', (f: string) => writeFileSync(f, 'not a shop at all')]
  ] as const) {
    const spoiled = join(state, 'spoiled.bowl')
    copyFileSync(file, spoiled)
    spoil(spoiled)
    const refused = tool('restore', spoiled)
    expect([what, refused.status, refused.said]).toEqual([what, 1, expect.stringMatching(/Nothing was changed/)])
  }
  const back = tool('restore', file)
  expect(back).toMatchObject({ status: 0, said: expect.stringMatching(/every figure is what it was[\s\S]*is kept as the database bowl_\d{8}_\d{6}/) })
  expect(back.said).not.toMatch(/otherwise/)
  const again = await open()
  expect(await figures(again.port)).toEqual(before)
  expect((await put(`http://127.0.0.1:${again.port}/api/builds/${await newBuild(`http://127.0.0.1:${again.port}`)}/entries/${uuid()}`, pour())).status).toBe(201)
})
