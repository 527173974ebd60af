import type { Page } from '@playwright/test'
import { STATIONS, copyOf, expect, field, open, test } from '../support/page'

// The launch engine, summed by hand from its Sheet and its pours; nothing here comes from the code under test.
const BORE_AREA = Math.PI / 4 * 92 * 92 / 1000
const swept = BORE_AREA * 85
const gasket = Math.PI / 4 * 94 * 94 * 1.2 / 1000
const crown = 3.0
const crevice = Math.PI / 4 * (92 * 92 - 91.35 * 91.35) * 7.0 / 1000
const decks = [0.34, 0.32, 0.38, 0.36, 0.42, 0.30]
const pours = [[55.4, 55.4], [54.6], [55.8, 55.8], [56.3, 56.1], [55.0], [54.9, 55.0]]
const mean = (list: number[]) => list.reduce((a, b) => a + b, 0) / list.length
const clearance = pours.map((list, i) => mean(list) + gasket + decks[i]! * BORE_AREA + crown + crevice)
const ratios = clearance.map(vc => (swept + vc) / vc)
const wanted = swept / (9.9 - 1)
const depths = clearance.map(vc => (vc - wanted) / 4.65)

test('the launch engine’s six ratios agree with hand sums from its Sheet', async ({ page, bench }) => {
  await open(page, bench, bench.launch, 'sheet')
  await expect(field(page, 'Bore')).toHaveValue('92.00')
  await expect(field(page, 'Gasket, fitted')).toHaveValue('1.20')
  for (const [i, deck] of decks.entries()) await expect(field(page, `Cylinder ${i + 1}`)).toHaveValue(deck.toFixed(2))
  expect(ratios.map(r => r.toFixed(2))).toEqual(['9.11', '9.22', '9.04', '9.01', '9.10', '9.20'])
  for (const [i, ratio] of ratios.entries()) {
    await expect(page.locator('.cell').nth(i).locator('.ratio')).toHaveText(ratio.toFixed(2))
    await expect(page.locator('.cell').nth(i).locator('.gap')).toHaveText(`+${(clearance[i]! - wanted).toFixed(1)} cc`)
  }
  await expect(page.locator('.cell').nth(3)).toContainText('worst')
})

test('the readings behind them are in the Daybook', async ({ page, bench }) => {
  await open(page, bench, bench.launch, 'daybook')
  const said = (await page.locator('tr', { hasText: 'Pour' }).locator('.said').allTextContents()).filter(text => text.startsWith('Chamber'))
  const newestFirst = [55.0, 56.1, 55.8, 55.4, 54.9, 55.0, 56.3, 55.8, 54.6, 55.4]
  expect(said).toEqual(newestFirst.map(v => `Chamber ${v.toFixed(1)} cc`))
})

/** An answer on the Cut station: its figure and its ±, mm. */
async function answer(page: Page, which: 'deepest' | 'lowest'): Promise<[value: number, pm: number]> {
  const text = await page.locator(`[data-answer=${which}]`).textContent()
  const [value, pm] = [...text!.matchAll(/\d+\.\d+/g)].map(Number)
  return [value!, pm!]
}

test('the needed cut agrees with a hand sum within its ±, and says what it costs', async ({ page, bench }) => {
  await open(page, bench, bench.launch, 'cut')
  await page.locator('.cell').nth(3).click()
  expect(Math.max(...depths).toFixed(2)).toBe('1.52')
  const [deepest, lowest] = [await answer(page, 'deepest'), await answer(page, 'lowest')]
  expect(Math.abs(deepest[0] - Math.min(...depths))).toBeLessThan(deepest[1])
  expect(Math.abs(lowest[0] - Math.max(...depths))).toBeLessThan(lowest[1])
  // The mouth narrows as the face comes up to the pad: the solid asks for a little more than the mouth's area would.
  expect(lowest[0]).toBeGreaterThan(Math.max(...depths))
  expect(lowest[0] - Math.max(...depths)).toBeLessThan(0.05)
  await page.getByRole('button', { name: `Look at ${lowest[0].toFixed(2)} mm` }).click()
  const row = page.locator('.cut-table tbody tr')
  await expect(row.nth(3)).toContainText('9.90')
  for (const [i, vc] of clearance.entries()) {
    const then = vc - Math.max(...depths) * 4.65
    const said = Number((await row.nth(i).locator('strong').textContent())!)
    expect(Math.abs(said - (swept + then) / then)).toBeLessThan(0.04)
  }
  // 1.40 mm of seat: an arc of 2·acos(1 − (depth − 1.40)/(18.5·sin 24°)) is gone, and the screen says so before the cutter does.
  const k = 18.5 * Math.sin(24 * Math.PI / 180)
  const arc = 2 * Math.acos(1 - (lowest[0] - 1.4) / k) * 180 / Math.PI
  await expect(page.locator('[data-verdict=exhaust]')).toContainText('seat job needed')
  const said = Number(/(\d+)° of the seat/.exec((await page.locator('[data-verdict=exhaust]').textContent())!)![1])
  expect(Math.abs(said - arc)).toBeLessThan(1)
})

test('a thinner gasket asks for 1.08 mm on cylinder 4', async ({ page, bench }) => {
  await open(page, bench, bench.testSix, 'sheet')
  for (const station of STATIONS) await expect(page.getByRole('link', { name: new RegExp(station.replace('mockup', 'mock-up'), 'i') }).first()).toBeVisible()
  await open(page, bench, bench.launch, 'cut')
  await page.getByRole('group', { name: 'Gasket to work with' }).getByRole('button', { name: '0.90 mm' }).click()
  const thinner = gasket * 0.9 / 1.2
  const depth = (clearance[3]! - gasket + thinner - wanted) / 4.65
  expect(depth.toFixed(2)).toBe('1.08')
  await expect(page.locator('[data-answer=lowest]')).toContainText(/1\.(08|09|10) mm/)
  await page.getByRole('button', { name: '1.20 mm fitted' }).click()
  await expect(page.locator('[data-answer=lowest]')).toContainText(/1\.5\d mm/)
})

test('a valve’s room that was measured on cylinder 1 tells of the others by their decks', async ({ page, bench }) => {
  await open(page, bench, await copyOf(bench, bench.launch), 'mockup')
  await page.getByRole('tab', { name: 'Clearances' }).click()
  const row = page.locator('[data-clearance=intakeClearance]')
  await expect(row.locator('.then')).toContainText('4.10')
  await row.getByRole('button', { name: /whom it holds for/ }).click()
  await page.getByRole('option', { name: 'cyl. 1' }).click()
  for (const cylinder of [6, 5]) {
    await page.locator('.cell').nth(cylinder - 1).click()
    await expect(row.locator('[data-carried]')).toContainText('cylinder 1’s')
    // In a pocket along the valve, which leans 24°: a deck's difference times the cosine.
    await expect(row.locator('.then')).toContainText((4.1 + (decks[cylinder - 1]! - decks[0]!) * Math.cos(24 * Math.PI / 180)).toFixed(2))
  }
  // Measured here too, in the same way: its own counts.
  await row.locator('input').fill('4.25')
  await row.locator('input').press('Enter')
  await expect(row.locator('.then')).toContainText('4.25')
  await expect(row).toContainText('in a pocket')
  await expect(row.locator('[data-carried]')).toHaveCount(0)
})
