import { copyOf, expect, field, open, preset, test } from '../support/page'

// Bad input at the fields of the measuring stations: a sentence beside the field, and nothing kept.

const kept = async (url: string, build: string) => (await (await fetch(`${url}/api/builds/${build}`)).json() as { entries: unknown[] }).entries.length

const CASES: { what: string, station: string, store: Record<string, string>, label: string, typed: string[], says: RegExp }[] = [
  { what: 'a crown deeper than its bore', station: 'pour', store: { 'bowl.pourOf': 'crown' }, label: 'Piston crown 1: reading at the end', typed: ['140', '-3', '1e3', '12 mm', '0'], says: /scale|cc|number|greater|unit|exponent|volume/i },
  { what: 'a leak of a port', station: 'pour', store: { 'bowl.pourOf': 'exhaustPort' }, label: 'Exhaust port 1: reading at the end', typed: ['<b>1</b>', '1/0', '60+', '999999999'], says: /./ },
  { what: 'solder', station: 'mockup', store: {}, label: 'Solder 1, pin, front', typed: ['-1', '70 mm', 'abc', '1,000.5', '1.2.3'], says: /./ },
  { what: 'a deck reading', station: 'sheet', store: { 'bowl.sheetLeaf': 'deck' }, label: 'Deck 1, pin, front', typed: ['40', '1e-3', '2 cc', 'Infinity', '١'], says: /./ },
  { what: 'the wheel', station: 'mockup', store: { 'bowl.mockupLeaf': 'tdc' }, label: 'Wheel before, pair 1', typed: ['12 mm', '9999', 'NaN'], says: /./ },
  { what: 'a deck cut', station: 'sheet', store: { 'bowl.sheetLeaf': 'deck' }, label: 'Depth off the deck, to plan', typed: ['-0.2', '40', 'all'], says: /./ },
  { what: 'a clearance', station: 'mockup', store: { 'bowl.mockupLeaf': 'clearances' }, label: 'Valve to valve', typed: ['900', '--1', '3 °'], says: /./ }
]

for (const { what, station, store, label, typed, says } of CASES) {
  test(`${what}: what can’t be is said at its field and changes nothing`, async ({ page, bench }) => {
    const build = await copyOf(bench, bench.launch)
    await preset(page, store)
    await open(page, bench, build, station)
    const before = await kept(bench.server.url, build)
    for (const text of typed) {
      const well = field(page, label)
      await well.fill(text)
      await well.press('Enter')
      const box = page.locator('.figure-field', { has: well })
      await expect(box.locator('.sentence').or(page.locator('.live .sentence'))).not.toHaveCount(0)
      await expect(box.locator('.sentence').or(page.locator('.live .sentence')).first()).toContainText(says)
      // What was typed is still there to be mended.
      await expect(well).toHaveValue(text)
      await well.press('Escape')
    }
    expect(await kept(bench.server.url, build)).toBe(before)
  })
}
