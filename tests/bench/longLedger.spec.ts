import { test } from '@playwright/test'
import { v4 as uuid } from 'uuid'
import { TestServer, put, upToDate } from '../support/server'
import { bore, buildRequest, frame, pour } from '../support/sent'
import { report } from '../support/soak'

/** What a shop with long ledgers costs, as multiples of what an empty shop costs in the same run on the same machine. */
const say = (line: string) => console.log(line)
const median = (list: number[]) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)]!
const p99 = (list: number[]) => [...list].sort((a, b) => a - b)[Math.floor(list.length * 0.99)]!
async function timed(work: () => Promise<unknown>): Promise<number> {
  const begun = performance.now()
  await work()
  return performance.now() - begun
}
const all = { level: 'build' }
const mm = (value: number) => ({ value, unit: 'mm', typed: String(value) })

/** A build of twelve cylinders with so many entries, sixteen of them face cuts. */
async function longBuild(url: string, entries: number): Promise<{ id: string, ms: number }> {
  const id = uuid()
  await put(`${url}/api/builds/${id}`, { ...buildRequest, name: `Long ${entries}` })
  const at = (i: number) => new Date(Date.UTC(2026, 0, 1) + i * 60_000).toISOString()
  const state = (quantity: string, value: number) => ({ ...frame, kind: 'measure', scope: all, body: { quantity, figure: mm(value) } })
  const cylinders = Array.from({ length: 12 }, (_, i) => i + 1)
  const list: object[] = [{ ...frame, kind: 'layout', scope: all, body: { heads: [cylinders], banks: [cylinders] } }, bore(), state('stroke', 85), state('gasketThickness', 1.2)]
  const every = Math.floor(entries / 17)
  for (let i = list.length; i < entries; i++) {
    list.push(i % every === 0
      ? { ...frame, at: at(i), kind: 'faceCut', scope: { level: 'head', head: 1 }, body: { state: 'done', depth: mm(0.01), measured: mm(0.01) } }
      : { ...pour(56 - (i % 3) * 0.1, 1 + i % 12), at: at(i) })
  }
  const begun = performance.now()
  const { status } = await put(`${url}/api/builds/${id}/batches/${uuid()}`, { hand: 'TT', entries: list.map(e => ({ id: uuid(), ...e })) })
  if (status !== 201) throw new Error(`a batch was answered with ${status}`)
  return { id, ms: performance.now() - begun }
}
const pourInto = (url: string, build: string, cylinder = 1) => put(`${url}/api/builds/${build}/entries/${uuid()}`, { ...pour(55.4, cylinder), at: new Date().toISOString() }).then(({ status }) => {
  if (status !== 201) throw new Error(`a pour was answered with ${status}`)
})
const list = (url: string) => fetch(`${url}/api/builds`).then(r => r.json())

test('a long ledger beside an empty shop', async ({ page }) => {
  test.setTimeout(600_000)
  const [empty, full] = [await TestServer.start(), await TestServer.start()]
  try {
    const small = await longBuild(empty.url, 20)
    const openPage = async (url: string, build: string) => {
      await page.goto(`${url}/builds/${build}/pour`)
      await page.locator('.station-room [data-station]').waitFor()
      return timed(async () => {
        await page.reload()
        await page.locator('.station-room [data-station]').waitFor()
      })
    }
    const several = async (n: number, work: () => Promise<unknown>) => {
      const times: number[] = []
      for (let i = 0; i < n; i++) times.push(await timed(work))
      return median(times)
    }
    await upToDate(empty)
    const base = { list: await several(30, () => list(empty.url)), pour: await several(30, () => pourInto(empty.url, small.id)), page: await openPage(empty.url, small.id) }
    const growth: { entries: number, ms: number, summary: number }[] = []
    for (const entries of [2500, 5000, 10_000]) {
      const { ms } = await longBuild(full.url, entries)
      growth.push({ entries, ms, summary: await timed(() => upToDate(full)) })
    }
    const { id } = await longBuild(full.url, 10_000)
    const other = await longBuild(full.url, 10_000)
    await upToDate(full)
    const onPage = await openPage(full.url, id)
    const aPour = await several(30, () => pourInto(full.url, id))
    // The list is asked for while another's summary is being made.
    await pourInto(full.url, other.id)
    await new Promise(r => setTimeout(r, 250))
    const aList = await several(20, () => list(full.url))
    const row = (what: string, ms: number, of: number) => say(`${what}: ${ms.toFixed(0)} ms, ${(ms / of).toFixed(1)} times an empty shop’s ${of.toFixed(0)} ms`)
    row('list while another builds its summary', aList, base.list)
    row('page of a build with 10 000 entries', onPage, base.page)
    row('a pour kept in it', aPour, base.pour)
    for (const [i, { entries, ms, summary }] of growth.entries()) say(`${entries} entries in one batch: ${ms.toFixed(0)} ms, its summary after ${summary.toFixed(0)} ms${i ? `; twice the entries take ${(ms / growth[i - 1]!.ms).toFixed(2)} times as long` : ''}`)

    const times: number[] = []
    let errors = 0
    const until = Date.now() + 30_000
    const builds = [id, other.id, ...(await Promise.all(Array.from({ length: 10 }, () => longBuild(full.url, 60)))).map(b => b.id)]
    await Promise.all(Array.from({ length: 50 }, async (_, person) => {
      while (Date.now() < until) {
        const work = person % 5 === 0 ? () => list(full.url) : () => pourInto(full.url, builds[person % builds.length]!, 1 + person % 12)
        try {
          times.push(await timed(work))
        } catch {
          errors++
        }
        await new Promise(r => setTimeout(r, 300))
      }
    }))
    say(`50 people for 30 s: ${times.length} requests, ${errors} errors, median ${median(times).toFixed(0)} ms, p99 ${p99(times).toFixed(0)} ms`)
    report('A ledger of 10 000 entries (ms, and times an empty shop’s)', {
      'list while another builds its summary': `${aList.toFixed(0)} (${(aList / base.list).toFixed(1)})`, 'page': `${onPage.toFixed(0)} (${(onPage / base.page).toFixed(1)})`, 'a pour kept': `${aPour.toFixed(0)} (${(aPour / base.pour).toFixed(1)})`,
      'batch of 2 500, 5 000, 10 000': growth.map(g => g.ms.toFixed(0)).join(', ')
    })
    report('50 people for 30 s', { 'requests': times.length, errors, 'median, ms': median(times).toFixed(0), 'p99, ms': p99(times).toFixed(0) })
  } finally {
    await Promise.all([empty.stop(), full.stop()])
  }
})
