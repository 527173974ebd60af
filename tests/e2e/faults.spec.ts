import type { Page } from '@playwright/test'
import { v4 as uuid } from 'uuid'
import type { BuildView } from '#shared/dto'
import { type Bench, copyOf, expect, field, list, open, pick, preset, reckoned, STATIONS, test } from '../support/page'
import { TestServer } from '../support/server'
import { newBuild, pour } from '../support/sent'

const READING = 'Cylinder 1: reading at the end'
const pours = async (bench: Bench, build: string) => ((await (await fetch(`${bench.server.url}/api/builds/${build}`)).json()) as BuildView).entries.filter(e => e.kind === 'pour').map(e => e.kind === 'pour' ? e.body.fills[0]!.end : 0)

/** Breaks every component of a name from now on, as a fault of our own would. */
async function breakIn(page: Page, name: string) {
  await page.evaluate((broken) => {
    const app = (document.querySelector('#__nuxt') as Element & { __vue_app__: { mixin: (m: object) => void } }).__vue_app__
    const forced = window as typeof window & { mended?: boolean }
    app.mixin({
      beforeCreate(this: { $: { type: { __name?: string } } }) {
        if (this.$.type.__name === broken && !forced.mended) throw new Error('forced for the test')
      }
    })
  }, name)
}

test('the cut rolled across the crank shows the station, before and after a reload', async ({ page, bench }) => {
  await open(page, bench, bench.launch, 'cut')
  for (let i = 0; i < 2; i++) {
    await page.getByRole('radio', { name: 'Angled', exact: true }).check({ force: true })
    await pick(list(page, 'Rolled'), 'across it')
    await reckoned(page)
    await expect(page.locator('[data-fault]')).toHaveCount(0)
    await expect(page.locator('.station-room [data-station]')).toBeVisible()
    await page.reload()
    await page.locator('.station-room [data-station]').waitFor()
  }
})

test('a fault in any station shows a sentence, the way back and a report, and never nothing', async ({ page, bench }) => {
  // Every station is opened anew.
  test.info().annotations.push({ type: 'forces faults' })
  // Nothing is drawn in it: ten times six solids would be made for nothing.
  const build = await copyOf(bench, bench.launch, undefined, 'chamberModel')
  for (const station of STATIONS) {
    const from = station === 'sheet' ? 'pour' : 'sheet'
    await open(page, bench, build, from)
    await breakIn(page, station)
    await page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: station === 'mockup' ? 'Mock-up' : new RegExp(station, 'i') }).click()
    const fault = page.locator('[data-fault]')
    await expect(fault.getByRole('heading')).toContainText('can’t be shown')
    await expect(fault).toContainText('forced for the test')
    await expect(fault.getByRole('link', { name: 'Shop' })).toBeVisible()
    await expect(fault.getByRole('button', { name: 'Copy the report' })).toBeVisible()
    // The frame stands, and the way back works.
    await expect(page.getByRole('status').filter({ hasText: 'Next' })).toBeVisible()
    await page.evaluate(() => (window as typeof window & { mended?: boolean }).mended = true)
    await fault.getByRole('button', { name: 'Try again' }).click()
    await expect(page.locator('.station-room [data-station]')).toBeVisible()
  }
})

test('a line of the frame that breaks leaves the station and the other lines', async ({ page, bench }) => {
  test.info().annotations.push({ type: 'forces faults' })
  await page.goto(bench.server.url)
  await page.getByText('Brackwater 34').waitFor()
  await breakIn(page, 'ClearanceStack')
  await page.getByText('Brackwater 34').click()
  await expect(page.getByText('The stack can’t be shown')).toBeVisible()
  await expect(page.locator('.station-room [data-station]')).toBeVisible()
})

test('what is stored and can’t be used stands first in the Daybook, is the next move, and can be taken out', async ({ page, bench }) => {
  const build = await copyOf(bench, bench.launch, undefined, 'chamberModel')
  await bench.server.query('insert into entries (id, shop, build, at, hand, kind, v, scope, body) values ($1, \'millrace-lane\', $2, now(), \'TT\', \'faceCut\', 1, $3, $4)',
    [uuid(), build, { level: 'head', head: 1 }, JSON.stringify({ state: 'done', depth: { value: 1, unit: 'mm', typed: '1' }, removed: [{ cylinder: 1, x: 0, cc: -0.001, perMm: 4, factor: 1 }] })])
  for (const station of STATIONS) {
    await open(page, bench, build, station)
    await expect(page.locator('.next')).toContainText('One entry can’t be used and counts for nothing')
  }
  await page.goto(bench.server.url)
  await expect(page.locator('.build-list li').filter({ hasText: 'Millrace' }).first()).toBeVisible()
  await open(page, bench, build, 'daybook')
  const list = page.getByRole('region', { name: 'Entries that can’t be used' })
  await expect(list).toContainText('What the cut takes off cylinder 1 can’t be right.')
  await list.getByRole('button', { name: /Strike out/ }).click()
  await expect(list).toHaveCount(0)
  await expect(page.locator('.next')).not.toContainText('can’t be used')
})

test('a write that breaks the server is set aside, the others go in, and each reading is stored once', async ({ page, bench }) => {
  await preset(page, { 'bowl.pourStays': 'yes' })
  const build = await newBuild(bench.server.url)
  await open(page, bench, build, 'pour')
  let broken = 0
  await page.route('**/entries/*', async (route) => {
    if (!route.request().postData()?.includes('"typed":"51.1"')) return route.continue()
    broken++
    return route.fulfill({ status: 500, contentType: 'application/problem+json', body: JSON.stringify({ type: 'about:blank', title: 'Something broke', status: 500, detail: 'The fault is ours.' }) })
  })
  for (const reading of ['51.1', '51.2', '51.3']) {
    await field(page, READING).fill(reading)
    await page.keyboard.press('Enter')
  }
  const aside = page.getByRole('alert', { name: 'Not kept yet' })
  await expect(aside).toContainText('Pour, cylinder 1: 51.1')
  await expect.poll(() => pours(bench, build)).toEqual([51.2, 51.3])
  expect(broken).toBe(3)
  // It outlives a reload, and goes in when it is sent again.
  await page.reload()
  await expect(aside).toContainText('51.1')
  await page.unroute('**/entries/*')
  await aside.getByRole('button', { name: 'Try again' }).click()
  await expect(aside).toHaveCount(0)
  await expect.poll(async () => (await pours(bench, build)).sort()).toEqual([51.1, 51.2, 51.3])
})

test('a file with a line that can’t be kept holds up nothing: the line is named, the rest goes in', async ({ page, bench }) => {
  const build = await newBuild(bench.server.url)
  await open(page, bench, build, 'daybook')
  await page.getByRole('button', { name: 'Bring in readings' }).click()
  const csv = 'cylinder,fills,typed,at\n1,0>51.1,51.1,02/03/2026\n1,0>51.2,5\u00001.2,03/03/2026\n1,0>51.3,51.3,30/02/2026\n1,0>50,5\n'
  await page.locator('.paper-in input[type=file]').setInputFiles({ name: 'pours.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) })
  await page.getByRole('radio', { name: 'the day' }).check({ force: true })
  const bad = page.getByRole('list', { name: 'Lines that can’t be taken' })
  await expect(bad).toContainText('can’t be printed (U+0000)')
  await expect(bad).toContainText('no day of the calendar')
  await expect(bad).toContainText('The line has 3 cells')
  await page.getByLabel(/Leave those 3 lines out/).check()
  await page.getByRole('button', { name: 'Keep 1' }).click()
  await expect(page.getByText('1 pours kept.')).toBeVisible()
  await page.getByRole('link', { name: /Pour/ }).first().click()
  await field(page, READING).fill('52.5')
  await page.keyboard.press('Enter')
  await expect.poll(() => pours(bench, build)).toEqual([51.1, 52.5])
})

test('a half-typed reading belongs to its tab: two tabs never enter it twice, and a closed tab’s is taken over', async ({ page, bench, context }) => {
  const build = await newBuild(bench.server.url)
  await open(page, bench, build, 'pour')
  await field(page, READING).fill('51.3')
  const other = await context.newPage()
  await open(other, bench, build, 'pour')
  await expect(field(other, READING)).toHaveValue('')
  await field(other, READING).fill('52.0')
  await field(page, READING).press('Enter')
  await expect.poll(() => pours(bench, build)).toEqual([51.3])
  await other.reload()
  await expect(field(other, READING)).toHaveValue('52.0')
  await other.close()
  const third = await context.newPage()
  await open(third, bench, build, 'pour')
  await expect(field(third, READING)).toHaveValue('52.0')
  await field(third, READING).press('Enter')
  await expect.poll(() => pours(bench, build)).toEqual([51.3, 52])
})

test('a list that can’t be read is said to be that, not empty', async ({ page, bench }) => {
  await page.route('**/api/builds', route => route.fulfill({ status: 500, contentType: 'application/problem+json', body: '{}' }))
  await page.goto(bench.server.url)
  await expect(page.getByText('The shop’s builds can’t be read just now.')).toBeVisible()
  await expect(page.getByText('No builds yet')).toHaveCount(0)
})

test('others’ readings show at once, and within moments after the server was away', async ({ page, bench }) => {
  const build = await newBuild(bench.server.url)
  await open(page, bench, build, 'daybook')
  const put = (end: number) => fetch(`${bench.server.url}/api/builds/${build}/entries/${uuid()}`, {
    method: 'PUT', headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ at: new Date().toISOString(), hand: 'XY', v: 1, kind: 'pour', scope: { level: 'cylinder', cylinder: 1 }, body: { encloses: 'chamber', fills: [{ start: 0, end }], typed: String(end), instrument: { id: 'b3a1c1de-9c1f-4a7e-8f36-5d1b2a7c4e90', name: 'Long burette', kind: 'burette', capacity: 100, tolerance: 0.2, resolution: 0.1, scale: 'deliver', film: 0, repeatability: 0 } } })
  })
  await put(55.1)
  await expect(page.locator('tr', { hasText: 'Chamber 55.1' })).toBeVisible()
  await page.route('**/api/events*', route => route.abort())
  await page.evaluate(() => window.dispatchEvent(new Event('offline')))
  await put(55.2)
  await page.unroute('**/api/events*')
  await expect(page.locator('tr', { hasText: 'Chamber 55.2' })).toBeVisible()
})

test('a station that breaks costs no reading: what is typed before, beside and after it is stored once', async ({ page, bench }) => {
  test.info().annotations.push({ type: 'forces faults' })
  await preset(page, { 'bowl.pourStays': 'yes' })
  const build = await newBuild(bench.server.url)
  await open(page, bench, build, 'pour')
  await field(page, READING).fill('51.1')
  await page.keyboard.press('Enter')
  await field(page, READING).fill('51.')
  await breakIn(page, 'cut')
  const stations = page.getByRole('navigation', { name: 'Stations' })
  await stations.getByRole('link', { name: /Cut/ }).click()
  await expect(page.locator('[data-fault]')).toBeVisible()
  await stations.getByRole('link', { name: /Pour/ }).click()
  await expect(field(page, READING)).toHaveValue('51.')
  await field(page, READING).press('End')
  await page.keyboard.type('2')
  await page.keyboard.press('Enter')
  await stations.getByRole('link', { name: /Cut/ }).click()
  await expect(page.locator('[data-fault]')).toBeVisible()
  await page.reload()
  await expect(page.locator('[data-fault]')).toHaveCount(0)
  await expect.poll(() => pours(bench, build)).toEqual([51.1, 51.2])
})

test('a write is waited for as long as the shop works on it, and sent again when nobody does: stored once either way', async ({ page, bench }) => {
  await preset(page, { 'bowl.pourStays': 'yes' })
  const build = await newBuild(bench.server.url)
  await open(page, bench, build, 'pour')
  let sent = 0
  let working = true
  await page.route('**/api/working/*', route => route.fulfill({ contentType: 'application/json', body: JSON.stringify({ working }) }))
  await page.route('**/entries/*', async (route) => {
    sent++
    // The first line hangs; what comes after it goes through.
    if (sent > 1) return route.continue()
    await new Promise(r => setTimeout(r, 12_000))
    await route.continue().catch(() => undefined)
  })
  await field(page, READING).fill('51.1')
  await page.keyboard.press('Enter')
  await expect.poll(() => pours(bench, build)).toEqual([51.1])
  expect(sent).toBe(1)
  sent = 0
  working = false
  await field(page, READING).fill('51.2')
  await page.keyboard.press('Enter')
  await expect.poll(() => pours(bench, build)).toEqual([51.1, 51.2])
  expect(sent).toBeGreaterThan(1)
  await page.waitForTimeout(8000)
  expect(await pours(bench, build)).toEqual([51.1, 51.2])
  // It was kept, but its answer broke off; then something else answers in the shop's place.
  sent = 0
  await page.unroute('**/entries/*')
  await page.route('**/entries/*', async (route) => {
    if (++sent === 1) return route.fulfill({ response: await route.fetch(), body: '{"id":"' })
    return sent === 2 ? route.fulfill({ contentType: 'text/html', body: '<p>Sign in to this network</p>' }) : route.continue()
  })
  await field(page, READING).fill('51.3')
  await page.keyboard.press('Enter')
  await expect.poll(() => sent).toBe(3)
  await expect(page.locator('.saved')).not.toContainText('waiting')
  await page.waitForTimeout(2000)
  expect([sent, await pours(bench, build)]).toEqual([3, [51.1, 51.2, 51.3]])
})

test('what is typed while a form is being sent stays in it, and a second press is none', async ({ page, bench }) => {
  const build = await copyOf(bench, bench.launch)
  await preset(page, { 'bowl.portsLeaf': 'places' })
  await open(page, bench, build, 'ports')
  await page.route('**/entries/*', route => new Promise(r => setTimeout(r, 1200)).then(() => route.continue()))
  const [much, tool] = [field(page, 'How much'), page.getByLabel('Tool', { exact: true })]
  await much.fill('0.5')
  await much.press('Enter')
  await tool.fill('ball, 12 mm')
  await page.getByRole('button', { name: 'Mark it in this port' }).dblclick()
  await much.fill('0.7')
  await much.press('Enter')
  await expect(page.locator('.saved')).not.toContainText('waiting')
  await expect(tool).toHaveValue('')
  await expect(much).toHaveValue('0.70')
  await expect(page.locator('[data-place]', { hasText: 'ball, 12 mm' })).toHaveCount(1)
})

test('after the server was away the page catches up by itself once it is back', async ({ page }) => {
  const server = await TestServer.start()
  try {
    const build = await newBuild(server.url)
    await open(page, { server }, build, 'daybook')
    await server.kill('SIGKILL')
    await expect(page.locator('.saved')).toContainText('no answer')
    await server.run()
    await server.query('select 1')
    await fetch(`${server.url}/api/builds/${build}/entries/${uuid()}`, { method: 'PUT', headers: { 'content-type': 'application/json' }, body: JSON.stringify(pour(55.3)) })
    await expect(page.locator('tr', { hasText: 'Chamber 55.3' })).toBeVisible()
  } finally {
    await server.stop()
  }
})

test('an address that leads nowhere says so, and where the shop is', async ({ page, bench }) => {
  for (const [address, said] of [
    ['/nowhere', 'There is nothing at this address.'], [`/builds/${bench.launch}/nowhere`, 'There is nothing at this address.'],
    ['/builds/nowhere/pour', 'There is no such build in this shop.'], ['/builds/00000000-0000-4000-8000-000000000000/pour', 'There is no such build in this shop.']
  ] as const) {
    await page.goto(`${bench.server.url}${address}`)
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(said)
    await expect(page.getByRole('main').getByRole('link', { name: 'Shop' })).toHaveAttribute('href', '/')
  }
})
