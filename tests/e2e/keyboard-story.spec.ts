import type { Page } from '@playwright/test'
import { tabTo } from '../support/keyboard'
import { copyOf, expect, open, test } from '../support/page'

// The launch engine's three routes, walked with the keyboard alone; hand sums as in handsums.spec.ts.
const AREA = Math.PI / 4 * 92 * 92 / 1000
const swept = AREA * 85
const wanted = swept / 8.9
const gasketOf = (thickness: number) => Math.PI / 4 * 94 * 94 * thickness / 1000
/** Cylinder 4: poured 56.3 and 56.1, deck 0.36, crown 3.0, crevice as stated. */
const clearance = (thickness: number) => 56.2 + gasketOf(thickness) + 0.36 * AREA + 3 + Math.PI / 4 * (92 * 92 - 91.35 * 91.35) * 7 / 1000
const flatFor = (thickness: number) => (clearance(thickness) - wanted) / 4.65

const main = async (page: Page, which: 'deepest' | 'lowest') => {
  const [value, pm] = [...(await page.locator(`[data-answer=${which}]`).textContent())!.matchAll(/\d+\.\d+/g)].map(Number)
  return { value: value!, pm: pm! }
}
const exhaust = (page: Page) => page.locator('[data-verdict=exhaust]')
async function settled(page: Page) {
  await expect(page.locator('[data-answer=lowest]')).toBeVisible()
  await page.waitForTimeout(600)
}

test('three routes for the launch engine: a seat lost, a thinner gasket, an angled cut', async ({ page, bench }) => {
  const build = await copyOf(bench, bench.launch)
  await open(page, bench, build, 'cut')
  await settled(page)
  for (let i = 0; i < 3; i++) {
    await page.keyboard.press(']')
    // A hand takes a moment between two keys; faster would be a gauge.
    await page.waitForTimeout(120)
  }
  await expect(page.locator('.cell').nth(3)).toHaveAttribute('aria-pressed', 'true')
  await expect(page.locator('[data-main-figure]')).toContainText(((swept + clearance(1.2)) / clearance(1.2)).toFixed(2))

  // On the fitted gasket: 1.52 mm by the mouth's area, an arc out of every exhaust seat.
  expect(flatFor(1.2).toFixed(2)).toBe('1.52')
  const first = await main(page, 'lowest')
  expect(Math.abs(first.value - flatFor(1.2))).toBeLessThan(first.pm)
  await tabTo(page, new RegExp(`^Look at ${first.value.toFixed(2)} mm`))
  await page.keyboard.press('Enter')
  await expect(exhaust(page)).toContainText('seat job needed')
  await expect(exhaust(page)).toContainText('The same on 1, 2, 3, 5 and 6.')
  await expect(page.locator('[data-verdict=intake]')).toContainText('clear')

  // With the thin one 1.08 mm: some 0.3 mm of seat is left, an arc of the exhaust top cuts goes.
  await tabTo(page, /^0\.90 mm$/)
  await page.keyboard.press('Enter')
  await settled(page)
  expect(flatFor(0.9).toFixed(2)).toBe('1.08')
  await expect.poll(async () => Math.abs((await main(page, 'lowest')).value - flatFor(0.9))).toBeLessThan(0.05)
  const second = await main(page, 'lowest')
  await tabTo(page, new RegExp(`^Look at ${second.value.toFixed(2)} mm`))
  await page.keyboard.press('Enter')
  await expect(exhaust(page)).toContainText('top cut loses an arc')
  const left = Number(/seat (\d\.\d\d) mm clear/.exec((await exhaust(page).textContent())!)![1])
  expect(left).toBeCloseTo(1.4 - second.value, 1)
  expect(left).toBeGreaterThan(0.25)

  // The third route: rolled by one degree about the crank line, it takes less at the seats for the same cc.
  await tabTo(page, /^Flat$/)
  await page.keyboard.press('ArrowRight')
  await expect(page.getByLabel('Rolled')).toBeVisible()
  await tabTo(page, /^Angle$/)
  await page.keyboard.type('1')
  await page.keyboard.press('Enter')
  await settled(page)
  await expect.poll(async () => (await main(page, 'lowest')).value).toBeLessThan(second.value)
  const third = await main(page, 'lowest')
  // The mouth's middle lies 11.9 mm off the bore line: the roll takes tan 1° · 11.9 mm less there.
  expect(second.value - third.value).toBeCloseTo(11.9 * Math.tan(Math.PI / 180), 1)
  await tabTo(page, new RegExp(`^Look at ${third.value.toFixed(2)} mm`))
  await page.keyboard.press('Enter')
  await expect(exhaust(page)).toContainText('clear')
  await expect(exhaust(page)).toContainText('valve then at 23.0°')
  // The low edge lies 13.4 mm before the bore line: 1.40 − (depth − 13.4·tan 1°)
  const clear = Number(/seat (\d\.\d\d) mm clear/.exec((await exhaust(page).textContent())!)![1])
  expect(clear).toBeCloseTo(1.4 - third.value + 13.4 * Math.tan(Math.PI / 180), 1)

  await tabTo(page, /^Plan \d/)
  await page.keyboard.press('Enter')
  // It takes the others past their target: that is planned only with a reason, and the hand is on it.
  await expect(page.getByLabel(/Why cut all the same/)).toBeFocused()
  await page.keyboard.type('cylinder 4 decides')
  await page.keyboard.press('Enter')
  await expect(page.locator('.ask')).toContainText('laid over 1.00° about the crank')
  await expect(page.locator('.next')).not.toContainText('seat')
  await tabTo(page, /^Depth really taken off/)
  await page.keyboard.type(third.value.toFixed(2))
  await page.keyboard.press('Enter')
  await expect(page.locator('.ask')).toContainText('measured')

  // Both are done: the gasket is fitted, and the ratio of cylinder 4 stands at its target by prediction.
  await tabTo(page, /^It is fitted$/)
  await page.keyboard.press('Enter')
  await expect(page.locator('[data-main-figure]')).toContainText(/9\.(89|90|91)/)
  await page.keyboard.press('Escape')
  await page.keyboard.press('9')
  await expect(page.getByText('laid over 1.00° about the crank').first()).toBeVisible()
})
