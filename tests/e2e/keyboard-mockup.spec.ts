import type { Page } from '@playwright/test'
import { copyOf, expect, open, test, trialsAsCame } from '../support/page'

// The whole mock-up by keyboard: lint keeps every pointer out of this file.

/** Tabs until the field or key with this name has the focus. */
async function tabTo(page: Page, name: RegExp): Promise<void> {
  for (let i = 0; i < 80; i++) {
    await page.keyboard.press('Tab')
    const here = await page.evaluate(() => {
      const el = document.activeElement as HTMLElement
      return el.dataset.figure ?? el.getAttribute('aria-label') ?? (el.id !== '' ? document.querySelector(`label[for="${el.id}"]`)?.textContent : undefined) ?? el.textContent ?? ''
    })
    if (name.test(here.trim())) return
  }
  throw new Error(`no ${String(name)} is reached by Tab`)
}
const typed = async (page: Page, text: string) => {
  await page.keyboard.type(text)
  await page.keyboard.press('Enter')
}

test('six solders, a gasket tried and planned, top dead centre and a valve, by keys alone', async ({ page, bench }) => {
  const build = await copyOf(bench, bench.launch)
  await open(page, bench, build, 'sheet')
  await page.keyboard.press('6')
  await page.locator('.mockup').waitFor()
  await page.keyboard.press('n')
  await expect(page.locator('.place input').first()).toBeFocused()
  // h = 1.60 + 0.0005·x + 0.001·y at the six places, anticlockwise from the front of the pin (39, 20, −20 along; 34 across).
  for (const reading of ['1.62', '1.64', '1.62', '1.58', '1.56', '1.58']) await typed(page, reading)
  await expect(page.locator('.place .rule.measured')).toHaveCount(6)
  await expect(page.locator('.answer .num').first()).toHaveText('1.60')
  // (1.64 + 1.62 − 1.56 − 1.58)/(4·34)·92 across the bore
  await expect(page.locator('.answer')).toContainText('rock 0.08 mm')
  await expect(page.locator('.answer')).toContainText('taper 0.05 mm')
  await expect(page.locator('.agree')).toContainText('the solder agrees within')

  await page.keyboard.press('Escape')
  await page.keyboard.press('Escape')
  await tabTo(page, /^Gasket$/)
  await page.keyboard.press('ArrowDown')
  await expect(page.getByRole('option', { name: /fitted/ })).toBeFocused()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(page.locator('.whatif tr', { hasText: 'Squish, cold' }).locator('td').nth(2)).toHaveText('1.30 mm')
  await tabTo(page, /^Plan this$/)
  await page.keyboard.press('Enter')
  await expect(page.locator('.whatif tr', { hasText: 'Squish, cold' }).locator('td').nth(1)).toHaveText('1.30 mm')

  await page.evaluate(() => document.querySelector<HTMLElement>('[role=tab][aria-selected=true]')!.focus())
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('Tab')
  await page.locator('.tdc').waitFor()
  for (const text of ['5', '-23.4', '25', '8', '-29', '31']) await typed(page, text)
  await expect(page.locator('[data-tdc]')).toContainText('0.90°')

  await page.evaluate(() => document.querySelector<HTMLElement>('[role=tab][aria-selected=true]')!.focus())
  await page.keyboard.press('ArrowRight')
  await page.locator('.clearances').waitFor()
  await tabTo(page, /^Valve to valve$/)
  await typed(page, '40 thou')
  // 40 thou is 1.02 mm; the shop wants 1.50
  await expect(page.locator('.verdict')).toContainText('Valve to valve comes to 1.02 mm, 0.48 mm under')
})

test('a cleared solder comes back with z, and a wrong one is said at its place', async ({ page, bench }) => {
  await open(page, bench, await trialsAsCame(bench), 'mockup')
  await page.keyboard.press('n')
  await expect(page.locator('.place input').first()).toBeFocused()
  await page.keyboard.type('2.5 cc')
  await page.keyboard.press('Enter')
  await expect(page.locator('.place .sentence')).toContainText(/length/)
  await page.keyboard.press('Escape')
  await page.keyboard.type('z')
  await expect(page.locator('.place input').first()).toHaveValue('2.5 cc')
  await page.keyboard.press('Escape')
  await page.keyboard.type('70 mm')
  await page.keyboard.press('Enter')
  await expect(page.locator('.place .sentence')).toContainText(/between 0\.020 mm and 12\.000 mm/)
})
