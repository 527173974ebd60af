import type { Page } from '@playwright/test'
import { tabTo } from '../support/keyboard'
import { copyOf, expect, open, paidBack, reckoned, test } from '../support/page'

// The ice racer over-opened on purpose and faced back, by keyboard alone: what each step adds, and where the glass stands.
const number = async (page: Page, of: string) => Number(/-?\d+\.\d+/.exec((await page.locator(`[data-${of}]`).textContent())!.replace('−', '-'))![0])

test('over-open a four-valve chamber to the line, and face it back to the number', async ({ page, bench }) => {
  test.setTimeout(900_000)
  const build = await copyOf(bench, bench.hollin)
  await open(page, bench, build, 'shape')
  await expect(page.locator('[data-added]')).toContainText('cc')

  // To the line, pads and all: the wall goes out round both intakes.
  await tabTo(page, /^Match the need$/)
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('ArrowRight')
  await expect(page.getByText('Open to the scribed line')).toBeVisible()
  await tabTo(page, /^keep the squish pads$/)
  await page.keyboard.press('Space')
  await tabTo(page, /^Take it on both intakes$/)
  await reckoned(page)
  await page.keyboard.press('Enter')
  await expect.poll(() => number(page, 'added'), { timeout: 120_000 }).toBeGreaterThan(0.5)
  // Then round both exhausts.
  await tabTo(page, /^Valve$/)
  await page.keyboard.press('ArrowDown')
  await expect(page.getByRole('option').first()).toBeFocused()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await tabTo(page, /^Take it on both exhausts$/)
  await reckoned(page)
  const intakes = await number(page, 'added')
  await page.keyboard.press('Enter')
  await expect.poll(() => number(page, 'added'), { timeout: 120_000 }).toBeGreaterThan(intakes + 0.5)
  await reckoned(page)
  await expect(page.locator('[data-nick]')).toHaveCount(0)
  const added = await number(page, 'added')
  // Ratio then, by hand: 42.0 poured, gasket, deck, crown and crevice as on the Sheet, plus what was taken.
  const area = Math.PI / 4 * 85.5 * 85.5 / 1000
  const swept = area * 85
  const before = swept / ((await page.locator('[data-main-figure]').textContent().then(t => Number(/\d+\.\d+/.exec(t!)![0]))) - 1)
  expect(await number(page, 'ratio')).toBeCloseTo((swept + before + added) / (before + added), 1)
  // Where to stop: the chamber's 42.0 and what comes off, on a burette that starts at 0.
  expect(await number(page, 'stop')).toBeCloseTo(42.0 + added, 0)

  // What the face then gives back, by hand: (42.0 + added − wanted chamber) over the opened mouth.
  await paidBack(page)
  const payBack = await number(page, 'payback')
  const mouth = Number(/(\d+) mm²/.exec((await page.locator('.answers').textContent())!)![1])
  const wantedChamber = 42.0 - (before - swept / 7.8)
  // By the mouth alone: the walls lean in, and a cut through them takes a little less.
  expect(Math.abs(payBack - (42.0 + added - wantedChamber) / (mouth / 1000))).toBeLessThan(0.08)

  // A place of the wall moved by its keys: 0.1 mm out, undone again.
  await tabTo(page, /^Wall at \d+°/)
  await page.keyboard.press('ArrowUp')
  await reckoned(page)
  expect(await number(page, 'added')).toBeGreaterThanOrEqual(added)
  await tabTo(page, /^Undo: Wall drawn/)
  await page.keyboard.press('Enter')
  await reckoned(page)
  await paidBack(page)
  // Told by the grid at first, and by the solid once that is made: a hundredth of a millimetre apart at most.
  expect(Math.abs(await number(page, 'payback') - payBack)).toBeLessThan(0.015)

  // The same in every cylinder, each with its own stop reading; then planned.
  await tabTo(page, /^Hot spots$|^Clock$/)
  for (let i = 0; i < 4 && !(await page.getByRole('button', { name: 'Copy to every cylinder' }).isVisible()); i++) {
    await page.keyboard.press('ArrowRight')
    await page.waitForTimeout(100)
  }
  await tabTo(page, /^Copy to every cylinder$/)
  await page.keyboard.press('Enter')
  await expect(page.locator('.right .v-table tbody tr')).toHaveCount(4, { timeout: 240_000 })
  await tabTo(page, /^Plan it on every cylinder$/)
  await page.keyboard.press('Enter')
  await expect(page.getByText(/Planned on 1 \(\+ \d+\.\d cc, to \d+\.\d\), 2 /)).toBeVisible()

  // Faced back on the Cut station, from the opened chambers: the plan that stood there is dropped, and a new one found.
  await page.keyboard.press('Escape')
  await page.keyboard.press('5')
  await expect(page).toHaveURL(/\/cut$/)
  await tabTo(page, /^Drop the plan$/)
  await page.keyboard.press('Enter')
  await reckoned(page)
  await expect(page.locator('[data-verdict=intake]')).toContainText('clear')
  const deepest = await number(page, 'answer=deepest')
  expect(Math.abs(deepest - payBack)).toBeLessThan(0.08)
  // The very depth that Shape had promised for this cylinder.
  // The same depth: Shape told it by the grid, a hundredth of a millimetre off the solid at most.
  await expect.poll(async () => Math.abs(Number.parseFloat((await page.locator('.cut-table tbody tr').first().locator('td').nth(2).textContent())!) - payBack)).toBeLessThan(0.015)

  // The new cut planned: chamber and glass then by hand, 42.0 + added − depth × opened mouth, on a burette that starts at 0.
  const row = page.locator('.cut-table tbody tr').first()
  const left = 42.0 + added - deepest * mouth / 1000
  expect(Math.abs(Number(await row.locator('[data-glass]').textContent()) - left)).toBeLessThan(0.3)
  expect(Math.abs(left - wantedChamber)).toBeLessThan(0.4)
  await tabTo(page, /^Plan \d+\.\d+ mm$/)
  await page.keyboard.press('Enter')
  await expect(page.getByText('Depth really taken off, measured')).toBeVisible()
  await reckoned(page)
  expect(Math.abs(Number(await row.locator('[data-glass]').textContent()) - left)).toBeLessThan(0.3)
  await expect(row).toContainText('on target')

  // Ground first, as planned: the relief of one cylinder is done, the others wait.
  await page.keyboard.press('Escape')
  await page.keyboard.press('3')
  await expect(page.getByText(/Planned on 1/)).toBeVisible()
  await tabTo(page, /^Cylinder 1 is ground$/)
  await page.keyboard.press('Enter')
  await expect(page.getByText(/Planned on 2/)).toBeVisible()
})
