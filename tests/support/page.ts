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

/** A copy of a build, for a spec that changes it. */
export async function copyOf(bench: Pick<Bench, 'server'>, build: string, until?: string): Promise<string> {
  const whole = await (await fetch(`${bench.server.url}/api/builds/${build}/file`)).json() as { entries: { at: string }[] }
  const document = until ? { ...whole, entries: whole.entries.filter(({ at }) => at < until) } : whole
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
/** Sets what a page remembers before it is opened. */
export const preset = (page: Page, store: Record<string, string>): Promise<unknown> => {
  const [choices, device] = [true, false].map(of => Object.entries(store).filter(([key]) => CHOICES.test(key) === of))
  return page.addInitScript(([chosen, rest]) => {
    for (const [key, value] of rest!) localStorage.setItem(key!, value!)
    if (chosen!.length > 0) sessionStorage.setItem('bowl.choices', JSON.stringify({ ...JSON.parse(sessionStorage.getItem('bowl.choices') ?? '{}') as object, ...Object.fromEntries(chosen!.map(([key, value]) => [key!.slice('bowl.'.length), value!])) }))
  }, [choices!, device!])
}

export const STATIONS = ['sheet', 'pour', 'shape', 'ports', 'cut', 'mockup', 'route', 'flow', 'daybook', 'papers'] as const
export const SIZES = [{ width: 1280, height: 800 }, { width: 820, height: 1180 }] as const

/** Every leaf of every station, in a shop's lengths: what `look` finds there. */
export async function everyLeaf<T>(page: Page, bench: Pick<Bench, 'server'>, build: string, lengths: 'mm' | 'in', look: () => Promise<T>): Promise<[leaf: string, T][]> {
  const seen: [string, T][] = []
  await page.goto(bench.server.url)
  await page.evaluate(unit => localStorage.setItem('bowl.lengths', unit), lengths)
  for (const station of STATIONS) {
    await open(page, bench, build, station)
    await expect(page.getByRole('button', { name: lengths === 'in' ? 'Lengths in inches: change' : 'Lengths in mm: change' })).toBeVisible()
    const tabs = page.locator('.station-room [role=tab]')
    for (let i = 0; i < Math.max(1, await tabs.count()); i++) {
      if (await tabs.nth(i).count() > 0) await tabs.nth(i).click()
      await page.waitForTimeout(900)
      seen.push([`${station}, ${await tabs.nth(i).textContent({ timeout: 500 }).catch(() => '')}`, await look()])
    }
  }
  return seen
}
