import Papa from 'papaparse'
import { v5 as uuidv5 } from 'uuid'
import type { Bodies, Figure, SpotReading } from '#core'
import { checkEntry, type SentEntry } from '#shared/dto'
import { numberInFile, yesOrNo } from './cells'
import { readWhen, type DateOrder } from './dates'
import { COLUMNS, FIGURE_COLUMNS, rearmed, type FigureColumn, type FileKind } from './readingRows'

/** A line of a file that can't be taken, and why. Lines count from 1, the heading being the first. */
export interface BadRow { line: number, reason: string }

export interface ReadFile {
  /** What will be added: the lines it comes from and the entry. */
  good: { lines: number[], id: string, entry: SentEntry }[]
  bad: BadRow[]
  /** Lines of readings that this build has already: they left from here. */
  here: number[]
  /** A date of the file that can be read two ways: whether day or month comes first has to be said once. */
  asks?: string
  /** Why nothing of it can be read at all. */
  refused?: string
}

/** Largest file and most lines that are read: a shop's life of pours. */
export const FILE_LIMIT = 64 * 1024 * 1024
const MOST_LINES = 100_000

/** What a line leaves out, the cylinders there are, and what the builder said about the file. */
export interface Defaults {
  hand: string
  cylinder: number
  cylinders?: number[]
  at: string
  instrument?: Bodies['pour']['instrument'] & { id: string }
  dates?: DateOrder
}

const plain = (heading: string) => heading.toLowerCase().replace(/[^a-z0-9]+/g, '_').replace(/^_|_$/g, '')

/** Places of the known columns in a heading; two that are called the same are a fault, for one of them would be passed over. */
function matchColumns(headings: string[], kind: FileKind): Map<string, number> | string {
  const known = new Map(COLUMNS[kind].map(c => [c.name, c.name]))
  // A unit may stand in the heading or not.
  for (const { name } of COLUMNS[kind]) known.set(name.replace(/_(cc|mm|c|k|s)$/, ''), name)
  const places = new Map<string, number>()
  for (const [i, heading] of headings.entries()) {
    const name = known.get(plain(heading))
    if (!name) continue
    if (places.has(name)) return `Two columns are called ${name} (“${headings[places.get(name)!]!.slice(0, 24)}” and “${heading.slice(0, 24)}”): leave one out.`
    places.set(name, i)
  }
  const missing = COLUMNS[kind].filter(c => c.needed && !places.has(c.name)).map(c => c.name)
  return missing.length > 0 ? `No column is called ${missing.join(' or ')}: the first line must name the columns.` : places
}

class Unreadable extends Error {}

/** One line's cells by the name of their column; `undefined` where the file has no such column. */
interface Line { line: number, key: string, cell: (name: string) => string, has: (name: string) => boolean }

function numeric({ cell }: Line, name: string): number | undefined {
  const text = cell(name)
  if (text === '') return undefined
  const value = numberInFile(text)
  if (!Number.isFinite(value)) throw new Unreadable(`“${text.slice(0, 24)}” is no number for ${name}.`)
  return value
}

const needed = (line: Line, name: string): number => {
  const value = numeric(line, name)
  if (value === undefined) throw new Unreadable(`${name} is empty.`)
  return value
}

function yesOrNoIn({ cell }: Line, name: string): boolean | undefined {
  const text = cell(name)
  if (text === '') return undefined
  const said = yesOrNo(text)
  if (said === undefined) throw new Unreadable(`“${text.slice(0, 24)}” is neither yes nor no for ${name}.`)
  return said
}

/** How figures were typed, from the column that says so. */
function typedAs({ cell }: Line): Partial<Record<FigureColumn, { unit: string, typed: string }>> {
  if (cell('typed_as') === '') return {}
  try {
    return JSON.parse(cell('typed_as')) as ReturnType<typeof typedAs>
  } catch {
    throw new Unreadable('typed_as can’t be read: leave that column as it came.')
  }
}

function fillsOf(text: string): { start: number, end: number }[] {
  return text.split(';').map((part) => {
    const ends = part.split('>').map(numberInFile)
    if (ends.length !== 2 || ends.some(e => !Number.isFinite(e))) throw new Unreadable(`“${part.slice(0, 24)}” is no fill: write start>end, fills parted by ;`)
    return { start: ends[0]!, end: ends[1]! }
  })
}

const given = (body: object): object => Object.fromEntries(Object.entries(body).filter(([, value]) => value !== undefined && value !== ''))

const NAMES = '6f0d1c52-3b7e-5c1a-9d55-0c7a5d2f8e11'

function instrumentOf(line: Line, { instrument }: Defaults): object {
  const { cell } = line
  if (cell('capacity_cc') === '') {
    if (!instrument) throw new Unreadable('It names no instrument, and the shop has none.')
    return instrument
  }
  return given({
    name: cell('instrument') || 'Unnamed glass', kind: cell('instrument_kind') || 'burette', capacity: needed(line, 'capacity_cc'),
    tolerance: numeric(line, 'tolerance_cc') ?? 0.2, resolution: numeric(line, 'resolution_cc') ?? 0.1, scale: cell('scale') || 'deliver',
    film: numeric(line, 'film_cc') ?? 0, repeatability: numeric(line, 'repeatability_cc'), expansion: numeric(line, 'expansion'),
    correction: numeric(line, 'correction'), check: checkOf(line),
    // The same glass by the same name: its scale's error stays one source over all its pours.
    id: cell('instrument_id') || uuidv5(`instrument/${cell('instrument')}/${cell('capacity_cc')}`, NAMES)
  })
}

function checkOf(line: Line): { at: number, u: number } | undefined {
  const at = numeric(line, 'check_at_cc')
  return at === undefined ? undefined : { at, u: needed(line, 'check_u_cc') }
}

function frameOf({ cell }: Line, defaults: Defaults): Pick<SentEntry, 'at' | 'hand' | 'v'> & { note?: string } {
  const when = cell('at') === '' ? { at: defaults.at } : readWhen(cell('at'), defaults.dates)
  if ('refused' in when) throw new Unreadable(when.refused)
  if ('asks' in when) throw new Asks(cell('at'))
  return { at: when.at, hand: cell('hand') || defaults.hand, v: 1, ...(cell('note') ? { note: cell('note') } : {}) }
}

class Asks extends Error {}

function pourOf(line: Line, defaults: Defaults): unknown {
  const { cell, has } = line
  const encloses = cell('encloses') || 'chamber'
  const fills = fillsOf(cell('fills'))
  const cylinder = numeric(line, 'cylinder') ?? defaults.cylinder
  const watched = numeric(line, 'watch_s')
  const typed = typedAs(line)
  const figures = (Object.entries(FIGURE_COLUMNS) as [FigureColumn, readonly [string, string]][]).map(([name, [column, unit]]) => {
    const value = numeric(line, column)
    const figure: Figure | undefined = value === undefined ? undefined : { value, ...(typed[name] ?? { unit, typed: cell(column).slice(0, 64) }) }
    return [name, figure]
  })
  return {
    ...frameOf(line, defaults), kind: 'pour', scope: encloses === 'container' && cell('cylinder') === '' ? { level: 'build' } : { level: 'cylinder', cylinder },
    body: {
      ...given({
        encloses, n: numeric(line, 'port_n'), fills, instrument: instrumentOf(line, defaults), sealed: cell('sealed'), ...Object.fromEntries(figures), liquidExpansion: numeric(line, 'liquid_expansion'),
        watch: watched === undefined ? undefined : { seconds: watched, reading: needed(line, 'watch_reading') }, vessel: cell('vessel'), afterWork: yesOrNoIn(line, 'after_work')
      }),
      typed: has('typed') ? cell('typed') : cell('fills').slice(0, 200)
    }
  }
}

/** The lines of a file with their cells, those that are broken named. */
function linesOf(data: string[][], places: Map<string, number>, kind: FileKind, broken: Set<number>, bad: BadRow[]): Line[] {
  const texts = new Set(COLUMNS[kind].filter(c => c.text).map(c => c.name))
  const width = data[0]!.length
  const lines: Line[] = []
  let line = 1 + newlines(data[0]!)
  for (const [i, cells] of data.entries()) {
    if (i === 0) continue
    line++
    const at = line
    line += newlines(cells)
    if (cells.every(c => c.trim() === '')) continue
    if (broken.has(i)) bad.push({ line: at, reason: 'The line is broken: its quotes do not add up.' })
    else if (cells.length !== width) bad.push({ line: at, reason: `The line has ${cells.length} ${cells.length === 1 ? 'cell' : 'cells'}, the heading ${width} columns. A decimal comma wants quotes round its cell, or semicolons between columns.` })
    else {
      const cell = (name: string) => {
        const text = rearmed(cells[places.get(name) ?? -1] ?? '')
        return texts.has(name) ? text : text.trim()
      }
      lines.push({ line: at, key: JSON.stringify(cells), cell, has: name => places.has(name) })
    }
  }
  return lines
}

const newlines = (cells: string[]) => cells.reduce((n, cell) => n + (cell.match(/\r\n|\r|\n/g)?.length ?? 0), 0)

/**
 * Reads a file of readings. Nothing is added by it: it says what could be, and which lines could not and why. No line is
 * passed over in silence: it is kept to the letter, or named.
 *
 * @param text the file
 * @param kind what it holds
 * @param build whose readings they become: the same file read twice into one build names the same entries
 * @param defaults for what a line leaves out
 * @param own ids of the build's own entries: what left from here does not come in a second time
 */
export function readReadings(text: string, kind: FileKind, build: string, defaults: Defaults, own: readonly string[] = []): ReadFile {
  const none = (refused: string): ReadFile => ({ good: [], bad: [], here: [], refused })
  if (text.length > FILE_LIMIT) return none('The file is larger than 64 MB: split it.')
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { preview: MOST_LINES + 2 })
  const data = parsed.data
  const places = matchColumns(data[0] ?? [], kind)
  if (typeof places === 'string') return none(places)
  if (data.slice(1).every(cells => cells.every(c => c.trim() === ''))) return none('There is no reading in it.')
  if (data.length > MOST_LINES + 1) return none(`More than ${MOST_LINES} lines do not fit at once: split it.`)
  const bad: BadRow[] = []
  const here: number[] = []
  const ours = new Set(own)
  let asks: string | undefined
  const lines = linesOf(data, places, kind, new Set(parsed.errors.filter(e => e.type === 'Quotes').map(e => e.row ?? 0)), bad).filter((line) => {
    const standing = line.cell('standing')
    if (ours.has(line.cell('id'))) here.push(line.line)
    else if (standing !== '' && standing !== 'counts') bad.push({ line: line.line, reason: `It was ${standing === 'void' ? 'struck out' : 'replaced'} where it comes from.` })
    else return true
    return false
  })
  const good: ReadFile['good'] = []
  const accept = (from: Line[], key: string, make: () => unknown) => {
    const [first] = from
    try {
      const checked = checkEntry(make())
      const scope = checked.ok ? checked.value.scope : undefined
      if (scope?.level === 'cylinder' && defaults.cylinders && !defaults.cylinders.includes(scope.cylinder)) {
        bad.push({ line: first!.line, reason: `This engine has no cylinder ${scope.cylinder}.` })
      } else if (checked.ok) good.push({ lines: from.map(l => l.line), id: uuidv5(key, build), entry: checked.value })
      else bad.push({ line: first!.line, reason: checked.fields[0]!.sentence })
    } catch (error) {
      if (error instanceof Asks) {
        asks ??= error.message
        bad.push({ line: first!.line, reason: `“${error.message.slice(0, 24)}”: say above whether the day or the month comes first.` })
      } else if (error instanceof Unreadable) bad.push({ line: first!.line, reason: error.message })
      else throw error
    }
  }
  // Two lines that are alike are two readings: the second has a name of its own.
  const times = new Map<string, number>()
  const nth = (key: string) => {
    const n = (times.get(key) ?? 0) + 1
    times.set(key, n)
    return n === 1 ? key : `${key}#${n}`
  }
  if (kind === 'pours') for (const line of lines) accept([line], nth(line.cell('id') || `${kind}/${line.key}`), () => pourOf(line, defaults))
  else for (const group of crowns(lines, bad)) accept(group.lines, nth(group.lines[0]!.cell('id') || `${kind}/${group.key}/${JSON.stringify(group.readings)}`), () => spotsOf(group, kind, defaults))
  return { good, bad: bad.sort((a, b) => a.line - b.line), here, ...(asks ? { asks } : {}) }
}

interface Crown { key: string, lines: Line[], readings: SpotReading[] }

/** Lines of one crown belong together: by their id where they have one, else by cylinder, time, hand and note. */
function crowns(lines: Line[], bad: BadRow[]): Crown[] {
  const groups = new Map<string, Crown>()
  for (const line of lines) {
    const { cell, has } = line
    try {
      const value = needed(line, 'reading_mm')
      const figure: Figure = { value, unit: cell('unit') || 'mm', typed: has('typed') ? cell('typed') : cell('reading_mm').slice(0, 64) }
      const reading = { x: needed(line, 'x_mm'), y: needed(line, 'y_mm'), figure }
      const key = cell('id') || `${cell('cylinder')}/${cell('at')}${cell('hand') || cell('note') ? `/${cell('hand')}/${cell('note')}` : ''}`
      const group = groups.get(key) ?? { key, lines: [], readings: [] }
      group.lines.push(line)
      group.readings.push(reading)
      groups.set(key, group)
    } catch (error) {
      if (!(error instanceof Unreadable)) throw error
      bad.push({ line: line.line, reason: error.message })
    }
  }
  return [...groups.values()]
}

function spotsOf({ lines: [first], readings }: Crown, kind: 'deck' | 'solder', defaults: Defaults): unknown {
  const { cell, has } = first!
  const strand: Figure | undefined = cell('strand_mm') === ''
    ? undefined
    : { value: needed(first!, 'strand_mm'), unit: cell('strand_unit') || 'mm', typed: has('strand_typed') ? cell('strand_typed') : cell('strand_mm').slice(0, 64) }
  return {
    ...frameOf(first!, defaults), kind: kind === 'deck' ? 'deckReadings' : 'solder', scope: { level: 'cylinder', cylinder: needed(first!, 'cylinder') }, body: { readings, ...(strand ? { strand } : {}) }
  }
}
