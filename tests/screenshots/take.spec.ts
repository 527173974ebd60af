import type { Page } from '@playwright/test'
import { type Bench, expect, field, open, paidBack, pick, preset, reckoned, SIZES, test } from '../support/page'

// Current pictures of each main view, from the demo data, for the README: bin/test pictures.
const [desk, bench820] = SIZES
const shots: { name: string, size?: { width: number, height: number }, store?: Record<string, string>, at: (page: Page, bench: Bench) => Promise<void> }[] = [
  {
    name: 'shop',
    at: async (page, bench) => {
      await page.goto(bench.server.url)
      await page.getByText('Brackwater 34').waitFor()
    }
  },
  { name: 'sheet', at: (page, bench) => open(page, bench, bench.launch, 'sheet') },
  {
    name: 'mockup-squish',
    at: async (page, bench) => {
      await open(page, bench, bench.launch, 'mockup')
      await page.locator('.cell').nth(3).click()
      await pick(page.locator('#try-gasket'), '0.90 mm')
    }
  },
  { name: 'mockup-turned', store: { 'bowl.mockupLeaf': 'turned' }, at: (page, bench) => open(page, bench, bench.skerrySmall, 'mockup') },
  { name: 'job-card', store: { 'bowl.daybookLeaf': 'card' }, at: (page, bench) => open(page, bench, bench.launch, 'daybook') },
  { name: 'castings', at: (page, bench) => leaf(page, bench, 'castings', 'MW 3412') },
  { name: 'reading', at: async (page, bench) => {
    await page.addInitScript(() => Math.random = () => 0.62)
    await leaf(page, bench, 'reading', 'You read, cc')
    await page.getByLabel('You read, cc').fill('30.40')
    await page.getByRole('button', { name: 'Read', exact: true }).click()
  } },
  {
    name: 'pour',
    at: async (page, bench) => {
      await open(page, bench, bench.launch, 'pour')
      await page.locator('.cell').nth(1).click()
      await field(page, 'Cylinder 2: reading at the end').fill('54.7')
    }
  },
  {
    name: 'pour-bench', size: bench820,
    at: async (page, bench) => {
      await open(page, bench, bench.launch, 'pour')
      await page.locator('.cell').nth(4).click()
      await field(page, 'Cylinder 5: reading at the end').click()
      await page.keyboard.type('55.1')
    }
  },
  { name: 'sheet-chamber', store: { 'bowl.sheetLeaf': 'chamber' }, at: async (page, bench) => {
    await open(page, bench, bench.launch, 'sheet')
    await page.locator('[data-factor]').waitFor({ timeout: 60_000 })
  } },
  { name: 'papers', at: async (page, bench) => {
    await open(page, bench, bench.testSix, 'papers')
    await page.locator('[data-paper][aria-busy=false] canvas').first().waitFor()
    await page.waitForTimeout(600)
  } },
  { name: 'cut-seat-lost', at: async (page, bench) => {
    await cut(page, bench)
    await page.locator('[data-answer=lowest]').click()
  } },
  { name: 'route', at: async (page, bench) => {
    await open(page, bench, bench.launch, 'route')
    await reckoned(page)
    await page.locator('[data-route="1"]').waitFor()
  } },
  { name: 'flow', store: { 'bowl.flowLeaf': 'compare' }, at: async (page, bench) => {
    await open(page, bench, bench.caldbeck, 'flow')
    await page.locator('[data-change]').waitFor()
  } },
  { name: 'ports', at: (page, bench) => open(page, bench, bench.launch, 'ports') },
  { name: 'shape', at: async (page, bench) => {
    await shape(page, bench, bench.hollin)
    await page.getByLabel('To the line').check()
    await page.getByLabel('keep the squish pads').uncheck()
    await page.getByRole('button', { name: /^Take it on both intakes/ }).click()
    await page.locator('[data-added]').getByText('±').waitFor()
    await pick(page.locator('#shape-valve'), 'exhaust, no. 1')
    await reckoned(page)
    await page.waitForTimeout(600)
    await page.locator('[data-offer]').waitFor({ timeout: 30_000 })
  } },
  { name: 'daybook', at: (page, bench) => open(page, bench, bench.testSix, 'daybook') },
  {
    name: 'slip',
    at: async (page, bench) => {
      await open(page, bench, bench.launch, 'sheet')
      await page.locator('[data-main-figure] button').focus()
    }
  },
  {
    name: 'night',
    at: async (page, bench) => {
      await page.addInitScript(() => localStorage.setItem('bowl.night', 'true'))
      await open(page, bench, bench.testSix, 'cut')
    }
  }
]

/** A leaf of the shop's own page. */
async function leaf(page: Page, bench: Bench, name: string, shows: string) {
  await page.goto(`${bench.server.url}/?leaf=${name}`)
  await page.getByText(shows).first().waitFor()
}

async function shape(page: Page, bench: Bench, build: string) {
  await open(page, bench, build, 'shape')
  await reckoned(page)
}

/** The launch engine's Cut station, its chambers solid, the worst cylinder up. */
async function cut(page: Page, bench: Bench) {
  await open(page, bench, bench.launch, 'cut')
  await page.locator('.cell').nth(3).click()
  await page.locator('[data-answer=deepest]').waitFor({ timeout: 60_000 })
  await reckoned(page)
}

for (const { name, size = desk, store = {}, at } of shots) {
  test(name, async ({ page, bench }) => {
    test.setTimeout(420_000)
    await preset(page, store)
    await page.setViewportSize(size)
    await at(page, bench)
    if (await page.locator('[data-reckoned]').count() > 0) await reckoned(page)
    await expect(page.getByText('Working it out.')).toHaveCount(0, { timeout: 60_000 })
    if (await page.locator('[data-paid]').count() > 0) await paidBack(page)
    // No picture of a bench at work: what it comes to is what one wants to see.
    await expect(page.locator('.solids')).toHaveCount(0, { timeout: 240_000 })
    // What the header says of a cut waits for drawn chambers to be told, which nothing on the other stations says.
    await page.waitForTimeout(3000)
    await page.screenshot({ path: `docs/screenshots/${name}.png` })
  })
}
