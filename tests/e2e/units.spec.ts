import type { Page } from '@playwright/test'
import { UNITS } from '#shared/figures'
import { everyLeaf, expect, still, test } from '../support/page'

/** What is written on the screen, by lines, what only a screen reader hears too; drawings at their own scale apart. */
const written = (page: Page): Promise<string[]> => page.evaluate(() => {
  const texts = document.body.innerText.split('\n')
  const labels = [...document.querySelectorAll('[aria-label], [placeholder]')].flatMap(el => [el.getAttribute('aria-label') ?? '', el.getAttribute('placeholder') ?? ''])
  return [...texts, ...labels].map(t => t.trim()).filter(Boolean)
})
const BAD: readonly [RegExp, string][] = [[/[−-]0(\.0+)?(?![\d.])/, 'a minus before nothing'], [/(?<![\w/])(mm|in|cc|g|rpm|°) \1(?!\w)/, 'a unit twice'], [/\bNaN\b|\bundefined\b|Infinity/, 'no number']]
/** What an inch shop is not to see. */
const odd = (leaf: string, lines: string[]) => lines.flatMap(line => [
  // An entry tells what was typed, in its own unit.
  ...(/\bmm[²2]?\b|\bm\/s\b|\bL\/s\b|°C|\bhPa\b/.test(line.replace(/typed “[^”]*”/g, '')) ? [`${leaf}: ${line}`] : []),
  ...BAD.flatMap(([pattern, what]) => pattern.test(line) ? [`${leaf}, ${what}: ${line}`] : [])
])
/** Every figure that is told with a source, and every field with what is in it. */
const readings = (page: Page) => page.evaluate(() => [
  ...[...document.querySelectorAll('.reading')].map(el => el.getAttribute('aria-label') ?? ''),
  ...[...document.querySelectorAll<HTMLInputElement>('input[data-figure]')].map(el => `${el.dataset.figure} ${el.value} ${el.closest('.figure-field')?.querySelector('.v-text-field__suffix')?.textContent} ±`)
])
const FIGURE = /(−?\d+(?:\.\d+)?) (mm²|in²|mm|in|cc|µm|µin) ±/
const FACTOR: Record<string, number> = { 'mm²': 1, 'in²': UNITS.in2.factor, 'mm': 1, 'in': UNITS.in.factor, 'cc': 1, 'µm': 1, 'µin': UNITS.µin.factor }
const GRAIN: Record<string, number> = { 'mm²': 1, 'mm': 0.01, 'cc': 0.001, 'µm': 0.03 }

for (const [name, least] of [['launch', 40], ['skerrySmall', 20]] as const) {
  test(`an inch shop sees no millimetre and no odd figure on any leaf, and every figure is the one of a metric shop; nothing stored is touched: ${name}`, async ({ page, bench }) => {
    const stored = async () => JSON.stringify(await (await fetch(`${bench.server.url}/api/builds/${bench[name]}/file`)).json())
    const before = await stored()
    // A leaf is opened in the lengths that the one before was left in, and turned to the others.
    let now: 'mm' | 'inches' = 'mm'
    const leaves = await everyLeaf(page, bench, bench[name], async () => {
      const read = async () => ({ told: await readings(page), lines: await written(page) })
      const first = await read()
      await page.getByRole('button', { name: `Lengths in ${now}: change` }).click()
      now = now === 'mm' ? 'inches' : 'mm'
      await expect(page.getByRole('button', { name: `Lengths in ${now}: change` })).toBeVisible()
      await still(page)
      const then = await read()
      return now === 'inches' ? { metric: first, inches: then } : { metric: then, inches: first }
    })
    expect([...new Set(leaves.flatMap(([leaf, { inches }]) => odd(leaf, inches.lines)))]).toEqual([])
    let compared = 0
    leaves.forEach(([leaf, { metric, inches: { told } }]) => {
      expect(told.length, leaf).toBe(metric.told.length)
      metric.told.forEach((mm, i) => {
        const [a, b] = [FIGURE.exec(mm), FIGURE.exec(told[i]!)]
        // What a depth takes is told for a millimetre or for a thou.
        if (!a || !b || /^cc per/.test(mm)) return
        const value = (m: RegExpExecArray) => Number(m[1]!.replace('−', '-')) * FACTOR[m[2]!]!
        expect(Math.abs(value(a) - value(b)), `${leaf}: ${mm} / ${told[i]}`).toBeLessThan(GRAIN[a[2]!]!)
        if (a[2] !== b[2]) compared++
      })
    })
    expect(compared).toBeGreaterThan(least)
    expect(await stored()).toBe(before)
  })
}
