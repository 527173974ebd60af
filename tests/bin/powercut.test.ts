import { fork, spawn } from 'node:child_process'
import { mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { chromium } from '@playwright/test'
import { expect, it } from 'vitest'
import type { BuildView } from '#shared/dto'
import { BROWSER } from '../support/browser'
import { STATIONS } from '../support/page'
import { freePort, upToDate } from '../support/server'
import { newBuild } from '../support/sent'
import { RUNS, chance, report } from '../support/soak'

const WRITES = RUNS(100, 1000)
const SERVER_KILLS = RUNS(2, 20)
const DATABASE_KILLS = RUNS(1, 10)
const SEED = 10

it('keeps every acknowledged entry exactly once through kills of the server and of its database, and every page opens afterwards', async () => {
  const luck = chance(SEED)
  // The real bin/start, which keeps watch over both.
  const root = process.getuid?.() === 0 ? '/var/lib/precise-bowl-tests' : tmpdir()
  mkdirSync(root, { recursive: true })
  const state = mkdtempSync(join(root, 'cuts-'))
  const port = await freePort()
  const url = `http://127.0.0.1:${port}`
  const start = spawn('bin/start', ['--port', String(port)], { env: { ...process.env, BOWL_STATE: state, DATABASE_URL: '' }, stdio: ['ignore', 'pipe', 'inherit'] })
  start.stdout.resume()
  const health = () => fetch(`${url}/api/health`, { signal: AbortSignal.timeout(3000) }).then(r => r.ok, () => false)
  const up = async () => {
    for (let i = 0; i < 1200 && !await health(); i++) await new Promise(r => setTimeout(r, 100))
  }
  try {
    await up()
    const build = await newBuild(url)
    const writer = fork(resolve('tests/support/writer.mjs'), [url, build, String(WRITES)], { stdio: ['ignore', 'ignore', 'inherit', 'ipc'] })
    const acknowledged: string[] = []
    let finished = false
    writer.on('message', (message: { acknowledged?: string, finished?: boolean }) => {
      if (message.acknowledged) acknowledged.push(message.acknowledged)
      if (message.finished) finished = true
    })
    const kills = [...Array.from({ length: SERVER_KILLS }, () => 'app.pid'), ...Array.from({ length: DATABASE_KILLS }, () => 'cluster/postmaster.pid')]
      .map(file => ({ file, at: luck.next() })).sort((a, b) => a.at - b.at)
    for (const [i, { file }] of kills.entries()) {
      // A random moment within the next few writes; the writer goes on sending until all is acknowledged.
      writer.send({ more: Math.ceil(WRITES * (i + 1) / kills.length) })
      await new Promise(r => setTimeout(r, 20 + luck.below(120)))
      process.kill(Number(readFileSync(join(state, file), 'utf8').split('\n')[0]), 'SIGKILL')
      await new Promise(r => setTimeout(r, 200))
      await up()
    }
    writer.send({ more: WRITES })
    for (let i = 0; i < 3000 && !finished; i++) await new Promise(r => setTimeout(r, 100))
    writer.kill()

    const view = async (id: string) => await (await fetch(`${url}/api/builds/${id}`)).json() as BuildView
    const kept = (await view(build)).entries.filter(e => e.kind === 'pour').map(e => e.id)
    expect(acknowledged).toHaveLength(WRITES)
    expect(kept.sort()).toEqual([...acknowledged].sort())
    expect(new Set(kept).size).toBe(WRITES)

    const builds = await upToDate({ url })
    for (const { id } of builds) expect((await view(id)).unsound).toEqual([])
    const browser = await chromium.launch(BROWSER)
    const page = await browser.newPage()
    let pages = 0
    for (const { id } of builds.filter(b => b.id !== build).slice(0, RUNS(1, 9))) {
      for (const station of STATIONS) {
        await page.goto(`${url}/builds/${id}/${station}`)
        await page.locator('.station-room [data-station]').waitFor({ timeout: 30_000 })
        expect(await page.locator('[data-fault]').count()).toBe(0)
        pages++
      }
    }
    await browser.close()
    report('Kills under way', { writes: WRITES, serverKills: SERVER_KILLS, databaseKills: DATABASE_KILLS, lost: 0, doubled: 0, pagesOpened: pages, seed: SEED })
  } finally {
    start.kill('SIGTERM')
    await new Promise(done => start.exitCode === null && start.signalCode === null ? start.once('exit', done) : done(0))
    rmSync(state, { recursive: true, force: true })
  }
}, 1_200_000)
