import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { launchChamber } from '../../demo/chambers'
import { flangeStep, outlinePoints } from '#core'
import { flangeTemplate, scribeTemplate, templatePdf, templateSvg, type TemplateCase } from './template'

const it100 = 10 // px per mm at 254 dpi
const sheet: TemplateCase = { spec: launchChamber(), bore: 92, gasketBore: 94, line: 45.5, edge: [], marks: [130, 170], valve: 0, lift: 6, title: 'Brackwater 34, cylinder 1' }
/** Middle of the drawing on the page, mm. */
const [CX, CY] = [105, 110]

let folder: string
let page: { width: number, height: number, grey: Uint8Array }
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'template-'))
  writeFileSync(join(folder, 'sheet.pdf'), await templatePdf(scribeTemplate(sheet)))
  page = rendering('sheet')
})
afterAll(() => rmSync(folder, { recursive: true, force: true }))

/** A sheet as it prints, by a program that knows nothing of ours, ten pixels to the millimetre. */
function rendering(name: string): typeof page {
  execFileSync('pdftoppm', ['-r', '254', '-gray', join(folder, `${name}.pdf`), join(folder, name)])
  const bytes = readFileSync(join(folder, `${name}-1.pgm`))
  const [, width, height] = /^P5\s+(\d+)\s+(\d+)\s+255\s/.exec(bytes.subarray(0, 40).toString('latin1'))!
  return { width: Number(width), height: Number(height), grey: bytes.subarray(bytes.length - Number(width) * Number(height)) }
}
const dark = (x: number, y: number) => page.grey[Math.round(y * it100) * page.width + Math.round(x * it100)]! < 160
/** Whether there is ink within a tenth or two of a place, mm. */
const ink = (x: number, y: number, within = 0.2) => {
  for (let dx = -within; dx <= within; dx += 0.1) for (let dy = -within; dy <= within; dy += 0.1) if (dark(x + dx, y + dy)) return true
  return false
}
/** First and last ink along a level line between two places, mm. */
function along(y: number, from: number, to: number): [number, number] {
  const xs: number[] = []
  for (let x = from; x <= to; x += 0.1) if (dark(x, y)) xs.push(x)
  return [xs[0]!, xs.at(-1)!]
}

describe('the scribe template, printed', () => {
  it('is A4, and its ruler measures 100 mm to 0.2 mm', () => {
    expect(page.width / it100).toBeCloseTo(210, 0)
    expect(page.height / it100).toBeCloseTo(297, 0)
    // Between the middles of the first and the last long stroke, 4 mm over the line.
    const middle = ([from, to]: [number, number]) => (from + to) / 2
    const ruler = middle(along(211, 150, 160)) - middle(along(211, 50, 60))
    expect(Math.abs(ruler - 100)).toBeLessThan(0.2)
  })
  it('has the limit’s circle at its true size, all round', () => {
    for (let i = 0; i < 24; i++) {
      const t = i * Math.PI / 12
      expect(ink(CX + 45.5 * Math.cos(t), CY + 45.5 * Math.sin(t)), `${i * 15}°`).toBe(true)
    }
  })
  it('is not mirrored: the pad lies up the page, the larger valve to the left, as the head lies on the bench', () => {
    // The pad's chord at y = −14.67, seen from below: up.
    expect(ink(CX + 4, CY - 14.67)).toBe(true)
    expect(ink(CX + 4, CY + 14.67)).toBe(false)
    // The intake's middle is marked at −19.4, its seat reaches 22.25 mm further left; the exhaust's 18.5 right of 23.9.
    expect(ink(CX - 19.4, CY + 6.8 + 2)).toBe(true)
    expect(ink(CX + 19.4, CY + 6.8 + 2)).toBe(false)
    expect(ink(CX - 19.4 - 22.25, CY + 6.8)).toBe(true)
    expect(ink(CX + 23.9 + 18.5, CY + 3.5)).toBe(true)
  })
  it('says the same as SVG, mm for mm, and lets no markup through', () => {
    const svg = templateSvg(scribeTemplate({ ...sheet, title: 'A <script>"x"</script> & co' }))
    expect(svg).toContain('width="210mm" height="297mm" viewBox="0 0 210 297"')
    expect(svg).not.toContain('<script>')
    const xs = [...svg.matchAll(/M(\d+\.\d+) 215\.000L(\d+\.\d+) 215\.000"/g)][0]!
    expect(Number(xs[2]) - Number(xs[1])).toBeCloseTo(100, 6)
  })
})

describe('the flange template, printed', () => {
  it('has the opening at its true size where the dowels put it, roof up and not mirrored', async () => {
    const rendered = page
    const outline = { form: 'rectangle' as const, x: 6, y: 4, width: 35, height: 42, radius: 8 }
    const [to, now] = [outlinePoints(outline), outlinePoints({ ...outline, width: 33 })]
    writeFileSync(join(folder, 'flange.pdf'), await templatePdf(flangeTemplate({ title: 'Brackwater 34, intake 1', onto: 'port', to, now, metal: flangeStep({ upstream: to, downstream: now }).faces })))
    try {
      page = rendering('flange')
      // 17.5 right of a middle that is 6 right and 4 up of the dowels; 21 above and below it.
      for (const [x, y] of [[6 + 17.5, 4], [6 - 17.5, 4], [6, 25], [6, -17], [6 + 16.5, 4]] as const) expect(ink(105 + x, 120 - y), `${x} ${y}`).toBe(true)
      for (const [x, y] of [[-6 - 17.5, 4], [6, 17 + 4 - 2], [6, -25]] as const) expect(ink(105 + x, 120 - y), `${x} ${y}`).toBe(false)
      const middle = ([from, last]: [number, number]) => (from + last) / 2
      const right = middle(along(116, 128, 129))
      const left = middle(along(116, 93, 94))
      expect(Math.abs(right - left - 35)).toBeLessThan(0.2)
      const ruler = middle(along(211, 150, 160)) - middle(along(211, 50, 60))
      expect(Math.abs(ruler - 100)).toBeLessThan(0.2)
    } finally {
      page = rendered
    }
  })
})
