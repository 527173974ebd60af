import AxeBuilder from '@axe-core/playwright'
import type { Page } from '@playwright/test'
import { SIZES, STATIONS, expect, open, pick, test } from '../support/page'

const said = (size: { width: number, height: number }) => `${size.width}x${size.height}`

async function violations(page: Page): Promise<string[]> {
  const { violations: found } = await new AxeBuilder({ page }).analyze()
  return found.filter(v => v.impact === 'serious' || v.impact === 'critical').map(v => `${v.id}: ${v.nodes.map(n => n.target.join(' ')).slice(0, 4).join(' | ')}`)
}

/** What is too small, cut off or on top of something else, by the page's own geometry. */
function faults(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const found: string[] = []
    const room = document.scrollingElement!
    if (room.scrollHeight > window.innerHeight || room.scrollWidth > window.innerWidth) found.push('the page scrolls')
    const seen: { text: string, el: Element, letters: DOMRect[] }[] = []
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const text = node.textContent!.trim()
      const el = node.parentElement!
      if (!text || el.closest('.visually-hidden, script, style, option, select')) continue
      // What is folded away has boxes too.
      if (!el.checkVisibility({ contentVisibilityAuto: true })) continue
      const style = getComputedStyle(el)
      if (style.visibility === 'hidden' || style.display === 'none' || style.opacity === '0') continue
      const range = document.createRange()
      range.selectNodeContents(node)
      const box = range.getBoundingClientRect()
      if (box.width === 0 || box.height === 0) continue
      // A line box is taller than its letters: what counts is from the capitals' top to the baseline.
      const letters = [...range.getClientRects()].map((line) => {
        const high = Number.parseFloat(style.fontSize) * 0.36
        const middle = (line.top + line.bottom) / 2
        return new DOMRect(line.left, middle - high, line.width, 2 * high)
      })
      const svg = el.closest('svg')
      const scale = svg ? svg.getScreenCTM()!.a : 1
      if (Number.parseFloat(style.fontSize) * scale < 12.9) found.push(`too small: “${text.slice(0, 30)}” ${(Number.parseFloat(style.fontSize) * scale).toFixed(1)} px`)
      // What a scrolling list has below its edge is not cut off.
      let clip: Element | null = el
      let scrolled = false
      while (clip) {
        const { overflowX, overflowY } = getComputedStyle(clip)
        const frame = clip.getBoundingClientRect()
        if (overflowY === 'auto' && (box.bottom > frame.bottom || box.top < frame.top)) scrolled = true
        if ((overflowX === 'hidden' || overflowX === 'clip') && clip !== document.documentElement && clip !== document.body && (box.right > frame.right + 1.5 || box.left < frame.left - 1.5)) {
          found.push(`cut off: “${text.slice(0, 30)}”`)
        }
        if (overflowY === 'hidden' && !scrolled && clip !== document.documentElement && clip !== document.body && box.bottom > frame.bottom + 2.5) found.push(`cut below: “${text.slice(0, 30)}”`)
        clip = clip.parentElement
      }
      if (!scrolled) seen.push({ text, el, letters })
    }
    seen.forEach((a, i) => seen.slice(i + 1).forEach((b) => {
      if (a.el === b.el || a.el.contains(b.el) || b.el.contains(a.el)) return
      const over = a.letters.some(p => b.letters.some(q =>
        Math.min(p.right, q.right) - Math.max(p.left, q.left) > 2 && Math.min(p.bottom, q.bottom) - Math.max(p.top, q.top) > 2))
      if (over) found.push(`overlap: “${a.text.slice(0, 24)}” and “${b.text.slice(0, 24)}”`)
    }))
    return [...new Set(found)]
  })
}

for (const size of SIZES) {
  for (const station of STATIONS) {
    test(`${station} at ${said(size)}: readable, whole, nothing overlapping, no page scroll, no axe finding`, async ({ page, bench }) => {
      await page.setViewportSize(size)
      await open(page, bench, station === 'daybook' ? bench.testSix : bench.launch, station)
      await page.waitForTimeout(300)
      expect(await faults(page)).toEqual([])
      const height = await page.locator('[data-main-figure]').evaluate(el => Number.parseFloat(getComputedStyle(el).fontSize))
      expect(height).toBe(size.width >= 1280 ? 80 : 48)
      expect(await violations(page)).toEqual([])
    })
  }
  const leaves: [name: string, build: 'launch' | 'skerry' | 'caldbeck' | 'hollin', station: string, store: Record<string, string>][] = [
    ['even', 'launch', 'pour', { 'bowl.pourLeaf': 'even' }], ['ports', 'launch', 'pour', { 'bowl.pourLeaf': 'ports', 'bowl.pourOf': 'intakePort' }],
    ['crown and its steps', 'hollin', 'pour', { 'bowl.pourLeaf': 'steps', 'bowl.pourOf': 'crown' }], ['assembled', 'skerry', 'pour', { 'bowl.pourOf': 'assembled' }],
    ['deck', 'skerry', 'sheet', { 'bowl.sheetLeaf': 'deck' }], ['gaskets', 'launch', 'sheet', { 'bowl.sheetLeaf': 'gaskets' }],
    ['turned head', 'skerry', 'mockup', {}], ['seat work', 'launch', 'cut', { 'bowl.cutLeaf': 'seats' }], ['what else moves', 'launch', 'cut', { 'bowl.cutLeaf': 'else' }], ['top dead centre', 'skerry', 'mockup', { 'bowl.mockupLeaf': 'tdc' }],
    ['chamber', 'launch', 'sheet', { 'bowl.sheetLeaf': 'chamber' }], ['pent roof', 'hollin', 'sheet', { 'bowl.sheetLeaf': 'chamber' }], ['turned dome', 'skerry', 'sheet', { 'bowl.sheetLeaf': 'chamber' }],
    ['cut on a solid', 'launch', 'cut', {}], ['round the seats', 'launch', 'cut', { 'bowl.cutView': 'clock' }], ['body', 'caldbeck', 'cut', { 'bowl.cutView': 'space' }],
    ['shape over lift', 'hollin', 'shape', { 'bowl.shapeLeaf': 'factor' }], ['hot spots', 'launch', 'shape', { 'bowl.shapeLeaf': 'spots' }], ['copy', 'launch', 'shape', { 'bowl.shapeLeaf': 'copy' }], ['no valves to free', 'skerry', 'shape', {}],
    ['valves', 'caldbeck', 'mockup', { 'bowl.mockupLeaf': 'valves' }], ['gauge in hand', 'launch', 'mockup', { 'bowl.gauge': 'sim-dial' }]
  ]
  for (const [name, build, station, store] of leaves) {
    test(`${name} at ${said(size)}: readable, whole, nothing overlapping, no axe finding`, async ({ page, bench }) => {
      await page.addInitScript(kept => Object.entries(kept).forEach(([key, value]) => localStorage.setItem(key, value)), store)
      await page.setViewportSize(size)
      await open(page, bench, bench[build], station)
      if (store['bowl.sheetLeaf'] === 'chamber') await page.locator('[data-factor]').waitFor({ timeout: 60_000 })
      if (station === 'cut' && !store['bowl.cutLeaf']) await page.locator('[data-verdict]').first().waitFor({ timeout: 60_000 })
      if (station === 'shape' && build !== 'skerry') await page.locator('[data-added]').getByText('cc').waitFor({ timeout: 60_000 })
      await page.waitForTimeout(500)
      expect(await faults(page)).toEqual([])
      expect(await violations(page)).toEqual([])
    })
  }
  test(`shop at ${said(size)}: readable, whole, no axe finding`, async ({ page, bench }) => {
    await page.setViewportSize(size)
    // A shop that has been at it for a while: its list is longer than the screen.
    const { newBuild } = await import('../support/sent')
    for (let i = 0; i < 8; i++) await newBuild(bench.server.url)
    await page.goto(bench.server.url)
    await expect(page.getByText('Brackwater 34').first()).toBeVisible()
    await page.getByRole('button', { name: 'Add an instrument' }).click()
    expect(await faults(page)).toEqual([])
    expect(await violations(page)).toEqual([])
  })
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

test('night colours keep their contrast on every station', async ({ page, bench }) => {
  await page.addInitScript(() => localStorage.setItem('bowl.night', 'true'))
  for (const station of STATIONS) {
    await open(page, bench, bench.launch, station)
    expect(await violations(page)).toEqual([])
  }
})

test('an empty build asks for what it needs instead of showing numbers', async ({ page, bench }) => {
  const { newBuild } = await import('../support/sent')
  await open(page, bench, await newBuild(bench.server.url), 'sheet')
  await expect(page.locator('.next')).toContainText('State the bore')
  await expect(page.locator('[data-main-figure]')).toHaveText('—')
  expect(await faults(page)).toEqual([])
})

test('bench targets are 44 px or more', async ({ page, bench }) => {
  await page.setViewportSize(SIZES[1])
  for (const station of ['pour', 'shape', 'cut', 'mockup'] as const) {
    await open(page, bench, bench.launch, station)
    const small = await page.locator('.station-room').evaluate(room => [...room.querySelectorAll<HTMLElement>('.v-btn:not(.go, .plate, .handle, .grip), .v-field')]
      .filter(el => el.offsetParent && el.getBoundingClientRect().height < 43.5).map(el => el.textContent!.trim() || el.id))
    expect(small).toEqual([])
  }
})
