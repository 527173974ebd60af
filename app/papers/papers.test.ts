import { execFileSync } from 'node:child_process'
import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { FINDINGS, NO_SOLIDS, STARTING_RULES, advice, allSprings, asIf, asReceived, plannedStages, quantityOf, replay, shimToEven, turnedPlan, type Entry } from '#core'
import { demoShop } from '#demo/shop'
import { digits } from '#shared/figures'
import { LONGEST, asVee } from '../../tests/support/dresses'
import { customerSheet } from './customerSheet'
import { fullRecord } from './fullRecord'
import { htmlOf } from './html'
import type { PaperCase } from './paperCase'
import { MARGIN, PT, SHEET, pdfOf, printable, type PaperSize } from './pdf'
import { jobBill } from './jobBill'
import { latheCard } from './latheCard'
import { orderSheet } from './orderSheet'
import { shimList } from './shimList'
import { stopCard } from './stopCard'
import { workOrder } from './workOrder'
import { mm, oneCylinder } from '../../tests/support/ledgerBench'
import { phonePicture } from '../../tests/support/pictures'

let folder: string
beforeAll(() => folder = mkdtempSync(join(tmpdir(), 'papers-')))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

const entriesOf = (name: string) => demoShop.builds.find(b => b.name === name)!.entries
function caseOf(name: string, more: { entries?: readonly Entry[], size?: PaperSize, lengths?: 'mm' | 'in' } = {}): PaperCase {
  const entries = more.entries ?? entriesOf(name)
  const r = replay(entries)!
  return {
    name, reference: 'Job 7', r, received: asReceived(r), planned: r.planned.length ? asIf(r, r.planned, NO_SOLIDS) : undefined, entries, opens: advice(r, STARTING_RULES, NO_SOLIDS), photos: [], rules: STARTING_RULES,
    lengths: more.lengths ?? 'mm', size: more.size ?? 'A4', now: '2026-11-28T10:00:00.000Z'
  }
}
/** Photographs of a build's entries, as the page hands them to a paper. */
const withPhotos = async (of: PaperCase, n = 3, words?: string): Promise<PaperCase> => {
  const entry = { ...(of.entries.find(e => e.kind === 'finding') ?? of.entries[0]!), ...words === undefined ? {} : { kind: 'photograph', body: { words } } } as Entry
  return { ...of, photos: await Promise.all(Array.from({ length: n }, async (_, i) => ({ sha256: String(i).repeat(64), entry, of: entry, data: `data:image/jpeg;base64,${(await phonePicture(300, 200 + 90 * i)).toString('base64')}` }))) }
}
const PAPERS = {
  customer: customerSheet, record: fullRecord, order: workOrder, stop: (of: PaperCase) => stopCard(of, plannedStages(of.r, NO_SOLIDS), volume => digits(volume, 1)),
  lathe: (of: PaperCase) => latheCard(of, of.r.layout.cylinders.flatMap((cylinder) => {
    const plan = turnedPlan(of.r, cylinder, of.r.planned, NO_SOLIDS)
    return plan ? [{ cylinder, plan }] : []
  }), volume => digits(volume, 1)), shims: shimList, pistons: orderSheet, quote: (of: PaperCase) => jobBill(of, 'planned'), bill: (of: PaperCase) => jobBill(of, 'worked')
}

interface Word { page: number, text: string, left: number, top: number, right: number, bottom: number }
/** A paper as it prints, read by a program that knows nothing of ours: its words and where they stand, mm, and its text. */
async function printed(of: PaperCase, paper: keyof typeof PAPERS): Promise<{ words: Word[], text: string, pages: number }> {
  const file = join(folder, 'paper.pdf')
  writeFileSync(file, await pdfOf(PAPERS[paper](of)))
  const html = execFileSync('pdftotext', ['-bbox', file, '-'], { encoding: 'utf8', maxBuffer: 64e6 })
  let page = 0
  const words = [...html.matchAll(/<page|<word xMin="([\d.]+)" yMin="([\d.]+)" xMax="([\d.]+)" yMax="([\d.]+)">(.*?)<\/word>/g)].flatMap((m): Word[] => {
    if (m[5] === undefined) {
      page++
      return []
    }
    const [left, top, right, bottom] = m.slice(1, 5).map(n => Number(n) / PT) as [number, number, number, number]
    return [{ page, text: m[5].replaceAll('&lt;', '<').replaceAll('&gt;', '>').replaceAll('&amp;', '&').replaceAll('&quot;', '"'), left, top, right, bottom }]
  })
  return { words, text: execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8', maxBuffer: 64e6 }), pages: page }
}
/** The sheets of the paper that was printed last, as pictures: whether anything at all is drawn outside their margins, mm. */
async function drawnOutside({ size }: PaperCase): Promise<string[]> {
  const DPI = 50
  execFileSync('pdftoppm', ['-r', String(DPI), '-gray', '-png', join(folder, 'paper.pdf'), join(folder, 'sheet')])
  const sheets = readdirSync(folder).filter(name => /^sheet-.*png$/.test(name))
  const found = await Promise.all(sheets.map(async (name) => {
    const { data, info } = await sharp(join(folder, name)).greyscale().raw().toBuffer({ resolveWithObject: true })
    rmSync(join(folder, name))
    const [side, head, foot] = [MARGIN - 1.5, 9, SHEET[size].height - 4].map(mm => mm / 25.4 * DPI) as [number, number, number]
    expect(data.filter(grey => grey < 128).length, `${name} is not blank`).toBeGreaterThan(50)
    const out = data.findIndex((grey, i) => {
      const [x, y] = [i % info.width, Math.floor(i / info.width)]
      return grey < 200 && (x < side || x > info.width - side || y < head || y > foot)
    })
    return out < 0 ? [] : [`${name}: ${out % info.width}, ${Math.floor(out / info.width)} of ${info.width} × ${info.height}`]
  }))
  return found.flat()
}
/** Words of a row of a table, by what it begins with in the first column. */
const rowsOf = (text: string, columns: number) => text.split('\n').map(line => line.trim().split(/\s+/)).filter(cells => cells.length === columns && /^\d+$/.test(cells[0]!) && cells.every(cell => /^[−–-]?[\d.]*$/.test(cell))).map(cells => cells.map(Number))

describe('papers', () => {
  const long = asVee(entriesOf('Brackwater 34') as never, 6) as unknown as Entry[]
  /** As much as can be found on a head, in as many words as fit. */
  const longFound = [...long, ...FINDINGS.map((what, i) => ({ ...long[0]!, id: `00000000-0000-4000-8000-0000000009${i}0`, kind: 'finding', scope: { level: 'head', head: 1 }, body: { what, place: { x: 0, y: 0 }, words: LONGEST.slice(0, 200), told: LONGEST.slice(0, 100), decided: LONGEST.slice(0, 200) } }) as Entry), ...Array.from({ length: 12 }, (_, i) => ({ ...long[0]!, id: `00000000-0000-4000-8000-000000000a${i + 10}`, kind: 'crownWork', scope: { level: 'cylinder', cylinder: i + 1 }, body: { state: 'planned', added: mm(-1.2), rise: mm(0.25), pockets: mm(0.3) } }) as Entry)]
  it.each(([['A4', 'mm'], ['LETTER', 'in']] as const).flatMap(([size, lengths]) => (Object.keys(PAPERS) as (keyof typeof PAPERS)[]).map(paper => [paper, size, lengths] as const)))('%s on %s in %s: nothing is cut or runs off, at the longest names and twelve cylinders', async (paper, size, lengths) => {
    const name = LONGEST.slice(0, 80)
    for (const of of [await withPhotos({ ...caseOf(name, { entries: longFound, size, lengths }), reference: LONGEST.slice(0, 60) }, 7, LONGEST.slice(0, 200)), await withPhotos(caseOf('Millrace test six', { size, lengths })), caseOf('Caldbeck Twin', { size, lengths }), caseOf('Skerry 125', { size, lengths }), caseOf('Hollin 16', { size, lengths }), caseOf('Bare', { size, lengths, entries: entriesOf('Hollin 16').slice(0, 1) })]) {
      const { words, pages } = await printed(of, paper)
      expect(words.length).toBeGreaterThan(10)
      for (const word of words) {
        expect(word.left, word.text).toBeGreaterThanOrEqual(MARGIN - 1)
        expect(word.right, word.text).toBeLessThanOrEqual(SHEET[size].width - MARGIN + 1)
        expect(word.bottom, word.text).toBeLessThanOrEqual(SHEET[size].height)
      }
      if (paper === 'customer') expect(pages).toBe(1)
      expect(await drawnOutside(of)).toEqual([])
      // No word lies on another.
      // Words come in the order they were set: what lies on another was set near it.
      const overlap = words.find((a, i) => words.slice(i + 1, i + 120).some(b => a.page === b.page && Math.min(a.right, b.right) - Math.max(a.left, b.left) > 0.4 && Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top) > 1.6))
      expect(overlap).toBeUndefined()
    }
  })

  it('the full record of the test six: every ratio comes out of its printed numbers alone', async () => {
    const of = caseOf('Millrace test six')
    const { text } = await printed(of, 'record')
    // Cylinder, swept, the five parts that there are, clearance, ratio, ±.
    const rows = rowsOf(text, 10)
    expect(rows).toHaveLength(6)
    for (const [cylinder, swept, ...rest] of rows) {
      const [parts, [clearance, ratio]] = [rest.slice(0, 5), rest.slice(5)] as [number[], number[]]
      expect(parts.reduce((a, b) => a + b, 0)).toBeCloseTo(clearance!, 2)
      expect((swept! + clearance!) / clearance!).toBeCloseTo(ratio!, 2)
      expect(ratio).toBeCloseTo(of.r.asIs.find(s => s.cylinder === cylinder)!.ratio!.estimate.value, 3)
    }
    for (const entry of of.r.live.entries) if (entry.kind === 'faceCut') expect(text).toContain(`${entry.body.measured!.value.toFixed(2)} mm measured`)
    expect(text).toMatch(/gasket: pi\/4 × gasket bore² × thickness \/ 1000; or the area of its outline × thickness \/ 1000 \((measured|book|derived)/)
    expect(text).toContain('swept = pi/4 × bore² × stroke / 1000')
  })

  it.each([['as it is', () => true], ['with a deck that nobody measured', (e: Entry) => !('quantity' in e.body && e.body.quantity === 'deckClearance')]] as const)('the full record has what the parts are worked out of, %s, and what each cut taught', async (_, keep) => {
    const of = caseOf('Millrace test six', { entries: entriesOf('Millrace test six').filter(keep) })
    const { text } = await printed(of, 'record')
    const parts = rowsOf(text, 10)
    // Cylinder, bore, stroke, gasket’s bore and thickness, deck clearance, crown across, top land.
    const inputs = rowsOf(text, 8)
    expect(inputs).toHaveLength(6)
    const disc = (across: number, tall: number) => Math.PI / 4 * across ** 2 * tall / 1000
    for (const [i, [cylinder, bore, stroke, gasketBore, thickness, deck, crown, land]] of inputs.entries()) {
      const [, swept, , gasketPart, deckPart, , crevice] = parts[i]!
      expect(parts[i]![0]).toBe(cylinder)
      for (const [sum, printedAs] of [[disc(bore!, stroke!), swept], [disc(gasketBore!, thickness!), gasketPart], [disc(bore!, deck!), deckPart], [disc(bore!, land!) - disc(crown!, land!), crevice]] as const) expect(printedAs).toBeCloseTo(sum, 2)
    }
    const taught = rowsOf(text, 4)
    expect(taught.length).toBe(of.r.lessons.length)
    of.r.lessons.forEach((lesson, i) => expect(taught[i]![1]).toBeCloseTo(lesson.perMm.value, 3))
  })

  it.each([
    ['mm', { crown: 3, added: -4.2, rise: 0.35, pockets: 0.4 }, ['Pistons 2, for cylinders 1 and 2', 'Cylinder bore 92.00 mm', 'Crown holds 1.2 cc, a dome', 'Fitted now 3.0 cc, a dish', 'Compression height 0.35 mm more than', 'Valve pockets 0.40 mm deeper', 'Ratio it comes to']],
    ['in', { crown: -2, added: 5, rise: 0, pockets: 0 }, ['Crown holds 3.0 cc, a dish, pockets counted in', 'Fitted now 2.0 cc, a dome', 'Compression height as the fitted piston', 'Valve pockets as the fitted piston', 'Cylinder bore 3.6220 in']],
    ['mm', { crown: 3, added: 0, rise: -0.2, pockets: undefined }, ['0.20 mm less than', 'Valve pockets not known: measure valve to piston first, both valves']]
  ] as const)('the order of pistons says what to make, in %s', async (lengths, { crown, added, rise, pockets }, texts) => {
    const bench = oneCylinder(2)
    bench.state('crownVolume', crown)
    if (pockets !== undefined) for (const name of ['intakeClearance', 'exhaustClearance'] as const) bench.state(name, 2)
    for (const cylinder of [1, 2]) {
      bench.pour(cylinder, 55)
      bench.add('crownWork', { level: 'cylinder', cylinder }, { state: 'planned', added: { value: added, unit: 'cc', typed: '' }, rise: mm(rise), ...pockets ? { pockets: mm(pockets) } : {} })
    }
    const text = (await printed(caseOf('Two bores', { entries: bench.entries, lengths }), 'pistons')).text.replace(/ +/g, ' ')
    for (const said of texts) expect(text).toContain(said)
  })

  it('the lathe card has the figures of the bench, and what stops it first', async () => {
    const of = caseOf('Skerry 125')
    const { round, off, operations } = turnedPlan(of.r, 1, of.r.planned, NO_SOLIDS)!
    const { text } = await printed(of, 'lathe')
    const { set } = round!.lathe as Extract<NonNullable<typeof round>['lathe'], { set: unknown }>
    for (const figure of [`${round!.cc.toFixed(2)} cc`, ...[set.mouthDiameter, set.depth, set.round.radius].map(mm => `${mm.toFixed(2)} mm`), `${round!.clearance.toFixed(1)}`]) expect(text).toContain(figure)
    if (operations.some(op => op.kind === 'faceCut')) expect(text).toContain(`${off.value.toFixed(2)} mm`)
    expect((await printed(caseOf('Hollin 16'), 'lathe')).text).toMatch(/Nothing is to be turned|Cylinder 1/)
  })

  it('the shims are those of the springs’ table, and none goes under what is short of room', async () => {
    const of = caseOf('Hollin 16')
    const rows = allSprings(of.r, of.rules).filter(s => s.height)
    const { text } = await printed(of, 'shims')
    const lines = text.split('\n').filter(line => /^\s*\d+\s+\d+\s+\d+\.\d\d mm/.test(line))
    expect(lines).toHaveLength(rows.length)
    expect(lines.filter(line => line.includes('stop')).length).toBe(rows.filter(row => row.faults.some(f => f.room === 'travel')).length)
    rows.forEach((row) => {
      const shim = shimToEven(rows.filter(other => other.port.valve === row.port.valve), row)
      if (shim !== undefined && shim >= 0.02) expect(lines.filter(line => new RegExp(`^\\s*${row.port.cylinder}\\s+${row.port.n}\\s+${row.height!.estimate.value.toFixed(2)} mm\\s+${shim.toFixed(2)} mm`).test(line)).length).toBeGreaterThan(0)
    })
  })

  it('a valve that has no other to be made like wants no shim, and nothing stops it', async () => {
    const all = entriesOf('Hollin 16')
    const first = all.find(e => e.kind === 'installed')!
    const { text } = await printed(caseOf('Hollin 16', { entries: all.filter(e => e.kind !== 'installed' || e === first) }), 'shims')
    expect(text).toContain('no shims')
    expect(text.split('\n').filter(line => /^\s*\d+\s+\d+\s+\d+\.\d\d mm/.test(line)).map(line => /none|stop/.exec(line)?.[0])).toEqual(['none'])
  })

  it('an inch shop’s lathe card has no millimetre', async () => {
    const all = entriesOf('Skerry 247')
    const { text } = await printed(caseOf('Skerry 247', { entries: all.slice(0, all.findIndex(e => e.kind === 'faceCut')), lengths: 'in' }), 'lathe')
    expect(text).toMatch(/Off the seat face[\s\S]*± 0\.\d+ in/)
    expect(text).not.toMatch(/\d mm\b/)
  })

  it('the customer sheet says what the ledger says, as it came and as it is', async () => {
    const of = caseOf('Millrace test six')
    const { text } = await printed(of, 'customer')
    for (const state of of.r.asIs) {
      const came = of.received!.asIs.find(s => s.cylinder === state.cylinder)!
      const row = text.split('\n').find(line => new RegExp(`^\\s*${state.cylinder}\\s.*as wanted`).test(line))!
      for (const figure of [came.parts.chamber!.estimate.value.toFixed(1), state.parts.chamber!.estimate.value.toFixed(1), came.ratio!.estimate.value.toFixed(2), state.ratio!.estimate.value.toFixed(2)]) expect(row).toContain(figure)
    }
    expect(text).toContain('Nothing is open.')
    // What stands beside the section adds up to what it says.
    const [, said, all] = /piston at the top: (.*?)\. In all ([\d.−]+) cc/.exec((await printed(of, 'customer')).words.map(w => w.text).join(' '))!
    expect(said!.split(', ').reduce((sum, part) => sum + Number(part.split(' ').at(-1)!.replace('−', '-')), 0)).toBeCloseTo(Number(all), 0)
    // Nothing was done to the launch engine yet: there is no other state that it came in.
    expect((await printed(caseOf('Brackwater 34'), 'customer')).text).not.toContain('as it came')
    const first = entriesOf('Brackwater 34')
    const claimed = { ...first[0], id: 'claim', seq: 9999, at: first.at(-1)!.at, kind: 'book', v: 1, body: { quantity: 'bookRatio', figure: { value: 10.5, unit: ':1', typed: '10.5' } } } as Entry
    // 9.01 and 9.22 by hand: see the hand sums of the browser tests.
    expect((await printed(caseOf('Brackwater 34', { entries: [...first, claimed] }), 'customer')).text.replace(/\s+/g, ' ')).toContain('Its book states a ratio of 10.50; measured as it came: 9.01 to 9.22.')
  })

  it('of bores of two sizes the customer sheet tells both, and pistons are two orders', async () => {
    const bench = oneCylinder(2)
    bench.state('bore', 92.5, 'measure', { level: 'cylinder', cylinder: 2 })
    for (const cylinder of [1, 2]) {
      bench.pour(cylinder, 55)
      bench.add('crownWork', { level: 'cylinder', cylinder }, { state: 'planned', added: { value: -4.2, unit: 'cc', typed: '-4.2' }, rise: mm(0.2) })
    }
    expect((await printed(caseOf('Two', { entries: bench.entries }), 'customer')).text).toMatch(/2 cylinders, bore 92\.00 mm to 92\.50 mm, stroke 85\.00 mm\./)
    const { text } = await printed(caseOf('Two', { entries: bench.entries }), 'pistons')
    expect(text).toMatch(/1, for cylinder 1[\s\S]*92\.00 mm[\s\S]*1, for cylinder 2[\s\S]*92\.50 mm/)
  })

  it('photographs and what was found stand on the papers, where they are of any use', async () => {
    const of = await withPhotos(caseOf('Millrace test six'), 2)
    const found = 'leak track between 2 and 3: soot blown across the bridge; told the owner, at the bench; cut until it is gone, and a new gasket'
    const flat = async (paper: keyof typeof PAPERS) => (await printed(of, paper)).text.replace(/\s+/g, ' ')
    expect(await flat('customer')).toContain(found.replace(/^l/, 'L'))
    expect(await flat('record')).toMatch(/ Photographs .*leak track between 2 and 3 leak track between 2 and 3/)
    writeFileSync(join(folder, 'pictures.pdf'), await pdfOf(customerSheet(of)))
    expect(execFileSync('pdfimages', ['-list', join(folder, 'pictures.pdf')], { encoding: 'utf8' }).match(/ jpeg /g)).toHaveLength(2)
    const page = htmlOf(customerSheet(of)[0]!)
    expect(page.match(/<img src="data:image\/jpeg;base64,[^"]+" alt="leak track/g)).toHaveLength(2)
    expect(htmlOf(customerSheet({ ...of, photos: of.photos.map(one => ({ ...one, data: 'https://evil.example/x.jpg' })) })[0]!)).not.toContain('evil')
    const cut = { ...entriesOf('Caldbeck Twin').find(e => e.kind === 'faceCut')!, id: '00000000-0000-4000-8000-000000000001', scope: { level: 'head', head: 1 }, body: { state: 'planned', depth: { value: 0.2, unit: 'mm', typed: '0.2' } }, at: '2026-11-01T08:00:00Z' } as Entry
    expect((await printed(caseOf('Millrace test six', { entries: [...entriesOf('Millrace test six'), cut] }), 'order')).text.replace(/\s+/g, ' ')).toContain(`Found on this head ${found}`)
  })

  it('a page has the same figures, and needs nothing beside it', () => {
    const of = caseOf('Millrace test six')
    const page = htmlOf(customerSheet(of)[0]!)
    for (const state of of.r.asIs) expect(page).toContain(`<td class="r"><strong>${state.ratio!.estimate.value.toFixed(2)}</strong></td>`)
    for (const text of ['What was done to your engine', 'Nothing is open.', '<svg viewBox', 'default-src \'none\'']) expect(page).toContain(text)
    for (const paper of Object.values(PAPERS)) expect(htmlOf([paper(caseOf('Caldbeck Twin'))].flat()[0]!)).not.toMatch(/undefined|NaN|\[object/)
  })

  it('the work order is not mirrored: cylinders run as the face lies, the way of every template', async () => {
    const entries = [...entriesOf('Brackwater 34'), { ...entriesOf('Caldbeck Twin').find(e => e.kind === 'faceCut')!, id: '00000000-0000-4000-8000-000000000001', scope: { level: 'head', head: 1 }, body: { state: 'planned', depth: { value: 0.8, unit: 'mm', typed: '0.8' }, slopeY: 0.01 }, at: '2026-11-01T08:00:00Z' } as Entry]
    const of = caseOf('Brackwater 34', { entries })
    const { words, text } = await printed(of, 'order')
    const plan = words.filter(w => /^[1-6]$/.test(w.text) && w.bottom - w.top > 5)
    expect(plan.map(w => w.text).sort()).toEqual(['1', '2', '3', '4', '5', '6'])
    expect([...plan].sort((a, b) => b.left - a.left).map(w => w.text)).toEqual(['1', '2', '3', '4', '5', '6'])
    const intake = words.find((w, i) => w.text === 'intake' && words[i + 1]?.text === 'side')!
    expect(intake.top).toBeLessThan(plan[0]!.top)
    // Said to begin at the left it is drawn so, its arrow too; the depths are those of its sides as before.
    const turned = entries.map(e => e.kind === 'layout' ? { ...e, body: { ...e.body, fromLeft: [1] } } as Entry : e)
    const other = await printed(caseOf('Brackwater 34', { entries: turned }), 'order')
    expect(other.words.filter(w => /^[1-6]$/.test(w.text) && w.bottom - w.top > 5).sort((a, b) => a.left - b.left).map(w => w.text)).toEqual(['1', '2', '3', '4', '5', '6'])
    const ends = [words, other.words].map(all => all.find((w, i) => w.text === 'cylinder' && all[i - 1]?.text === 'to')!.left)
    expect(ends[0]).toBeGreaterThan(Math.max(...plan.map(w => w.left)))
    expect(ends[1]).toBeLessThan(Math.min(...other.words.filter(w => /^[1-6]$/.test(w.text) && w.bottom - w.top > 5).map(w => w.left)))
    expect(other.text).toMatch(/0\.34 mm\s+0\.80 mm\s+1\.26 mm/)
    // 0.8 at the bore line, 0.01 a mm more with each mm away from the intake side: 46 mm to either edge.
    expect(text).toMatch(/0\.34 mm\s+0\.80 mm\s+1\.26 mm/)
    // Finished flat it is one depth to set the machine by, 0.8 + 0.3·√1.0001, and the part of it that is flat.
    const flat = entries.map(e => e.kind === 'faceCut' ? { ...e, body: { ...e.body, flat: { value: 0.3, unit: 'mm', typed: '' } } } as Entry : e)
    expect((await printed(caseOf('Brackwater 34', { entries: flat }), 'order')).text.replaceAll(/\s+/g, ' ')).toMatch(/Not deeper than 1\.10 mm.*Laid over 0\.57° about the crank; the last 0\.30 mm of it off the new face, square\..*0\.64 mm 1\.10 mm 1\.56 mm/)
    // 0.69 mm less at 69 mm to the intake side than at the bore line.
    const short = entries.map(e => e.kind === 'faceCut' ? { ...e, body: { ...e.body, depth: { value: 0.5, unit: 'mm', typed: '0.5' } } } as Entry : e)
    expect((await printed(caseOf('Brackwater 34', { entries: short }), 'order')).text.replaceAll(/\s+/g, ' ')).toContain('0.19 mm of the old face would stay at the edge, 69.00 mm out')
    expect(text).not.toMatch(/of the old face|At least/)
    // What stops the build stands before the depth. 487.676/9.5 − 51.234 cc are to spare, 0.02 mm of a mouth of 54 cm².
    expect((await printed(caseOf('Caldbeck Twin'), 'order')).text).toMatch(/Not to be cut before this is settled[\s\S]*Exhaust to piston[\s\S]*Take off the face[\s\S]*At least 0\.33 mm: with less, cylinder 1/)
    expect((await printed(caseOf('Millrace test six'), 'order')).text).toContain('No cut is planned')
  })
  it('the work order has a deck cut, and where each crown then stands', async () => {
    const entries = entriesOf('Millrace test six')
    const deck = { ...entriesOf('Caldbeck Twin').find(e => e.kind === 'faceCut')!, id: '00000000-0000-4000-8000-000000000001', kind: 'deckCut', scope: { level: 'bank', bank: 1 }, body: { state: 'planned', depth: { value: 0.1, unit: 'mm', typed: '0.1' } }, at: '2026-11-01T08:00:00Z' } as Entry
    const of = caseOf('Millrace test six', { entries: [...entries, deck] })
    const { text } = await printed(of, 'order')
    const was = quantityOf(of.r, 'deckClearance', 4)!.estimate.value
    expect(text).toMatch(/Take off the deck\s[\s\S]*0\.10 mm/)
    expect(text).toMatch(new RegExp(`4\\s+${was.toFixed(2)} mm\\s+${(was - 0.1).toFixed(2)} mm`))
    const foot = { ...deck, body: { ...deck.body, foot: true } } as Entry
    expect((await printed(caseOf('Millrace test six', { entries: [...entries, foot] }), 'order')).text).toContain('Take off the foot')
  })

  it('the full record says of a chamber that was never poured by itself what it is left over of', async () => {
    const bench = oneCylinder()
    const { instrument } = entriesOf('Millrace test six').flatMap(e => e.kind === 'pour' ? [e.body] : [])[0]!
    const record = async () => (await printed(caseOf('Single', { entries: bench.entries }), 'record')).text.replace(/\s+/g, ' ')
    for (let i = 0; i < 2; i++) bench.add('pour', { level: 'cylinder', cylinder: 1 }, { encloses: 'assembled', fills: [{ start: 0, end: 70 }], typed: '70', instrument })
    expect(await record()).toContain('chamber: the whole as it was poured assembled, less the rest of the stack (derived)')
    for (let i = 0; i < 2; i++) bench.pour(1, 55.6)
    expect(await record()).toContain('chamber: the mean of the pours')
  })

  it('the stop card tells of each stage who is to stop where: ground first, then cut, by hand sums', async () => {
    const bench = oneCylinder(2)
    for (const [cylinder, end] of [[1, 54], [2, 55]] as const) for (let i = 0; i < 2; i++) bench.pour(cylinder, end)
    bench.add('relief', { level: 'cylinder', cylinder: 1 }, { state: 'planned', added: { value: 1, unit: 'cc', typed: '1' } })
    bench.add('faceCut', { level: 'head', head: 1 }, { state: 'planned', depth: mm(0.5) })
    const { text } = await printed(caseOf('', { entries: bench.entries }), 'stop')
    // 4650 mm² over 0.5 mm is 2.3 cc; walls lean a little.
    expect(text).toMatch(/1 Chamber opened[\s\S]*1\s+54\.0\s+55\.0\s+55\.0\s+2 Face cut[\s\S]*1\s+55\.0\s+52\.7\s+52\.7[\s\S]*2\s+55\.0\s+52\.7/)
    expect(text.match(/^\s*2\s+55/gm)).toHaveLength(1)
  })

  it('the stop card of an engine that is filled assembled has its whole clearance', async () => {
    const of = { ...caseOf('Skerry 247'), planned: undefined }
    const { text } = await printed({ ...of, r: { ...of.r, planned: [] } }, 'stop')
    expect(of.r.layout.engine!.head).toBe('turned')
    const [state] = of.r.asIs
    expect(text).toMatch(new RegExp(`${state!.clearance!.estimate.value.toFixed(1)}\\s+${state!.targetClearance!.estimate.value.toFixed(1)}`))
    expect(text).toContain('Filled assembled')
  })

  it('hostile names print as text, and letters that no font has as spaces', async () => {
    const of = { ...caseOf('Caldbeck Twin'), name: '<script>alert(1)</script> =1+1 \u0000\u202E', reference: '漢字 💥 \\(x) %PDF endobj' }
    const { text } = await printed(of, 'customer')
    expect(text).toContain('<script>alert(1)</script> =1+1')
    expect(text).toContain('%PDF endobj')
    const page = htmlOf(customerSheet({ ...of, name: '"><img src=x onerror=alert(1)> </title><script>' })[0]!)
    const tags = new Set([...page.matchAll(/<\/?([a-z][a-z0-9]*)/gi)].map(m => m[1]!))
    expect([...tags].filter(tag => !['html', 'head', 'meta', 'title', 'style', 'body', 'header', 'main', 'footer', 'div', 'p', 'h2', 'ul', 'li', 'strong', 'span', 'table', 'tr', 'th', 'td', 'svg', 'path', 'rect', 'ellipse'].includes(tag))).toEqual([])
    expect(page).toContain('&#60;img src')
    expect(printable('π/4 × ₂ 漢')).toBe('pi/4 × 2  ')
  })
  it('quote and bill are hand sums off the job card', async () => {
    const of = caseOf('Millrace test six')
    const flat = async (paper: keyof typeof PAPERS) => (await printed(of, paper)).text.replace(/\s+/g, ' ')
    // 9.1 h at 60 and a gasket of 60; 11.4 h at 60 and the same gasket.
    const quote = await flat('quote')
    for (const part of ['606.00', '9.10 h planned at 60.00', 'Pour the chambers as received 1.80 108.00', 'Hours together 9.10 546.00', 'Gasket, thin 60.00', '546.00 + 60.00 = 606.00']) expect(quote).toContain(part)
    const bill = await flat('bill')
    for (const part of ['744.00', '11.40 h worked', 'Rough the chambers 2.40 144.00', '684.00 + 60.00 = 744.00', '9.10 h were planned']) expect(bill).toContain(part)
  })
})
