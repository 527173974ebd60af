import type { Page } from '@playwright/test'
import { v4 as uuid } from 'uuid'
import { put } from '../support/server'
import { SIZES, copyOf, expect, open, preset, test, trialsAsCame } from '../support/page'

/** Every touch or click, counted by the page itself. */
const countPointers = (page: Page) => page.addInitScript(() => {
  const counted = window as unknown as { pointers: number }
  counted.pointers = 0
  window.addEventListener('pointerdown', () => counted.pointers++, true)
})
const pointers = (page: Page) => page.evaluate(() => (window as unknown as { pointers: number }).pointers)
const begin = (page: Page) => page.evaluate(() => {
  (window as unknown as { pointers: number }).pointers = 0
})
const takeKey = (page: Page) => page.getByRole('button', { name: /^Take reading/ })

/** Waits until the gauge has shown the same for a while, as one would at the bench. */
async function still(page: Page, above: number): Promise<void> {
  let last = ''
  let same = 0
  await expect.poll(async () => {
    const now = await page.locator('.gauge output').textContent() ?? ''
    const value = Number.parseFloat(now)
    // A digit may flicker in the last place; what counts is that nothing flows any more.
    same = value > above && Math.abs(value - Number.parseFloat(last)) < 0.15 ? same + 1 : 0
    last = now
    return same
  }, { intervals: [150], timeout: 20_000 }).toBeGreaterThan(4)
}

test('six chambers at 820x1180 with one hand: one touch a reading', async ({ page, bench }) => {
  const build = await copyOf(bench, bench.launch)
  await countPointers(page)
  await page.addInitScript(() => localStorage.setItem('bowl.gauge', 'sim-burette'))
  // A head that nobody poured: the round goes through it by itself.
  const whole = await (await fetch(`${bench.server.url}/api/builds/${build}`)).json() as { entries: { id: string, kind: string, scope: object }[] }
  await put(`${bench.server.url}/api/builds/${build}/batches/${uuid()}`, {
    hand: 'TT', entries: whole.entries.filter(e => e.kind === 'pour').map(e => ({ id: uuid(), at: new Date().toISOString(), hand: 'TT', kind: 'void', v: 1, scope: e.scope, body: { reason: 'poured again' }, supersedes: e.id }))
  })
  await page.setViewportSize(SIZES[1])
  await open(page, bench, build, 'pour')
  await page.locator('input[data-figure="Cylinder 1: reading at the end"]').click()
  await begin(page)
  const kept = async () => Number.parseInt(await page.locator('.saved').textContent() ?? '0')
  const before = await kept()
  for (let cylinder = 1; cylinder <= 6; cylinder++) {
    await expect(page.locator(`input[data-figure="Cylinder ${cylinder}: reading at the end"]`)).toBeFocused()
    await still(page, 40)
    await takeKey(page).click()
    await expect.poll(kept).toBe(before + cylinder)
  }
  expect(await pointers(page)).toBeLessThanOrEqual(6)
  const { entries } = await (await fetch(`${bench.server.url}/api/builds/${build}`)).json() as { entries: { kind: string, scope: { cylinder?: number } }[] }
  expect(entries.slice(-6).map(e => [e.kind, e.scope.cylinder])).toEqual([1, 2, 3, 4, 5, 6].map(c => ['pour', c]))
})

test('six solders at 820x1180 with one hand: one touch a reading, each where it lies', async ({ page, bench }) => {
  const build = await copyOf(bench, bench.launch)
  await countPointers(page)
  await page.addInitScript(() => localStorage.setItem('bowl.gauge', 'sim-calliper'))
  await page.setViewportSize(SIZES[1])
  await open(page, bench, build, 'mockup')
  await page.locator('.place input').first().click()
  await begin(page)
  for (let i = 0; i < 6; i++) {
    await expect(page.locator('.place input').nth(i)).toBeFocused()
    await still(page, 1)
    await takeKey(page).click()
    await expect(page.locator('.place .rule.measured')).toHaveCount(i + 1)
  }
  expect(await pointers(page)).toBeLessThanOrEqual(6)
  // The hidden truth: 0.34 + 1.20 + 0.02 over the centre, rock of 0.0009 a mm across.
  const squish = Number.parseFloat(await page.locator('.big .num').first().textContent() ?? '')
  expect(Math.abs(squish - 1.56)).toBeLessThan(0.02)
})

test('a button below a field takes its first press, though the keypad goes as the field is left', async ({ page, bench }) => {
  await page.setViewportSize(SIZES[1])
  await preset(page, { 'bowl.portsLeaf': 'places' })
  await open(page, bench, await copyOf(bench, bench.launch), 'ports')
  await page.locator('input[data-figure="How much"]').fill('0.5')
  await page.locator('input[data-figure="How much"]').press('Enter')
  await page.locator('input[data-figure="Adds to the port, about"]').fill('0.8')
  await expect(page.getByRole('group', { name: 'Keypad' })).toBeVisible()
  const press = page.getByRole('button', { name: 'Mark it in this port' })
  await press.scrollIntoViewIfNeeded()
  const box = (await press.boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.waitForTimeout(150)
  await page.mouse.up()
  await expect(page.locator('[data-place]').last()).toContainText('take metal, 0.50 mm, +0.8 cc')
  await expect(page.getByRole('group', { name: 'Keypad' })).toHaveCount(0)
})

test('the gauge’s key works from the keyboard, and asks where nothing is focused', async ({ page, bench }) => {
  await page.addInitScript(() => localStorage.setItem('bowl.gauge', 'sim-dial'))
  const build = await trialsAsCame(bench)
  await open(page, bench, build, 'mockup')
  await page.locator('.place input').first().focus()
  await still(page, 1)
  await page.keyboard.press('F9')
  await expect(page.locator('.place input').first()).not.toBeFocused()
  await page.keyboard.press('Escape')
  await page.keyboard.press('Escape')
  await still(page, 1)
  await page.keyboard.press('F9')
  await expect(page.getByText(/A gauge sent .* Where does it belong\?/)).toBeVisible()
})
