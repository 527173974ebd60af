import { test as base, expect, type Locator, type Page } from '@playwright/test'
import { v4 as uuid } from 'uuid'
import { TestServer, put } from './server'

export interface Bench { server: TestServer, launch: string, testSix: string, hollin: string, skerry: string, skerrySmall: string, caldbeck: string }

/** A server with the demo shop for each worker, and a page whose hand has its initials in. */
export const test = base.extend<{ bench: Bench, page: Page }, { demo: TestServer }>({
  demo: [async ({}, use) => { // eslint-disable-line no-empty-pattern -- Playwright wants the pattern
    const server = await TestServer.start({ demo: true })
    await use(server)
    await server.stop()
  }, { scope: 'worker' }],
  bench: async ({ demo }, use) => {
    const builds = await (await fetch(`${demo.url}/api/builds`)).json() as { id: string, name: string }[]
    const id = (name: string) => builds.find(b => b.name === name)!.id
    await use({
      server: demo, launch: id('Brackwater 34'), testSix: id('Millrace test six'), hollin: id('Hollin 16'), skerry: id('Skerry 247'), skerrySmall: id('Skerry 125'), caldbeck: id('Caldbeck Twin')
    })
  },
  page: async ({ page, demo: _demo }, use) => {
    await page.addInitScript(() => {
      if (localStorage.getItem('bowl.hand') === null) localStorage.setItem('bowl.hand', 'TT')
    })
    const problems: string[] = []
    page.on('pageerror', error => problems.push(error.stack ?? error.message))
    // A fault that a boundary holds is a fault all the same, but where a spec forces it.
    page.on('console', (message) => {
      if (message.type() === 'error' && message.text().includes(' broke:')) problems.push(message.text())
    })
    await use(page)
    if (problems.length > 0 && !test.info().annotations.some(a => a.type === 'forces faults')) throw new Error(`the page threw: ${problems.join('; ')}`)
  }
})
export { expect }

/** Opens a station of a build and waits until its ledger is on the screen. */
export async function open(page: Page, bench: Pick<Bench, 'server'>, build: string, station: string): Promise<void> {
  await page.goto(`${bench.server.url}/builds/${build}/${station}`)
  await page.locator('.station-room [data-station]').waitFor()
}

/** A copy of a build, for a spec that changes it: until a day, and without entries of a kind, where that is asked. */
export async function copyOf(bench: Pick<Bench, 'server'>, build: string, until?: string, without?: string): Promise<string> {
  const whole = await (await fetch(`${bench.server.url}/api/builds/${build}/file`)).json() as { entries: { at: string, kind: string }[] }
  const document = { ...whole, entries: whole.entries.filter(({ at, kind }) => (!until || at < until) && kind !== without) }
  const { json } = await put(`${bench.server.url}/api/imports/${uuid()}`, { document, copy: true, hand: 'TT' })
  return (json as { id: string }).id
}

/** The trials single as it came, before any of its metal went: a copy of its own. */
export const trialsAsCame = (bench: Bench): Promise<string> => copyOf(bench, bench.skerry, '2026-03-19')

/** Waits until what is told is of what is drawn. */
export async function reckoned(page: Page): Promise<void> {
  await expect(page.locator('[data-reckoned]')).toHaveAttribute('aria-busy', 'false', { timeout: 150_000 })
}

/** Waits until Shape has told the cut that pays the grinding back: that one is made solid beside the rest. */
export async function paidBack(page: Page): Promise<void> {
  await expect(page.locator('[data-paid]')).toHaveAttribute('aria-busy', 'false', { timeout: 150_000 })
}

/** The field with a label, in the station. */
export const field = (page: Page, label: string) => page.locator(`input[data-figure="${label}"]`)

/** Chooses out of a list by its label (or by what its plate is called), as a hand does: open it, press the line. */
export async function pick(box: Locator, option: string | RegExp): Promise<void> {
  await box.press('ArrowDown')
  await box.page().getByRole('option', { name: option, exact: typeof option === 'string' }).click()
  await expect(box.page().getByRole('listbox')).toHaveCount(0)
}
/** The list with a label. */
export const list = (page: Page, label: string) => page.getByRole('combobox', { name: label, exact: true })

/** What belongs to a build while a tab has it open; the rest belongs to the device. */
const CHOICES = /^bowl\.(\w+Leaf|pourOf|pourStays|portSide|portNth|cutView|routeAsk)$/
/** A page's choices as they are kept, and what the device keeps. */
function apart(store: Record<string, string>): { choices: Record<string, string>, device: [string, string][] } {
  const [choices, device] = [true, false].map(of => Object.entries(store).filter(([key]) => CHOICES.test(key) === of))
  return { choices: Object.fromEntries(choices!.map(([key, value]) => [key.slice('bowl.'.length), value])), device: device! }
}
/** Sets what a page remembers before it is opened. */
export const preset = (page: Page, store: Record<string, string>): Promise<unknown> => page.addInitScript(({ choices, device }) => {
  for (const [key, value] of device) localStorage.setItem(key, value)
  if (Object.keys(choices).length > 0) sessionStorage.setItem('bowl.choices', JSON.stringify({ ...JSON.parse(sessionStorage.getItem('bowl.choices') ?? '{}') as object, ...choices }))
}, apart(store))
/** The same while it is open, as where another page of the shop is told so; of the choices these are all there are. */
export const chosen = (page: Page, store: Record<string, string>): Promise<unknown> => page.evaluate(({ choices, device }) => {
  const put = (storageArea: Storage, key: string, newValue: string) => {
    storageArea.setItem(key, newValue)
    window.dispatchEvent(new StorageEvent('storage', { key, newValue, storageArea }))
  }
  put(sessionStorage, 'bowl.choices', JSON.stringify(choices))
  for (const [key, value] of device) put(localStorage, key, value)
}, apart(store))

export const STATIONS = ['sheet', 'pour', 'shape', 'ports', 'cut', 'mockup', 'route', 'flow', 'daybook', 'papers'] as const
export const SIZES = [{ width: 1280, height: 800 }, { width: 820, height: 1180 }] as const

/** Another station of the same build, as a hand goes there: along the rail, with all that the page has made; one that it has not, by its address. */
export async function goTo(page: Page, station: string): Promise<void> {
  const link = page.locator(`.rail a[href$="/${station}"]`)
  if (await link.count() > 0) await link.click()
  else await page.goto(new URL(station, page.url()).href)
  await page.locator(`.${station}[data-station]`).waitFor()
}

/** Waits until what stands on the screen has not changed for a moment, and nothing says that it is being worked out. */
export async function still(page: Page): Promise<void> {
  await page.waitForFunction(async () => {
    const now = () => document.querySelector('.station-room [aria-busy=true], .solids .line') ? Symbol('busy') : document.body.innerText
    const before = now()
    // A page whose thread was taken meanwhile has drawn nothing yet: it is looked at twice, each time after it could.
    for (const wait of [250, 150]) {
      await new Promise(resolve => setTimeout(resolve, wait))
      await new Promise(resolve => requestAnimationFrame(() => requestAnimationFrame(resolve)))
      if (now() !== before) return false
    }
    return true
  }, undefined, { timeout: 150_000 })
}

/** Stations that make solids of drawn chambers. */
const SOLID: readonly string[] = ['shape', 'cut', 'papers'] satisfies (typeof STATIONS)[number][]

/** Every leaf of every station: what `look` finds there. */
export async function everyLeaf<T>(page: Page, bench: Pick<Bench, 'server'>, build: string, look: () => Promise<T>): Promise<[leaf: string, T][]> {
  const seen: [string, T][] = []
  if (!page.url().includes(build)) await open(page, bench, build, 'sheet')
  for (const station of STATIONS) {
    await goTo(page, station)
    // It asks for its solids a moment after it is there, and what takes long is said only once it has.
    await page.waitForTimeout(SOLID.includes(station) ? 2800 : 300)
    const tabs = page.locator('.station-room [role=tab]')
    for (let i = 0; i < Math.max(1, await tabs.count()); i++) {
      if (await tabs.nth(i).count() > 0) await tabs.nth(i).click()
      await still(page)
      seen.push([`${station}, ${await tabs.nth(i).textContent({ timeout: 500 }).catch(() => '')}`, await look()])
    }
  }
  return seen
}
