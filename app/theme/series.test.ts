import { differenceCiede2000, filterDeficiencyDeuter, filterDeficiencyProt, filterDeficiencyTrit, formatHex, parse, wcagContrast, type Rgb } from 'culori'
import { describe, expect, it } from 'vitest'
import { bench } from './blueprint'
import { SERIES } from './series'

const sight = (filter: (colour: Rgb) => Rgb) => (hex: string): string => formatHex(filter(parse(hex) as Rgb))
const SIGHTS = { normal: (hex: string) => hex, protan: sight(filterDeficiencyProt(1)), deutan: sight(filterDeficiencyDeuter(1)), tritan: sight(filterDeficiencyTrit(1)) } as const
const apart = differenceCiede2000()
const sheet = (theme: 'day' | 'night') => (bench.theme as { themes: Record<string, { colors: Record<string, string> }> }).themes[theme]!.colors.sheet!

describe.each(['day', 'night'] as const)('the lines of a chart by %s', (theme) => {
  it.each(SERIES.map((s, i) => [i, s[theme]] as const))('number %i, %s, stands 3:1 against the sheet', (_, colour) =>
    expect(wcagContrast(colour, sheet(theme))).toBeGreaterThanOrEqual(3))
  it.each(Object.keys(SIGHTS) as (keyof typeof SIGHTS)[])('are told apart in %s sight, by colour or by dashes', (eyes) => {
    const seen = SERIES.map(s => SIGHTS[eyes](s[theme]))
    SERIES.forEach((a, i) => SERIES.slice(i + 1).forEach((b, k) => {
      const far = apart(seen[i]!, seen[i + 1 + k]!)
      // 2.3 is what a trained eye just sees; those of one dash must be plainly apart.
      expect(far, `${i} and ${i + 1 + k}`).toBeGreaterThan(a.dash.join() === b.dash.join() ? 10 : 2.3)
    }))
  })
})

describe.each(['day', 'night'] as const)('words and filled plates by %s', (theme) => {
  const colours = (bench.theme as { themes: Record<string, { colors: Record<string, string> }> }).themes[theme]!.colors
  it.each([['ink', 'sheet'], ['quiet', 'sheet'], ['quiet', 'sheet-deep'], ['dye', 'sheet'], ['brass', 'sheet'], ['stop', 'sheet'], ['ink', 'well'], ['on-fill', 'fill']])('%s on %s is 4.5:1 or more', (word, ground) =>
    expect(wcagContrast(colours[word]!, colours[ground]!)).toBeGreaterThanOrEqual(4.5))
  it('no filled plate outshines a figure', () => expect(wcagContrast(colours.fill!, colours.sheet!)).toBeLessThan(wcagContrast(colours.ink!, colours.sheet!)))
})
