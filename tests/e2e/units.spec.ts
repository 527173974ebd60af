import type { Page } from '@playwright/test'
import { UNITS } from '#shared/figures'
import { everyLeaf, expect, test } from '../support/page'

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

for (const name of ['launch', 'skerrySmall'] as const) {
  test(`an inch shop sees no millimetre, and no odd figure, on any leaf: ${name}`, async ({ page, bench }) => {
    test.setTimeout(300_000)
    const found = new Set<string>()
    for (const [leaf, lines] of await everyLeaf(page, bench, bench[name], 'in', () => written(page))) {
      for (const line of lines) {
        // An entry tells what was typed, in its own unit.
        if (/\bmm[²2]?\b/.test(line.replace(/typed “[^”]*”/g, ''))) found.add(`${leaf}: ${line}`)
        for (const [pattern, what] of BAD) if (pattern.test(line)) found.add(`${leaf}, ${what}: ${line}`)
      }
    }
    expect([...found]).toEqual([])
  })
}

test('every figure with a source is the same in inches and in millimetres, and nothing stored is touched', async ({ page, bench }) => {
  test.setTimeout(300_000)
  const stored = async () => JSON.stringify(await (await fetch(`${bench.server.url}/api/builds/${bench.launch}/file`)).json())
  const before = await stored()
  const readings = () => page.evaluate(() => [
    ...[...document.querySelectorAll('.reading')].map(el => el.getAttribute('aria-label') ?? ''),
    ...[...document.querySelectorAll<HTMLInputElement>('input[data-figure]')].map(el => `${el.dataset.figure} ${el.value} ${el.closest('.figure-field')?.querySelector('.v-text-field__suffix')?.textContent} ±`)
  ])
  const FIGURE = /(−?\d+(?:\.\d+)?) (mm²|in²|mm|in|cc|µm|µin) ±/
  const FACTOR: Record<string, number> = { 'mm²': 1, 'in²': UNITS.in2.factor, 'mm': 1, 'in': UNITS.in.factor, 'cc': 1, 'µm': 1, 'µin': UNITS.µin.factor }
  const GRAIN: Record<string, number> = { 'mm²': 1, 'mm': 0.01, 'cc': 0.001, 'µm': 0.03 }
  const [metric, inches] = [await everyLeaf(page, bench, bench.launch, 'mm', readings), await everyLeaf(page, bench, bench.launch, 'in', readings)]
  let compared = 0
  metric.forEach(([leaf, list], k) => {
    expect(inches[k]![1].length, leaf).toBe(list.length)
    list.forEach((mm, i) => {
      const inch = inches[k]![1][i]!
      const [a, b] = [FIGURE.exec(mm), FIGURE.exec(inch)]
      // What a depth takes is told for a millimetre or for a thou.
      if (!a || !b || /^cc per/.test(mm)) return
      const value = (m: RegExpExecArray) => Number(m[1]!.replace('−', '-')) * FACTOR[m[2]!]!
      expect(Math.abs(value(a) - value(b)), `${leaf}: ${mm} / ${inch}`).toBeLessThan(GRAIN[a[2]!]!)
      if (a[2] !== b[2]) compared++
    })
  })
  expect(compared).toBeGreaterThan(40)
  expect(await stored()).toBe(before)
})
