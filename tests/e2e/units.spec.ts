import type { Page } from '@playwright/test'
import { UNITS } from '#shared/figures'
import { STATIONS } from '../../app/words/stations'
import { expect, open, test } from '../support/page'

/** Leaves of every station, and the builds they are looked at on: one with a drawing and one with a turned head. */
const PLACES = Object.entries(STATIONS).flatMap(([station, { leaves }]) => leaves.map(leaf => [station, leaf.key] as const))

/** What is written on the screen, by lines, what only a screen reader hears too; drawings at their own scale apart. */
async function written(page: Page): Promise<string[]> {
  await page.locator('.station-room [data-station]').waitFor()
  await page.waitForTimeout(600)
  return page.evaluate(() => {
    const texts = document.body.innerText.split('\n')
    const labels = [...document.querySelectorAll('[aria-label], [placeholder]')].flatMap(el => [el.getAttribute('aria-label') ?? '', el.getAttribute('placeholder') ?? ''])
    return [...texts, ...labels].map(t => t.trim()).filter(Boolean)
  })
}
const BAD: readonly [RegExp, string][] = [[/[−-]0(\.0+)?(?![\d.])/, 'a minus before nothing'], [/(?<![\w/])(mm|in|cc|g|rpm|°) \1(?!\w)/, 'a unit twice'], [/\bNaN\b|\bundefined\b|Infinity/, 'no number']]

for (const name of ['launch', 'skerry'] as const) {
  test(`an inch shop sees no millimetre, and no odd figure, on any leaf: ${name}`, async ({ page, bench }) => {
    test.setTimeout(300_000)
    await page.addInitScript(() => localStorage.setItem('bowl.lengths', 'in'))
    const found: string[] = []
    for (const [station, leaf] of PLACES) {
      await page.addInitScript(([s, l]) => localStorage.setItem(`bowl.${s}Leaf`, l!), [station, leaf] as const)
      await open(page, bench, bench[name], station)
      for (const line of await written(page)) {
        // An entry tells what was typed, in its own unit.
        if (/\bmm[²2]?\b/.test(line.replace(/typed “[^”]*”/g, '').replace(/\bmm(?: or inches|, cm)/g, '')) && !/in millimetres|Lengths in/.test(line)) found.push(`${station} ${leaf}: ${line}`)
        for (const [pattern, what] of BAD) if (pattern.test(line)) found.push(`${station} ${leaf}, ${what}: ${line}`)
      }
    }
    expect([...new Set(found)]).toEqual([])
  })
}

test('every figure with a source is the same in inches and in millimetres, and nothing stored is touched', async ({ page, bench }) => {
  test.setTimeout(300_000)
  const stored = async () => JSON.stringify(await (await fetch(`${bench.server.url}/api/builds/${bench.launch}/file`)).json())
  const before = await stored()
  /** Readings by their label: number and unit. */
  const readings = () => page.evaluate(() => [...document.querySelectorAll('.reading')].map(el => el.getAttribute('aria-label') ?? ''))
  const FIGURE = /(−?\d+(?:\.\d+)?) (mm²|in²|mm|in|cc|µm|µin)?/
  for (const [station, leaf] of PLACES) {
    await page.addInitScript(([s, l]) => localStorage.setItem(`bowl.${s}Leaf`, l!), [station, leaf] as const)
    const seen: Record<string, string[]> = {}
    for (const lengths of ['mm', 'in']) {
      await page.addInitScript(unit => localStorage.setItem('bowl.lengths', unit), lengths)
      await open(page, bench, bench.launch, station)
      await page.waitForTimeout(900)
      seen[lengths] = await readings()
    }
    expect(seen.in!.length).toBe(seen.mm!.length)
    seen.mm!.forEach((mm, i) => {
      const [a, b] = [FIGURE.exec(mm.replace(/\.$/, '')), FIGURE.exec(seen.in![i]!)]
      if (!a || !b || !a[2]) return
      const value = (m: RegExpExecArray) => Number(m[1]!.replace('−', '-')) * ({ 'mm²': 1, 'in²': UNITS.in2.factor, 'mm': 1, 'in': UNITS.in.factor, 'cc': 1, 'µm': 1, 'µin': UNITS.µin.factor } as Record<string, number>)[m[2] ?? 'cc']!
      const grain = { 'mm²': 1, 'mm': 0.01, 'cc': 0.001, 'µm': 0.03 }[a[2]] ?? 0.01
      if (!/cc per/.test(mm)) expect(Math.abs(value(a) - value(b)), `${mm} / ${seen.in![i]}`).toBeLessThan(grain)
    })
  }
  expect(await stored()).toBe(before)
})
