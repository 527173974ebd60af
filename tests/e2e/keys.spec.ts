import { expect, field, open, test } from '../support/page'
import { newBuild } from '../support/sent'

test('bare keys go to stations, cylinders and units, and never while a field has the focus', async ({ page, bench }) => {
  await open(page, bench, bench.launch, 'sheet')
  await page.keyboard.press('2')
  await expect(page).toHaveURL(/\/pour$/)
  await page.keyboard.press(']')
  await expect(page.locator('.cell').nth(1)).toHaveAttribute('aria-pressed', 'true')
  // No hand is as fast as a gauge.
  for (const _ of [1, 2]) {
    await page.waitForTimeout(60)
    await page.keyboard.press('[')
  }
  await expect(page.locator('.cell').nth(5)).toHaveAttribute('aria-pressed', 'true')
  await page.keyboard.press('1')
  await expect(field(page, 'Bore')).toHaveValue('92.00')
  await page.keyboard.press('u')
  await expect(field(page, 'Bore')).toHaveValue('3.6220')
  await page.keyboard.press('u')
  await expect(field(page, 'Bore')).toHaveValue('92.00')
  await field(page, 'Bore').focus()
  await page.keyboard.press('9')
  await expect(page).toHaveURL(/\/sheet$/)
  await expect(field(page, 'Bore')).toHaveValue('9')
  await page.keyboard.press('Escape')
  await page.keyboard.press('Escape')
  await page.keyboard.press('?')
  await expect(page.getByRole('heading', { name: 'Keys' })).toBeVisible()
  await page.getByLabel('Single keys on').uncheck()
  await page.getByRole('button', { name: 'Close' }).click()
  await page.keyboard.press('2')
  await page.waitForTimeout(150)
  await expect(page).toHaveURL(/\/sheet$/)
})

test('a figure keeps the unit that was printed beside it', async ({ page, bench }) => {
  const build = await newBuild(bench.server.url)
  await open(page, bench, build, 'sheet')
  await field(page, 'Bore').fill('92')
  await page.getByRole('button', { name: /Lengths in mm/ }).click()
  // Whoever goes on to another press has typed millimetres, and they are kept.
  await expect(field(page, 'Bore')).toHaveValue('3.6220')
})

test('a gauge that types is a reading, never a shortcut; unaddressed it asks where it belongs', async ({ page, bench }) => {
  const build = await newBuild(bench.server.url)
  await open(page, bench, build, 'sheet')
  const gauge = (text: string) => page.evaluate((keys) => {
    for (const key of [...keys, 'Enter']) window.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }))
  }, text)
  await gauge('92.04')
  await expect(page.getByText('A gauge sent 92.04. Where does it belong?')).toBeVisible()
  await expect(page).toHaveURL(/\/sheet$/)
  await page.getByRole('button', { name: 'Bore', exact: true }).click()
  await expect(field(page, 'Bore')).toBeFocused()
  await expect(field(page, 'Bore')).toHaveValue('92.04')
  await page.keyboard.press('Enter')
  await expect(field(page, 'Stroke')).toBeFocused()
  await expect(page.locator('.saved')).toContainText('2 kept')
})

test('a slip says value, doubt, hand, formula and what to improve', async ({ page, bench }) => {
  await open(page, bench, bench.launch, 'sheet')
  await page.locator('[data-main-figure] button').focus()
  const slip = page.locator('.slip')
  await expect(slip).toContainText('± 0.08')
  await expect(slip).toContainText('k = 2')
  await expect(slip).toContainText('(swept + clearance) / clearance = (565.05 + 69.64) / 69.64')
  await expect(slip).toContainText('What makes it unsure')
  await expect(slip).toContainText(/would help most/)
})

test('the keypad types at the bench, on the chosen side, and keeps the system’s away', async ({ page, bench }) => {
  await page.setViewportSize({ width: 820, height: 1180 })
  await open(page, bench, bench.launch, 'pour')
  await expect(page.locator('.keypad')).toHaveCount(0)
  const reading = field(page, 'Cylinder 1: reading at the end')
  await reading.click()
  await expect(reading).toHaveAttribute('inputmode', 'none')
  for (const key of ['5', '5', '.', '4']) await page.locator('.keypad .pad', { hasText: new RegExp(`^${key === '.' ? '\\.' : key}$`) }).dispatchEvent('pointerdown')
  await expect(reading).toHaveValue('55.4')
  await page.getByRole('group', { name: 'Keypad' }).getByRole('button', { name: 'Delete' }).dispatchEvent('pointerdown')
  await expect(reading).toHaveValue('55.')
})
