import type { Page } from '@playwright/test'
import { v4 as uuid } from 'uuid'
import { copyOf, expect, list, open, pick, preset, test, type Bench } from '../support/page'
import { TestServer, put } from '../support/server'

const PORT = { level: 'port', cylinder: 1, port: 'intake' }
const CYLINDER = { level: 'cylinder', cylinder: 1 }
const typed = (value: number, unit: string) => ({ value, unit, typed: String(value) })
const body = (more: object = {}, factor = 1) => ({ bench: 'Bench one', depression: typed(6974.49, 'Pa'), fixture: typed(92, 'mm'), pipe: 'none', entry: 'clay', rows: [2, 4, 6, 8].map(lift => ({ lift, flow: Number((factor * 9 * lift).toFixed(2)) })), ...more })

/** Entries added behind the page's back, as another hand would. */
async function add(bench: Pick<Bench, 'server'>, build: string, kind: string, scope: object, of: object): Promise<void> {
  const { status } = await put(`${bench.server.url}/api/builds/${build}/entries/${uuid()}`, { at: new Date().toISOString(), hand: 'TT', kind, v: 1, scope, body: of })
  expect(status).toBe(201)
}

const between: [name: string, kind: string, scope: object, of: object, after: object, said: string][] = [
  ['a ground chamber', 'relief', CYLINDER, { state: 'done', added: typed(1, 'cc') }, {}, 'Only the chamber changed: the difference is due to it.'],
  ['a seat job', 'seatWork', CYLINDER, { state: 'done', added: typed(0.3, 'cc'), valve: 'intake' }, {}, 'Only the seat changed: the difference is due to it.'],
  ['a face cut', 'faceCut', { level: 'head', head: 1 }, { state: 'done', depth: typed(0.1, 'mm') }, {}, 'Only the face changed: the difference is due to it.'],
  ['a guide boss', 'portPlace', PORT, { place: 'guideBoss', way: 'take', done: true }, {}, 'Only the guide boss changed: the difference is due to it.'],
  ['a valve', 'portPlace', PORT, { place: 'vane', way: 'leave', done: true }, { valve: 'back cut' }, 'Only the valve changed: the difference is due to it.'],
  ['bowl and entry', 'portPlace', PORT, { place: 'bowl', way: 'take', done: true }, { entry: 'radius' }, 'The entry and the bowl changed between them: the difference can’t be pinned on any one of them. To tell them apart: one more run with the entry as it was.'],
  ['a pipe', 'portPlace', PORT, { place: 'bowl', way: 'take', done: false }, { pipe: 'long' }, 'One had another pipe than the other: run both with the same.'],
  ['another head', 'relief', CYLINDER, { state: 'done', added: typed(1, 'cc') }, { specimen: 'a practice head' }, 'They are not of one port: another head or port says nothing of the work on this one.']
]
test('what changed between two runs is named, and what can’t be pinned on one thing is not', async ({ page, bench }) => {
  await preset(page, { 'bowl.flowLeaf': 'compare' })
  for (const [name, kind, scope, of, after, said] of between) {
    const build = await copyOf(bench, bench.testSix)
    await add(bench, build, 'flowRun', PORT, body())
    await add(bench, build, kind, scope, of)
    await add(bench, build, 'flowRun', PORT, body(after, 1.06))
    await open(page, bench, build, 'flow')
    for (const sentence of said.split(/(?<=\.) (?=To)/)) await expect(page.locator('.compare'), name).toContainText(sentence)
    const verdict = page.locator('[data-change]')
    if ('pipe' in after || 'specimen' in after) await expect(verdict, name).toHaveCount(0)
    else await expect(verdict, name).toContainText('+6.0 %')
  }
})

const rows = (page: Page) => page.getByLabel(/^Lift in mm and flow/)

test('a bench that stops in the middle keeps what it sent; a reload and a killed server lose nothing, and a lift never comes twice', async ({ page }) => {
  const server = await TestServer.start({ demo: true })
  try {
    const builds = await (await fetch(`${server.url}/api/builds`)).json() as { id: string, name: string }[]
    const build = builds.find(b => b.name === 'Caldbeck Twin')!.id
    await preset(page, { 'bowl.flowLeaf': 'run' })
    await open(page, { server }, build, 'flow')
    await page.getByRole('button', { name: 'Simulated flow bench' }).click()
    await expect(rows(page)).toHaveValue(/^1\.00 \d+\.\d\n2\.00 \d+\.\d\n3\.00 /)
    await server.kill('SIGKILL')
    const sent = await rows(page).inputValue()
    await server.run()
    await page.reload()
    await expect(rows(page)).toHaveValue(sent)
    await page.getByRole('button', { name: 'Simulated flow bench' }).click()
    await expect(rows(page)).toHaveValue(/\n10\.00 \d+\.\d$/)
    const all = (await rows(page).inputValue()).split('\n')
    expect(all.map(line => Number(line.split(' ')[0]))).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10])
    expect(all.join('\n').startsWith(sent)).toBe(true)
    await page.getByRole('button', { name: 'Keep the run of intake 1' }).click()
    await expect(page.getByLabel(/^Draw 9 .*intake 1$/)).toBeChecked()
  } finally {
    await server.stop()
  }
})

test('runs leave as a table and come in once; what is no run gets a sentence and changes nothing', async ({ page, bench }) => {
  const build = await copyOf(bench, bench.caldbeck)
  await open(page, bench, build, 'flow')
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Runs as CSV' }).click()])
  const file = await (await download.createReadStream()).toArray().then(parts => Buffer.concat(parts as Buffer[]))
  await page.getByRole('tab', { name: 'New run' }).click()
  const bring = async (name: string, buffer: Buffer) => {
    await page.locator('.run input[type=file]').setInputFiles([])
    await page.locator('.run input[type=file]').setInputFiles({ name, mimeType: 'text/csv', buffer })
  }
  await bring('runs.csv', file)
  await expect(page.locator('.run p.sentence')).toHaveText('0 runs came in, 8 runs were here already.')
  // Into the sister build they come as its own.
  const other = await copyOf(bench, bench.testSix)
  await open(page, bench, other, 'flow')
  await page.getByRole('tab', { name: 'New run' }).click()
  await bring('runs.csv', file)
  await expect(page.locator('.run p.sentence')).toHaveText('8 runs came in.')
  await bring('runs.csv', file)
  await expect(page.locator('.run p.sentence')).toHaveText('0 runs came in, 8 runs were here already.')
  await bring('broken.csv', Buffer.from(file.toString().replace('intake 1', 'intake 99')))
  await expect(page.locator('.run p.sentence')).toContainText('this engine has no port called “intake 99”')
  // Rows alone go into the field, where they are looked at.
  for (const [text, said] of [['4 40\n2 20', 'Lift 2 is below the one before it'], ['2 20\n2 21', 'is the same as the one before it'], ['2 -20', 'Line 1 is no lift and flow'], ['lift,flow\n', 'A run has 60 lifts at most, and one at least.']] as const) {
    await bring('rows.csv', Buffer.from(text))
    await page.getByRole('button', { name: /^Keep the run/ }).click()
    await expect(page.locator('.run p.sentence').first()).toContainText(said)
  }
  await bring('long.csv', Buffer.from(Array.from({ length: 10_000 }, (_, i) => `${i},5`).join('\n')))
  await expect(page.getByText('That is too long for a run.')).toBeVisible()
  await page.getByRole('tab', { name: 'Curves' }).click()
  await expect(page.getByRole('list', { name: 'Runs' }).getByRole('listitem')).toHaveCount(8)
})

test('what was so at the last run is so at the next, until it is emptied', async ({ page, bench }) => {
  const build = await copyOf(bench, bench.testSix)
  await add(bench, build, 'flowRun', PORT, body({ valve: 'back cut' }))
  await preset(page, { 'bowl.flowLeaf': 'run' })
  await open(page, bench, build, 'flow')
  const valve = page.getByLabel('Valve, if not the usual')
  await expect(valve).toHaveValue('back cut')
  await valve.fill('')
  await rows(page).fill('2 18\n4 36')
  await page.reload()
  await expect(valve).toHaveValue('')
  await expect(page.getByLabel('Bench', { exact: true })).toHaveValue('Bench one')
  await page.getByRole('button', { name: 'Keep the run of intake 1' }).click()
  await page.getByRole('tab', { name: 'Before and after' }).click()
  await expect(page.locator('[data-changed]')).toContainText('Only the valve changed')
})

test('curves stand at one depression and say so, another bench is another chart, a claim gets no verdict', async ({ page, bench }) => {
  const build = await copyOf(bench, bench.testSix)
  await add(bench, build, 'flowRun', PORT, body({ name: 'ours' }))
  await add(bench, build, 'flowRun', PORT, body({ name: 'theirs', bench: 'Next door', depression: typed(2490.889, 'Pa') }))
  await add(bench, build, 'flowRun', PORT, body({ name: 'sold', claimed: 'a seller' }, 1.2))
  await open(page, bench, build, 'flow')
  await expect(page.locator('canvas')).toHaveCount(2)
  await expect(page.getByText('On Next door')).toBeVisible()
  // 72 L/s at 10 inH₂O is √2.8 times as much at 28; a gentler air would have thinned it by 2.5 %.
  await expect(page.getByRole('row', { name: /^2 theirs/ })).toContainText((72 * Math.sqrt(2.8)).toFixed(1))
  await expect(page.getByText(/^2 theirs was measured at 10\.0 inH₂O/)).toContainText('2.5 % too high')
  await pick(list(page, 'Shown at'), '10 inH₂O')
  await expect(page.getByRole('row', { name: /^2 theirs/ })).toContainText('72.0')
  await page.getByRole('tab', { name: 'Before and after' }).click()
  await pick(list(page, 'After'), '3 sold, intake 1, claimed')
  await pick(list(page, 'Before'), '1 ours, intake 1')
  await expect(page.locator('[data-why]')).toHaveText('One of them is claimed, and nobody here has measured it.')
})
