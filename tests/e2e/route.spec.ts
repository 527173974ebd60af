import { readFile } from 'node:fs/promises'
import type { Page } from '@playwright/test'
import { v4 as uuid } from 'uuid'
import { put } from '../support/server'
import { copyOf, expect, field, open, pick, preset, reckoned, test, type Bench } from '../support/page'

/** The launch engine without its drawing: its mouth is stated, and every depth a hand sum. */
async function undrawn(bench: Bench): Promise<string> {
  const whole = await (await fetch(`${bench.server.url}/api/builds/${bench.launch}/file`)).json() as { entries: { kind: string }[] }
  const { json } = await put(`${bench.server.url}/api/imports/${uuid()}`, { document: { ...whole, entries: whole.entries.filter(e => e.kind !== 'chamberModel') }, copy: true, hand: 'TT' })
  return (json as { id: string }).id
}
const BURETTE = { id: uuid(), name: 'Long burette', kind: 'burette', capacity: 100, tolerance: 0.1, resolution: 0.1, scale: 'deliver', film: 0, repeatability: 0.08 }
async function pour(bench: Bench, build: string, cylinder: number, cc: number) {
  const { status } = await put(`${bench.server.url}/api/builds/${build}/entries/${uuid()}`, {
    at: new Date().toISOString(), hand: 'TT', kind: 'pour', v: 1, scope: { level: 'cylinder', cylinder }, body: { encloses: 'chamber', fills: [{ start: 0, end: Math.round(cc * 10) / 10 }], typed: String(cc), instrument: BURETTE }
  })
  expect(status).toBe(201)
}
interface Kept { id: string, kind: string, plan?: string, supersedes?: string, body: { state?: string, depth?: { value: number }, name?: string } }
const entriesOf = async (bench: Bench, build: string) => (await (await fetch(`${bench.server.url}/api/builds/${build}`)).json() as { entries: Kept[] }).entries
const planned = async (bench: Bench, build: string) => {
  const all = await entriesOf(bench, build)
  const gone = new Set(all.map(e => e.supersedes))
  return all.filter(e => e.body.state === 'planned' && !gone.has(e.id))
}
/** The readings to stop at after a stage, by cylinder. */
const stops = async (page: Page, stage: number) => (await page.locator('.stages tr.what').nth(stage).locator('[data-stop]').allTextContents()).map(Number)

test('levers set, routes compared, one taken, followed to the last pour, planned anew after a pour that surprised, by keys alone', async ({ page, bench }) => {
  const build = await undrawn(bench)
  await open(page, bench, build, 'sheet')
  await page.keyboard.press('7')
  await expect(page).toHaveURL(/\/route$/)
  await expect(page.locator('[data-first]')).toContainText('Grind 5 chambers up, to even ratios.')
  // Without grinding the spread of 0.22 is wider than the band: nothing fits, and the nearest says by how much.
  const grind = page.getByRole('checkbox', { name: /^Grind even/ })
  await grind.press('Space')
  await expect(page.locator('[data-none]')).toContainText('No way keeps every limit')
  await grind.press('Space')
  await expect(page.locator('[data-route="1"]')).toContainText('Surest')

  // No more than half a mm off the face: the deck has to do the rest.
  await page.getByRole('button', { name: 'How far' }).press('Enter')
  const most = page.locator('input[data-figure="Most off the face"]')
  await most.fill('0.5')
  await most.press('Enter')
  await expect(page.locator('[data-route="1"]')).toContainText('deck')
  await most.fill('-1')
  await most.press('Enter')
  await expect(page.locator('.figure-field', { has: most })).toContainText('it can’t be less than 0.00 mm')
  await most.fill('2')
  await most.press('Enter')
  await expect(page.locator('[data-route="1"]')).not.toContainText('deck')

  // Two beside each other, then the cheaper one looked at and the surest taken.
  await reckoned(page)
  const compare = page.getByRole('combobox', { name: 'Compare with' })
  await compare.press('ArrowDown')
  await expect(page.getByRole('listbox')).toBeVisible()
  // The list is there before the hand is in it.
  await page.waitForTimeout(150)
  await page.keyboard.press('Enter')
  await expect(page.locator('[data-beside] tbody tr')).toHaveCount(6)
  await page.locator('[data-route="3"]').press('Enter')
  await expect(page.locator('[data-take]')).toHaveText('Take route 3')
  await page.locator('[data-route="1"]').press('Enter')
  const [ground, cut] = [await stops(page, 0), await stops(page, 1)]
  expect(ground).toHaveLength(6)
  // By hand: even ratios are even wholes; cylinder 4 with 56.2 stays, each other is that less what its deck is more (6.648 cc a mm).
  const decks = [0.34, 0.32, 0.38, 0.36, 0.42, 0.30]
  ground.forEach((cc, i) => expect(Math.abs(cc - (56.2 - 6.6476 * (decks[i]! - 0.36)))).toBeLessThan(0.15))
  await page.locator('[data-take]').press('Enter')
  await expect(page.locator('[data-taken]')).toContainText('grind to even ratios')
  await expect.poll(async () => (await planned(bench, build)).map(e => e.kind).sort()).toEqual(['faceCut', 'gasketChange', ...Array.from({ length: 5 }, () => 'relief')].sort())
  expect(new Set((await planned(bench, build)).map(e => e.plan)).size).toBe(1)

  // Ground as planned, then poured: cylinder 3 was ground 0.4 cc too far, and the whole head follows it.
  await page.goto(`${bench.server.url}/builds/${build}/pour?leaf=even`)
  for (let left = 5; left > 0; left--) {
    await expect(page.locator('[data-planned=relief]')).toHaveCount(left)
    await page.locator('[data-planned=relief]').first().getByRole('button', { name: /^Done/ }).press('Enter')
  }
  await expect(page.locator('[data-planned=relief]')).toHaveCount(0)
  for (const [i, cc] of ground.entries()) await pour(bench, build, i + 1, i === 2 ? cc + 0.4 : cc)
  await page.goto(`${bench.server.url}/builds/${build}/route`)
  const before = (await planned(bench, build)).find(e => e.kind === 'faceCut')!.body.depth!.value
  await expect(page.locator('[data-replan]')).toContainText(`${before.toFixed(2)} mm is planned`)
  await page.locator('[data-taken]').getByRole('button', { name: /^Plan .* instead$/ }).press('Enter')
  await expect(page.locator('[data-replan]')).toHaveCount(0)
  const depth = async () => (await planned(bench, build)).find(e => e.kind === 'faceCut')!.body.depth!.value
  await expect.poll(depth).not.toBe(before)
  const after = await depth()
  // Half of 0.4 cc more in the middle of the six, over some 4.5 cc a mm.
  expect(Math.abs(after - before - 0.2 / 4.5)).toBeLessThan(0.025)

  // Cut as planned and measured, the gasket fitted, poured: on target.
  await page.goto(`${bench.server.url}/builds/${build}/cut`)
  await page.locator('input[data-figure="Depth really taken off, measured"]').fill(String(after))
  await page.keyboard.press('Enter')
  await expect.poll(async () => (await planned(bench, build)).map(e => e.kind)).toEqual(['gasketChange'])
  for (const [i, cc] of cut.entries()) for (let n = 0; n < 2; n++) await pour(bench, build, i + 1, cc)
  await page.goto(`${bench.server.url}/builds/${build}/mockup`)
  await page.locator('[data-planned=gasketChange]').getByRole('button', { name: /^Done/ }).press('Enter')
  await expect(page.locator('.next')).toContainText('Every cylinder is on target')
  await page.goto(`${bench.server.url}/builds/${build}/route`)
  await expect(page.locator('[data-nothing]')).toContainText('Nothing is to do')
})

test('a route that was taken is dropped as one; a search that is left leaves nothing behind', async ({ page, bench }) => {
  const build = await undrawn(bench)
  await open(page, bench, build, 'route')
  await expect(page.locator('[data-route="1"]')).toBeVisible()
  await page.locator('[data-take]').press('Enter')
  await expect(page.locator('[data-taken]')).toBeVisible()
  await page.locator('[data-taken]').getByRole('button', { name: 'Drop this route' }).press('Enter')
  await expect(page.locator('[data-taken]')).toHaveCount(0)
  await expect.poll(async () => (await entriesOf(bench, build)).filter(e => e.kind === 'plan' && e.body.state === 'dropped').map(e => e.body.name)).toEqual([expect.stringMatching(/^Route: /)])

  // Left in the middle of the search, and stopped: no entry, no fault, and the page goes on.
  const drawn = await copyOf(bench, bench.launch)
  const kept = (await entriesOf(bench, drawn)).length
  await open(page, bench, drawn, 'route')
  await page.getByRole('button', { name: 'Stop' }).first().click({ timeout: 20_000 })
  await reckoned(page)
  await page.keyboard.press('2')
  await expect(page).toHaveURL(/\/pour$/)
  expect((await entriesOf(bench, drawn)).length).toBe(kept)
})

test('seats planned before the face at Cut are in every route, before its cut, and stay when one is taken', async ({ page, bench }) => {
  const build = await copyOf(bench, bench.launch)
  await preset(page, { 'bowl.cutLeaf': 'seats' })
  await open(page, bench, build, 'cut')
  await pick(page.locator('#seat-when'), 'before the face')
  for (const [label, value] of [['Machined form, across, A', '38'], ['Top cut, A', '30'], ['Valve goes up by, A', '0.4']] as const) {
    await field(page, label).fill(value)
    await field(page, label).press('Enter')
  }
  // π/12 · 0.4 · (38² + 38 · 39.386 + 39.386²) mm³
  await expect(page.locator('[data-seat=A]')).toContainText('0.470 cc')
  await page.getByRole('button', { name: 'Plan form A on the whole head' }).click()
  await expect(page.getByText('Seat work is planned on')).toBeVisible()
  // 55.4 cc and 0.47: what is planned is not added once more.
  await expect(page.locator('dl', { hasText: 'glass after the seats, then when done' }).first()).toContainText('55.9, 49.2')
  await page.keyboard.press('7')
  await expect(page.locator('[data-counted]')).toContainText('Seat work is planned, before the face is cut')
  await expect(page.locator('[data-uncounted]')).toHaveCount(0)
  await expect(page.locator('.stages tr.what').first()).toBeVisible()
  const work = (await page.locator('.stages tr.what').allTextContents()).map(text => /Recut|off the face/.exec(text)?.[0])
  expect(work.filter(Boolean)).toEqual(['Recut', 'off the face'])
  await page.locator('[data-take]').press('Enter')
  await expect(page.locator('[data-taken]')).toBeVisible()
  expect((await planned(bench, build)).filter(e => e.kind === 'seatWork').length).toBe(6)
})

test('the valves freed as a school has it, and new pistons with their order sheet; the levers stay as they were set', async ({ page, bench }) => {
  const build = await copyOf(bench, bench.launch)
  await open(page, bench, build, 'route')
  for (const lever of [/^Cut the face/, /^Cut the deck/, /^Order new pistons/]) await page.getByRole('checkbox', { name: lever }).press('Space')
  await expect(page.locator('[data-route="1"]')).toContainText('new pistons')
  // Once they are taken their order is a paper; valve to piston is measured on this engine, so its pockets are known.
  await page.locator('[data-take]').press('Enter')
  await page.locator('[data-order]', { hasText: 'The new pistons are' }).getByRole('link').press('Enter')
  await expect(page.getByRole('button', { name: 'Order of pistons' })).toHaveAttribute('aria-pressed', 'true')
  const waiting = page.waitForEvent('download')
  const saving = page.getByRole('button', { name: 'Save as a page' })
  await expect(saving).toBeEnabled()
  await saving.press('Enter')
  expect(await readFile((await (await waiting).path()), 'utf8')).toMatch(/Compression height.*Valve pockets.*(deeper than those of|as) the fitted piston/s)
  await page.keyboard.press('7')
  await page.getByRole('button', { name: 'Drop this route' }).press('Enter')
  await expect(page.locator('[data-taken]')).toHaveCount(0)
  await expect(page.getByRole('checkbox', { name: /^Order new pistons/ })).toBeChecked()
  for (const lever of [/^Cut the face/, /^Order new pistons/, /^Free the valves first/]) await page.getByRole('checkbox', { name: lever }).press('Space')
  await expect(page.locator('[data-route]', { hasText: 'Freest valves' })).toContainText(/open to (match|the pin|the line)/, { timeout: 120_000 })
  await page.locator('[data-route]', { hasText: 'Freest valves' }).press('Enter')
  await page.locator('[data-take]').press('Enter')
  await expect(page.locator('[data-taken]')).toContainText('Route: open the chambers to')
  // What is planned is what Shape would have planned: drawn, on every chamber.
  const drawn = async () => (await planned(bench, build) as (Kept & { body: { reliefs?: { radii: number[] }[] } })[]).filter(e => e.kind === 'relief' && e.body.reliefs?.some(r => r.radii.some(x => x > 0)))
  await expect.poll(async () => (await drawn()).length).toBe(6)
})
