import axeCore, { type AxeResults, type ContextSpec, type RunOptions } from 'axe-core'
import type { Page } from '@playwright/test'
import { DRESSES, veeOf, type Dress } from '../support/dresses'
import { faults } from '../support/layout'
import type { STATIONS, Bench } from '../support/page'
import { chosen, copyOf, expect, goTo, open, pick, preset, SIZES, test } from '../support/page'
import { SOAKING } from '../support/soak'

const said = (size: { width: number, height: number }) => `${size.width}x${size.height}`

declare const axe: { run: (within: ContextSpec, options: RunOptions) => Promise<AxeResults> }

/** What axe finds on the page, or in what is named of it; its contrast takes longer than all else. */
async function violations(page: Page, within = 'body', contrast = true): Promise<string[]> {
  // Once a page: it is half a megabyte.
  if (await page.evaluate(() => !('axe' in window))) await page.evaluate(axeCore.source)
  // What is loaded beforehand is for rules on sounds and on turning a telephone.
  const { violations: found } = await page.evaluate(({ within, enabled }) => axe.run(within, { resultTypes: ['violations'], preload: false, rules: { 'color-contrast': { enabled } } }), { within, enabled: contrast })
  return found.filter(v => v.impact === 'serious' || v.impact === 'critical').map(v => `${v.id}: ${v.nodes.map(n => n.target.join(' ')).slice(0, 4).join(' | ')}`)
}

/** `undrawn`: the launch engine before anybody drew its chambers, as most engines come. `eight`: the ice racer twice, the most that have a gap in the strip. */
type Engine = 'launch' | 'skerry' | 'skerrySmall' | 'caldbeck' | 'hollin' | 'testSix' | 'undrawn' | 'eight'
/** Every station and every leaf of it, on the demo's engine that shows most there. */
type Leaf = [name: string, build: Engine, station: (typeof STATIONS)[number], store: Record<string, string>]
const LEAVES: Leaf[] = [
  ['sheet', 'launch', 'sheet', {}], ['deck', 'skerry', 'sheet', { 'bowl.sheetLeaf': 'deck' }], ['gaskets', 'launch', 'sheet', { 'bowl.sheetLeaf': 'gaskets' }], ['face of the head', 'launch', 'sheet', { 'bowl.sheetLeaf': 'face' }],
  ['chamber', 'launch', 'sheet', { 'bowl.sheetLeaf': 'chamber' }], ['pent roof', 'hollin', 'sheet', { 'bowl.sheetLeaf': 'chamber' }], ['turned dome', 'skerry', 'sheet', { 'bowl.sheetLeaf': 'chamber' }],
  ['pour', 'launch', 'pour', {}], ['even', 'launch', 'pour', { 'bowl.pourLeaf': 'even' }], ['a port’s pour', 'launch', 'pour', { 'bowl.pourLeaf': 'steps', 'bowl.pourOf': 'intakePort' }],
  ['crown and its steps', 'hollin', 'pour', { 'bowl.pourLeaf': 'steps', 'bowl.pourOf': 'crown' }], ['assembled', 'skerry', 'pour', { 'bowl.pourOf': 'assembled' }],
  ['shape', 'launch', 'shape', {}], ['shape over lift', 'hollin', 'shape', { 'bowl.shapeLeaf': 'factor' }], ['schools', 'launch', 'shape', { 'bowl.shapeLeaf': 'schools' }], ['hot spots', 'launch', 'shape', { 'bowl.shapeLeaf': 'spots' }],
  ['copy', 'launch', 'shape', { 'bowl.shapeLeaf': 'copy' }], ['shaped body', 'launch', 'shape', { 'bowl.shapeLeaf': 'body' }], ['no valves to free', 'skerry', 'shape', {}],
  ['throats', 'launch', 'ports', {}], ['four throats', 'hollin', 'ports', {}], ['port volumes', 'launch', 'ports', { 'bowl.portsLeaf': 'volumes' }], ['places in a port', 'launch', 'ports', { 'bowl.portsLeaf': 'places' }], ['port sections', 'launch', 'ports', { 'bowl.portsLeaf': 'sections' }],
  ['moulds', 'launch', 'ports', { 'bowl.portsLeaf': 'moulds' }], ['flange', 'launch', 'ports', { 'bowl.portsLeaf': 'flange' }], ['seats', 'launch', 'ports', { 'bowl.portsLeaf': 'seats', 'bowl.portSide': 'exhaust' }], ['no ports in the head', 'skerry', 'ports', {}], ['no flange yet', 'hollin', 'ports', { 'bowl.portsLeaf': 'flange' }],
  ['cut on a solid', 'launch', 'cut', {}], ['round the seats', 'launch', 'cut', { 'bowl.cutView': 'clock' }], ['body', 'caldbeck', 'cut', { 'bowl.cutView': 'space' }], ['seat work', 'launch', 'cut', { 'bowl.cutLeaf': 'seats' }], ['what else moves', 'launch', 'cut', { 'bowl.cutLeaf': 'else' }],
  ['squish', 'launch', 'mockup', {}], ['turned head', 'skerrySmall', 'mockup', { 'bowl.mockupLeaf': 'turned' }], ['top dead centre', 'skerry', 'mockup', { 'bowl.mockupLeaf': 'tdc' }], ['clearances', 'caldbeck', 'mockup', { 'bowl.mockupLeaf': 'clearances' }], ['clearance of a dome', 'skerry', 'mockup', { 'bowl.mockupLeaf': 'clearances' }], ['springs', 'hollin', 'mockup', { 'bowl.mockupLeaf': 'springs' }], ['gauge in hand', 'launch', 'mockup', { 'bowl.gauge': 'sim-dial' }],
  ['routes', 'launch', 'route', {}], ['no route fits', 'caldbeck', 'route', {}], ['a turned head’s route', 'skerrySmall', 'route', {}],
  ['take-in', 'testSix', 'sheet', { 'bowl.sheetLeaf': 'takeIn' }], ['nothing found yet', 'launch', 'sheet', { 'bowl.sheetLeaf': 'takeIn' }],
  ['flow curves', 'caldbeck', 'flow', {}], ['before and after', 'caldbeck', 'flow', { 'bowl.flowLeaf': 'compare' }], ['new run', 'caldbeck', 'flow', { 'bowl.flowLeaf': 'run' }], ['no run yet', 'launch', 'flow', {}],
  ['daybook', 'testSix', 'daybook', {}], ['predicted and measured', 'testSix', 'daybook', { 'bowl.daybookLeaf': 'settled' }],
  ['job card', 'launch', 'daybook', { 'bowl.daybookLeaf': 'card' }], ['a card to begin', 'hollin', 'daybook', { 'bowl.daybookLeaf': 'card' }], ['afterwards', 'testSix', 'daybook', { 'bowl.daybookLeaf': 'after' }],
  ['an undrawn chamber', 'undrawn', 'cut', {}], ['throats of valves that are stated', 'undrawn', 'ports', {}], ['nothing drawn to shape', 'undrawn', 'shape', {}], ['routes by the mouth area', 'undrawn', 'route', {}],
  ['springs of an undrawn head', 'undrawn', 'mockup', { 'bowl.mockupLeaf': 'springs' }], ['its section', 'undrawn', 'sheet', {}], ['a vee of eight', 'eight', 'pour', {}], ['its stop card', 'eight', 'papers', { 'bowl.papersLeaf': 'stop' }],
  ['customer sheet', 'testSix', 'papers', {}], ['stop card', 'launch', 'papers', { 'bowl.papersLeaf': 'stop' }]
]
/** What a station is opened for, read from a metre away: no text of the station is larger. */
const LARGEST: Record<string, string> = {
  'pour': '[data-new] input', 'cut on a solid': '.ask .first', 'shape': '[data-short] .num, [data-budget] .num', 'squish': '.answer .big .num', 'deck': '.side .big .num', 'throats': '[data-share]', 'flange': '[data-step]', 'routes': '[data-route="1"] .share', 'flow curves': '[data-peak]', 'before and after': '[data-change]'
}
/** What is brought in for it, once for each server. */
const broughtIn = new Map<string, Promise<string>>()
function once(bench: Bench, what: string, bring: (bench: Bench) => Promise<string>): Promise<string> {
  const key = `${what} ${bench.server.url}`
  broughtIn.set(key, broughtIn.get(key) ?? bring(bench))
  return broughtIn.get(key)!
}
async function engineOf(bench: Bench, engine: Engine, dress: Dress): Promise<string> {
  if (engine === 'undrawn') return once(bench, engine, () => copyOf(bench, bench.launch, undefined, 'chamberModel'))
  if (engine === 'eight') return once(bench, engine, () => veeOf(bench, bench.hollin, 4))
  const { build } = DRESSES[dress]
  return !build || (engine !== 'launch' && engine !== 'testSix') ? bench[engine] : once(bench, 'twelve', build)
}

/** Waits until what a leaf is opened for stands on it. */
async function told(page: Page, station: string, engine: Engine, store: Record<string, string>): Promise<void> {
  const place = page.locator('.station-room')
  if (store['bowl.sheetLeaf'] === 'chamber') await place.locator('[data-factor]').waitFor()
  if (station === 'cut' && !store['bowl.cutLeaf'] && engine !== 'undrawn') await place.locator('[data-verdict]').first().waitFor()
  if (station === 'shape' && engine !== 'skerry' && engine !== 'undrawn') await place.locator('[data-added]').getByText('cc').waitFor()
  if (station === 'route') await place.locator('[data-route="1"], [data-none], [data-nothing]').first().waitFor()
  if (station === 'papers') await place.locator('[data-paper][aria-busy=false] canvas').first().waitFor()
  await page.waitForTimeout(500)
}

/** Stations where a hand with a glass or a gauge in the other presses: what it is to meet is large. */
const BENCH = /^(pour|shape|ports|cut|mockup|flow|daybook)$/
/** What of a leaf as it stands is too small, not whole, not to be seen or not the largest. */
async function amiss(page: Page, [name, , station, store]: Leaf, size: { width: number }, whole: boolean, contrast: boolean): Promise<string[]> {
  const found = await faults(page)
  const meant = LARGEST[name]
  if (meant) {
    const sizes = await page.locator('[data-station]').evaluate((station, selector) => {
      const size = (el: Element) => Number.parseFloat(getComputedStyle(el).fontSize)
      const texts = [...station.querySelectorAll('*')].filter(el => (el as HTMLElement).offsetParent && (el.matches('input') || [...el.childNodes].some(node => node.nodeType === 3 && node.textContent!.trim())))
      return { meant: Math.max(...[...station.querySelectorAll(selector)].map(size)), most: Math.max(...texts.map(size)) }
    }, meant)
    if (!(sizes.meant >= 32) || sizes.most !== sizes.meant) found.push(`${meant} is ${sizes.meant} px, the largest ${sizes.most}`)
  }
  // The largest figure is the one that matters: the glass on Pour, the ratio elsewhere.
  const high = (selector: string) => page.locator(selector).first().evaluate(el => Number.parseFloat(getComputedStyle(el).fontSize))
  if (station === 'pour' && store['bowl.pourLeaf'] === undefined && await high('[data-new] input') !== 80) found.push('the glass’s reading is not 80 px')
  if (station !== 'pour' && (!/^(daybook|flow|papers)$/.test(station) || size.width < 1000) && await high('[data-main-figure]') !== (size.width >= 1280 ? 80 : 48)) found.push('the main figure is of another size')
  if (BENCH.test(station) && size.width < 1000) found.push(...await narrow(page))
  // What is folded away is read too, once it is opened.
  const folded = page.locator('.station-room .v-expansion-panel-title[aria-expanded=false]')
  if (await folded.count() > 0) {
    for (let i = await folded.count(); i > 0; i--) await folded.first().click()
    await page.waitForTimeout(400)
    found.push(...(await faults(page)).map(fault => `unfolded: ${fault}`))
  }
  // Header, rail and strip are the same round every leaf.
  return [...found, ...await violations(page, whole ? 'body' : '.station-room', contrast)]
}

/** The page that a leaf is looked at in: its engine's, one for each gauge in hand. */
const pageOf = ([, engine, , store]: Leaf) => `${engine} ${store['bowl.gauge'] ?? ''}`.trim()
for (const [d, dress] of (Object.keys(DRESSES) as Dress[]).entries()) {
  // Each leaf in one dress, in turn; soaking tries every leaf in both. Those of one engine in one page, which makes its chambers once.
  const mine = LEAVES.filter((_, i) => SOAKING || (i + d) % 2 === 1)
  for (const key of new Set(mine.map(pageOf))) {
    const leaves = mine.filter(leaf => pageOf(leaf) === key)
    test(`${key}, ${dress}: every leaf readable, whole, nothing overlapping, no page scroll, no axe finding, at either size and by day and night`, async ({ page, bench }) => {
      test.setTimeout(120_000 + 60_000 * leaves.length)
      const [, engine, first] = leaves[0]!
      const night = (s: number) => String((dress === 'day, mm') === (s === 1))
      await preset(page, { ...DRESSES[dress].store, ...leaves[0]![3] })
      await open(page, bench, await engineOf(bench, engine, dress), first)
      for (const [k, leaf] of leaves.entries()) {
        const [name, , station, store] = leaf
        // Opened at the one size and turned to the other; the next begins where this one ends. Contrast is looked at where it is
        // opened, so by day on one leaf and by night on the next; soaking looks at both.
        for (const [i, s] of (k % 2 === 0 ? [0, 1] : [1, 0]).entries()) {
          await page.setViewportSize(SIZES[s]!)
          await goTo(page, station)
          await chosen(page, { ...store, 'bowl.night': night(s) })
          await told(page, station, engine, store)
          expect.soft(await amiss(page, leaf, SIZES[s]!, k === 0, SOAKING || i === 0), `${name}, ${said(SIZES[s]!)}`).toEqual([])
        }
      }
    })
  }
  for (const [s, size] of SIZES.entries()) {
    if (!SOAKING && (d + s) % 2 === 0) continue
    test(`shop at ${said(size)}, ${dress}: readable, whole, no axe finding`, async ({ page, bench }) => {
      await preset(page, DRESSES[dress].store)
      await page.setViewportSize(size)
      await engineOf(bench, 'launch', dress)
      // A shop that has been at it for a while: its list is longer than the screen.
      const { newBuild } = await import('../support/sent')
      for (let n = 0; n < 8; n++) await newBuild(bench.server.url)
      await page.goto(bench.server.url)
      await expect(page.getByText('Brackwater 34').first()).toBeVisible()
      expect(await faults(page)).toEqual([])
      await page.getByRole('tab', { name: 'Shop rules' }).click()
      expect(await faults(page)).toEqual([])
      for (const leaf of ['Today', 'Castings', 'Schools', 'Reading']) {
        await page.getByRole('tab', { name: leaf }).click()
        if (leaf === 'Schools') await page.getByRole('button', { name: /^Choose: Are chambers/ }).click()
        expect(await faults(page), leaf).toEqual([])
        expect(await violations(page), leaf).toEqual([])
      }
      for (const kind of ['Syringe', 'Dial gauge', 'Calliper', 'Degree wheel']) {
        await pick(page.getByRole('combobox', { name: 'Read a' }), kind)
        expect(await faults(page), kind).toEqual([])
      }
      await page.getByRole('tab', { name: 'Instruments' }).click()
      await page.getByRole('button', { name: 'Add an instrument' }).click()
      expect(await faults(page)).toEqual([])
      expect(await violations(page)).toEqual([])
      await page.goto(`${bench.server.url}/new`)
      await page.getByLabel('Name').waitFor()
      expect(await faults(page)).toEqual([])
      expect(await violations(page)).toEqual([])
    })
  }
}

test('the syringe lies whole in its place at both sizes, its scale reversed', async ({ page, bench }) => {
  for (const size of SIZES) {
    await page.setViewportSize(size)
    await open(page, bench, bench.launch, 'pour')
    await pick(page.locator('#instrument'), 'Bench syringe, 60 cc (± 1.5 cc)')
    await page.locator('input[data-figure="Cylinder 1: reading at the end"]').fill('4.5')
    await expect(page.getByRole('img', { name: 'syringe, start 60.0, left 4.5 cc' })).toBeVisible()
    await expect(page.locator('.live')).toContainText('55.5')
    const whole = await page.locator('.syringe').evaluate(place => [...place.querySelectorAll('svg > circle')]
      .every(c => c.getBoundingClientRect().right <= place.getBoundingClientRect().right + 1))
    expect(whole).toBe(true)
    await page.locator('input[data-figure="Cylinder 1: reading at the end"]').press('Escape')
    await pick(page.locator('#instrument'), 'Long burette, 100 cc (± 0.2 cc)')
  }
})

test('an empty build asks for what it needs instead of showing numbers', async ({ page, bench }) => {
  const { newBuild } = await import('../support/sent')
  await open(page, bench, await newBuild(bench.server.url), 'sheet')
  await expect(page.locator('.next')).toContainText('State the bore')
  await expect(page.locator('[data-main-figure]')).toHaveText('—')
  expect(await faults(page)).toEqual([])
})

/** What a finger is to meet and is lower than 44 px, drawn large or caught all round. */
const narrow = (page: Page): Promise<string[]> => page.locator('.station-room').evaluate((room) => {
  const shown = (selector: string) => [...room.querySelectorAll<HTMLElement>(selector)].filter(el => el.offsetParent)
  const small = shown('.v-btn:not(.plate, .handle, .grip), .v-field, .v-selection-control, a.go').filter(el => el.getBoundingClientRect().height < 43.5)
  // What is dragged is drawn small and caught all round it.
  const caught = shown('.handle, .grip, .plate').filter(el => Math.max(el.getBoundingClientRect().height, Number.parseFloat(getComputedStyle(el, '::before').height)) < 43.5)
  return [...small, ...caught].map(el => `lower than 44 px: ${el.textContent!.trim() || el.id || el.className}`)
})
