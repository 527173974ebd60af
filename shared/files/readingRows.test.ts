import fc from 'fast-check'
import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import { checkEntry } from '#shared/dto'
import { live } from '#core'
import { demoShop } from '#demo/shop'
import { anyLedger } from '../../tests/support/anyEntry'
import { readReadings } from './readingFile'
import { COLUMNS, FILE_KINDS, writeReadings, type FileKind } from './readingRows'

const build = '4b0e4c1a-9c1f-4a7e-8f36-5d1b2a7c4e90'
const glass = { id: 'b3a1c1de-9c1f-4a7e-8f36-5d1b2a7c4e90', name: 'Long burette', kind: 'burette' as const, capacity: 100, tolerance: 0.2, resolution: 0.1, scale: 'deliver' as const, film: 0, repeatability: 0 }
const defaults = { hand: 'TT', cylinder: 1, cylinders: [1, 2, 3, 4, 5, 6], at: '2026-03-09T08:00:00.000Z', instrument: glass }
const read = (text: string, kind: FileKind = 'pours') => readReadings(text, kind, build, defaults)

describe('a file of readings', () => {
  it('needs only what it can’t do without; the rest is the bench’s', () => {
    const { good, bad } = read('fills\n0>55.4\n0>98.6;3>12.4\n')
    expect(bad).toEqual([])
    expect(good.map(g => g.entry.body)).toMatchObject([{ fills: [{ start: 0, end: 55.4 }], instrument: glass }, { fills: [{ start: 0, end: 98.6 }, { start: 3, end: 12.4 }] }])
    expect(good[0]!.entry).toMatchObject({ hand: 'TT', scope: { level: 'cylinder', cylinder: 1 } })
  })
  it('finds its columns by name, in any order, spelled as people do', () => {
    expect(read('Hand;Plate hole [cc];Cylinder;FILLS\nAB;0,15;3;0>55,4', 'pours').good[0]!.entry).toMatchObject({ hand: 'AB', scope: { cylinder: 3 }, body: { plateHole: { value: 0.15 } } })
    expect(read('cylinder,X (mm),Y mm,reading\n2,40,0,0.34', 'deck').good[0]!.entry.body).toEqual({ readings: [{ x: 40, y: 0, figure: { value: 0.34, unit: 'mm', typed: '0.34' } }] })
  })
  it('names every bad line and why, and takes the others', () => {
    const { good, bad } = read('cylinder,fills,at\n1,0>55.4,\n2,55.4>0,\n9,0>50,\n3,0>x,\n4,0>140,\nx,0>50,\n5,0>50,yesterday\n6,0>54.9,2026-03-09T10:00:00Z')
    expect(good.map(g => g.lines[0])).toEqual([2, 9])
    expect(bad.map(b => [b.line, b.reason])).toEqual([
      [3, expect.stringMatching(/greater than the start/)], [4, 'This engine has no cylinder 9.'], [5, expect.stringMatching(/no fill/)],
      [6, expect.stringMatching(/0 to 100/)], [7, expect.stringMatching(/no number for cylinder/)], [8, expect.stringMatching(/no date/)]
    ])
  })
  it('refuses what is none, in words', () => {
    expect(read('').refused).toMatch(/No column is called fills/)
    expect(read('a,b\n1,2').refused).toMatch(/first line must name/)
    expect(read('fills\n').refused).toMatch(/no reading/)
    expect(read('x'.repeat(65 * 1024 * 1024)).refused).toMatch(/64 MB/)
    expect(read('fills,Fills\n0>50,0>51').refused).toMatch(/Two columns are called fills/)
    expect(read('fills,depth,Depth (mm)\n0>50,1,2').refused).toMatch(/Two columns are called depth_mm/)
  })
  it('gathers the places of one crown, and names the same file the same way twice', () => {
    const text = 'cylinder,x,y,reading\n1,40,0,1.59\n1,-40,0,1.57\n2,0,30,1.6\n'
    const { good } = read(text, 'solder')
    expect(good.map(g => g.lines)).toEqual([[2, 3], [4]])
    expect(read(text, 'solder').good.map(g => g.id)).toEqual(good.map(g => g.id))
    expect(readReadings(text, 'solder', build.replace('4b', '4c'), defaults).good[0]!.id).not.toBe(good[0]!.id)
  })
  it('what was struck out where it comes from is told, not brought in', () => {
    expect(read('fills,standing\n0>50,void\n0>51,counts').bad).toEqual([{ line: 2, reason: 'It was struck out where it comes from.' }])
  })
  it('refuses each line that could be read two ways, and guesses nothing', () => {
    const lines = (text: string, more = {}) => {
      const { good, bad } = readReadings(text, 'pours', build, { ...defaults, ...more })
      return { good: good.map(g => g.entry), bad: bad.map(b => [b.line, b.reason]) }
    }
    // A decimal comma between commas moves every cell after it.
    expect(lines('cylinder,fills\n1,0>50,5\n2,0>51').bad).toEqual([[2, expect.stringMatching(/3 cells, the heading 2 columns/)]])
    expect(lines('cylinder,fills,note\n1,0>50').bad).toEqual([[2, expect.stringMatching(/2 cells, the heading 3 columns/)]])
    for (const date of ['12', 'yesterday', '2026-02-30', '2026-13-01', '2026-03-02T25:00', '1e3', '2026-3-2']) {
      expect(lines(`fills,at\n0>50,${date}`).bad, date).toEqual([[2, expect.stringMatching(/no date|calendar|time of the day/)]])
    }
    // Dates with strokes are asked about once; then they are read as was said, and only if they are days.
    expect(read('fills,at\n0>50,02/03/2026').asks).toBe('02/03/2026')
    const strokes = 'fills,at\n0>50,02/03/2026 10:30\n0>51,30/02/2026\n0>52,25/03/2026'
    const day = lines(strokes, { dates: 'dayFirst' })
    expect(day.good.map(e => new Date(e.at)).map(d => [d.getMonth() + 1, d.getDate()])).toEqual([[3, 2], [3, 25]])
    expect(day.bad).toEqual([[3, expect.stringMatching(/calendar/)]])
    expect(lines(strokes, { dates: 'monthFirst' }).bad.map(b => b[0])).toEqual([3, 4])
  })
  it('keeps two lines that are alike as two readings, the same two each time', () => {
    const { good } = read('fills\n0>55.4\n0>55.4\n')
    expect(good).toHaveLength(2)
    expect(good[0]!.id).not.toBe(good[1]!.id)
    expect(read('fills\n0>55.4\n0>55.4\n').good.map(g => g.id)).toEqual(good.map(g => g.id))
  })
  it('counts lines as an editor does, over notes of several lines', () => {
    expect(read('fills,note\n0>50,"one\ntwo"\nx,').bad).toEqual([{ line: 4, reason: expect.stringMatching(/no fill/) }])
  })
  it('knows readings that left from this very build, and adds none twice', () => {
    const pours = demoShop.builds[0]!.entries.filter(e => e.kind === 'pour')
    const again = readReadings(writeReadings(pours, 'pours'), 'pours', build, defaults, pours.map(p => p.id))
    expect([again.good.length, again.bad.length, again.here.length]).toEqual([0, 0, pours.length])
  })
  it('disarms a name that a spreadsheet would run, and takes it back as it was', () => {
    const launch = demoShop.builds[0]!
    const pour = launch.entries.find(e => e.kind === 'pour')!
    const csv = writeReadings([{ ...pour, note: '=1+1' } as typeof pour], 'pours')
    expect(csv).toContain('\'=1+1')
    expect(read(csv).good[0]!.entry.note).toBe('=1+1')
  })
})

describe('a thousand random files', () => {
  const cell = fc.oneof(fc.string({ maxLength: 12 }), fc.double().map(String), fc.constantFrom('0>55.4', '1', '', '=cmd', '55,4', '0>1;1>2', '"', '\u0000', '2026-01-01'))
  const table = fc.constantFrom(...FILE_KINDS).chain(kind => fc.record({
    kind: fc.constant(kind),
    text: fc.oneof(
      fc.string({ maxLength: 400 }),
      fc.tuple(fc.shuffledSubarray(COLUMNS[kind].map(c => c.name)), fc.array(fc.array(cell, { maxLength: 12 }), { maxLength: 8 }), fc.constantFrom(',', ';', '\t'))
        .map(([heads, rows, delimiter]) => [heads, ...rows].map(r => r.join(delimiter)).join('\n'))
    )
  }))
  it('never break the reading, and nothing unsound is ever good', () => {
    fc.assert(fc.property(table, ({ kind, text }) => {
      const result = read(text, kind)
      for (const { entry } of result.good) expect(checkEntry(entry).ok).toBe(true)
      for (const { reason } of result.bad) expect(reason.length).toBeGreaterThan(5)
      if (result.refused) expect(result.good).toEqual([])
    }), { numRuns: 1000 })
  })
  it('of any valid readings come back to the letter, and hold nothing that a spreadsheet runs', () => {
    const notes = fc.constantFrom(undefined, 'a, "b"; c', '=1+1', '\'=1+1', '\'\'@x', '-1 tenth', '+3', '@home', ' spaced ', 'two\nlines', 'tab\there', '1,5')
    fc.assert(fc.property(anyLedger, fc.array(notes, { minLength: 1 }), (ledger, words) => {
      const entries = ledger.map((entry, i) => {
        const note = words[i % words.length]
        return note === undefined ? entry : { ...entry, note }
      })
      for (const kind of FILE_KINDS) {
        const csv = writeReadings(entries, kind)
        const { standing } = live(entries)
        const kinds = { pours: 'pour', deck: 'deckReadings', solder: 'solder' } as const
        const sent = entries.filter(e => e.kind === kinds[kind] && standing.get(e.id) === 'counts').map(({ id: _id, build: _build, seq: _seq, supersedes: _s, ...rest }) => rest)
        if (sent.length === 0) continue
        const back = readReadings(csv, kind, build, { ...defaults, cylinders: undefined })
        expect(back.bad.filter(b => !/where it comes from/.test(b.reason))).toEqual([])
        expect(back.good.map(g => g.entry)).toEqual(sent)
        for (const cell of (Papa.parse<string[]>(csv).data).slice(1).flat()) expect(Number.isFinite(Number(cell)) || !/^[=+\-@\t\r]/.test(cell), cell).toBe(true)
      }
    }), { numRuns: 80 })
  }, 120_000)
})
