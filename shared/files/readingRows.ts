import Papa from 'papaparse'
import { v5 as uuidv5 } from 'uuid'
import { live, ofKind, pourResult, type Bodies, type Entry, type Figure, type SpotReading, type Standing } from '#core'
import { checkEntry, type SentEntry } from '#shared/dto'

/** What a file of readings holds: one pour a line, or one place on a crown a line. */
export const FILE_KINDS = ['pours', 'deck', 'solder'] as const
export type FileKind = (typeof FILE_KINDS)[number]

type Row = Record<string, string | number>

/** Columns by name, in the order they are written. Only those marked `*` must be there to be read. */
export const COLUMNS: Record<FileKind, { name: string, needed?: boolean }[]> = {
  pours: [
    { name: 'at' }, { name: 'cylinder' }, { name: 'encloses' }, { name: 'fills', needed: true }, { name: 'volume_cc' }, { name: 'u_cc' }, { name: 'typed' },
    { name: 'sealed' }, { name: 'plug_column_cc' }, { name: 'depth_mm' }, { name: 'plate_hole_cc' }, { name: 'known_relief_cc' }, { name: 'glass_c' },
    { name: 'warmer_k' }, { name: 'liquid_expansion' }, { name: 'watch_s' }, { name: 'watch_reading' }, { name: 'vessel' }, { name: 'after_work' },
    { name: 'instrument' }, { name: 'instrument_kind' }, { name: 'capacity_cc' }, { name: 'tolerance_cc' }, { name: 'resolution_cc' }, { name: 'scale' },
    { name: 'film_cc' }, { name: 'repeatability_cc' }, { name: 'expansion' }, { name: 'correction' }, { name: 'instrument_id' },
    { name: 'hand' }, { name: 'note' }, { name: 'standing' }, { name: 'id' }
  ],
  deck: [{ name: 'at' }, { name: 'cylinder', needed: true }, { name: 'x_mm', needed: true }, { name: 'y_mm', needed: true }, { name: 'reading_mm', needed: true }, { name: 'typed' }, { name: 'hand' }, { name: 'note' }, { name: 'standing' }, { name: 'id' }],
  solder: [{ name: 'at' }, { name: 'cylinder', needed: true }, { name: 'x_mm', needed: true }, { name: 'y_mm', needed: true }, { name: 'reading_mm', needed: true }, { name: 'typed' }, { name: 'hand' }, { name: 'note' }, { name: 'standing' }, { name: 'id' }]
}

const figureText = (figure: Figure | undefined): string | number => figure?.value ?? ''

function pourRow(pour: Extract<Entry, { kind: 'pour' }>, standing: Standing): Row {
  const { body } = pour
  const { instrument } = body
  const { value, u } = pourResult(pour)
  return {
    at: pour.at, cylinder: pour.scope.level === 'cylinder' ? pour.scope.cylinder : '', encloses: body.encloses,
    fills: body.fills.map(fill => `${fill.start}>${fill.end}`).join(';'), volume_cc: Number(value.toFixed(4)), u_cc: Number(u.toFixed(4)), typed: body.typed,
    sealed: body.sealed ?? '', plug_column_cc: figureText(body.plugColumn), depth_mm: figureText(body.depth), plate_hole_cc: figureText(body.plateHole),
    known_relief_cc: figureText(body.knownRelief), glass_c: figureText(body.scaleTemperature), warmer_k: figureText(body.warmer),
    liquid_expansion: body.liquidExpansion ?? '', watch_s: body.watch?.seconds ?? '', watch_reading: body.watch?.reading ?? '', vessel: body.vessel ?? '',
    after_work: body.afterWork ? 'yes' : '',
    instrument: instrument.name, instrument_kind: instrument.kind, capacity_cc: instrument.capacity, tolerance_cc: instrument.tolerance,
    resolution_cc: instrument.resolution, scale: instrument.scale ?? 'deliver', film_cc: instrument.film ?? 0, repeatability_cc: instrument.repeatability ?? 0,
    expansion: instrument.expansion ?? '', correction: instrument.correction ?? '', instrument_id: instrument.id ?? '',
    hand: pour.hand, note: pour.note ?? '', standing, id: pour.id
  }
}

/** Every reading of one kind in a ledger, in order, with its standing: those taken out stay readable. */
export function readingRows(entries: Entry[], kind: FileKind): Row[] {
  const { standing } = live(entries)
  const of = (entry: Entry): Standing => standing.get(entry.id) ?? 'counts'
  if (kind === 'pours') return ofKind(entries, 'pour').map(pour => pourRow(pour, of(pour)))
  return ofKind(entries, kind === 'deck' ? 'deckReadings' : 'solder').flatMap(entry => entry.body.readings.map(reading => ({
    at: entry.at, cylinder: entry.scope.level === 'cylinder' ? entry.scope.cylinder : '', x_mm: reading.x, y_mm: reading.y,
    reading_mm: reading.figure.value, typed: reading.figure.typed, hand: entry.hand, note: entry.note ?? '', standing: of(entry), id: entry.id
  })))
}

/** Readings as the text of a file. A name that begins with "=" is disarmed, so that no spreadsheet runs it. */
export function writeReadings(entries: Entry[], kind: FileKind): string {
  return Papa.unparse(readingRows(entries, kind), { columns: COLUMNS[kind].map(c => c.name), escapeFormulae: /^[=@\t\r]|^[+-](?![\d.])/ })
}

/** A line of a file that can't be taken, and why. Lines count from 1, the heading being the first. */
export interface BadRow { line: number, reason: string }

export interface ReadFile {
  /** Column of the file by the name it is known by here. */
  columns: Record<string, string>
  /** What will be added: the lines it comes from and the entry. */
  good: { lines: number[], id: string, entry: SentEntry }[]
  bad: BadRow[]
  /** Why nothing of it can be read at all. */
  refused?: string
}

/** Largest file and most lines that are read. */
export const FILE_LIMIT = 1024 * 1024
const MOST_LINES = 2000

const plain = (heading: string) => heading.toLowerCase().replace(/[^a-z0-9]+/g, '_').replace(/^_|_$/g, '')

function matchColumns(headings: string[], kind: FileKind): Record<string, string> {
  const known = new Map(COLUMNS[kind].map(c => [c.name, c.name]))
  // A unit may stand in the heading or not.
  for (const { name } of COLUMNS[kind]) known.set(name.replace(/_(cc|mm|c|k|s)$/, ''), name)
  return Object.fromEntries(headings.flatMap((heading) => {
    const name = known.get(plain(heading))
    return name ? [[name, heading]] : []
  }))
}

function number(text: string): number {
  const trimmed = text.trim().replace(',', '.')
  return /^[-+]?(\d+(\.\d*)?|\.\d+)(e[-+]?\d+)?$/i.test(trimmed) ? Number(trimmed) : NaN
}

class Unreadable extends Error {}

/** What a line leaves out, and the cylinders there are. */
interface Defaults { hand: string, cylinder: number, cylinders?: number[], at: string, instrument?: Bodies['pour']['instrument'] & { id: string } }
type Cell = (name: string) => string

function numeric(cell: Cell, name: string): number | undefined {
  const text = cell(name)
  if (text === '') return undefined
  const value = number(text)
  if (!Number.isFinite(value)) throw new Unreadable(`“${text.slice(0, 24)}” is no number for ${name}.`)
  return value
}

const needed = (cell: Cell, name: string): number => {
  const value = numeric(cell, name)
  if (value === undefined) throw new Unreadable(`${name} is empty.`)
  return value
}

function figure(cell: Cell, name: string, unit: string): Figure | undefined {
  const value = numeric(cell, name)
  return value === undefined ? undefined : { value, unit, typed: cell(name).slice(0, 64) }
}

function fillsOf(text: string): { start: number, end: number }[] {
  return text.split(';').map((part) => {
    const ends = part.split('>').map(number)
    if (ends.length !== 2 || ends.some(e => !Number.isFinite(e))) throw new Unreadable(`“${part.slice(0, 24)}” is no fill: write start>end, fills parted by ;`)
    return { start: ends[0]!, end: ends[1]! }
  })
}

const given = (body: object): object => Object.fromEntries(Object.entries(body).filter(([, value]) => value !== undefined && value !== ''))

function instrumentOf(cell: Cell, { instrument }: Defaults): object {
  if (cell('capacity_cc') === '') {
    if (!instrument) throw new Unreadable('It names no instrument, and the shop has none.')
    return instrument
  }
  return given({
    name: cell('instrument') || 'Unnamed glass', kind: cell('instrument_kind') || 'burette', capacity: needed(cell, 'capacity_cc'),
    tolerance: numeric(cell, 'tolerance_cc') ?? 0.2, resolution: numeric(cell, 'resolution_cc') ?? 0.1, scale: cell('scale') || 'deliver',
    film: numeric(cell, 'film_cc') ?? 0, repeatability: numeric(cell, 'repeatability_cc') ?? 0, expansion: numeric(cell, 'expansion'),
    correction: numeric(cell, 'correction'),
    // The same glass by the same name: its scale's error stays one source over all its pours.
    id: cell('instrument_id') || uuidv5(`instrument/${cell('instrument')}/${cell('capacity_cc')}`, NAMES)
  })
}

const NAMES = '6f0d1c52-3b7e-5c1a-9d55-0c7a5d2f8e11'

function frameOf(cell: Cell, defaults: Defaults): Pick<SentEntry, 'at' | 'hand' | 'v'> & { note?: string } {
  const at = cell('at')
  if (at !== '' && !Number.isFinite(Date.parse(at))) throw new Unreadable(`“${at.slice(0, 24)}” is no time.`)
  return { at: at === '' ? defaults.at : new Date(at).toISOString(), hand: cell('hand') || defaults.hand, v: 1, ...(cell('note') ? { note: cell('note') } : {}) }
}

function pourOf(cell: Cell, defaults: Defaults): unknown {
  const encloses = cell('encloses') || 'chamber'
  const fills = fillsOf(cell('fills'))
  const cylinder = numeric(cell, 'cylinder') ?? defaults.cylinder
  const watched = numeric(cell, 'watch_s')
  return {
    ...frameOf(cell, defaults), kind: 'pour', scope: encloses === 'container' && cell('cylinder') === '' ? { level: 'build' } : { level: 'cylinder', cylinder },
    body: given({
      encloses, fills, typed: cell('typed') === '' ? cell('fills').slice(0, 200) : cell('typed'), instrument: instrumentOf(cell, defaults), sealed: cell('sealed'),
      plugColumn: figure(cell, 'plug_column_cc', 'cc'), depth: figure(cell, 'depth_mm', 'mm'), plateHole: figure(cell, 'plate_hole_cc', 'cc'),
      knownRelief: figure(cell, 'known_relief_cc', 'cc'), scaleTemperature: figure(cell, 'glass_c', '°C'), warmer: figure(cell, 'warmer_k', '°C'),
      liquidExpansion: numeric(cell, 'liquid_expansion'), watch: watched === undefined ? undefined : { seconds: watched, reading: needed(cell, 'watch_reading') },
      vessel: cell('vessel'), afterWork: cell('after_work') === '' ? undefined : /^(yes|true|1)$/i.test(cell('after_work'))
    })
  }
}

const sentenceOf = (error: unknown): string => {
  if (error instanceof Unreadable) return error.message
  throw error
}

/**
 * Reads a file of readings. Nothing is added by it: it says what could be, and which lines could not and why.
 *
 * @param text the file
 * @param kind what it holds
 * @param build whose readings they become: the same file read twice into one build names the same entries
 * @param defaults for what a line leaves out
 */
export function readReadings(text: string, kind: FileKind, build: string, defaults: Defaults): ReadFile {
  const none = (refused: string): ReadFile => ({ columns: {}, good: [], bad: [], refused })
  if (text.length > FILE_LIMIT) return none('The file is larger than 1 MB: split it.')
  const parsed = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), { header: true, skipEmptyLines: 'greedy', preview: MOST_LINES + 1 })
  const headings = parsed.meta.fields ?? []
  const columns = matchColumns(headings, kind)
  const missing = COLUMNS[kind].filter(c => c.needed && !columns[c.name]).map(c => c.name)
  if (missing.length > 0) return none(`No column is called ${missing.join(' or ')}: the first line must name the columns.`)
  if (parsed.data.length === 0) return none('There is no reading in it.')
  if (parsed.data.length > MOST_LINES) return none(`More than ${MOST_LINES} lines do not fit at once: split it.`)
  const bad: BadRow[] = []
  const taken: { line: number, cell: Cell }[] = []
  const broken = new Map(parsed.errors.map(e => [e.row, e.message]))
  parsed.data.forEach((row, i) => {
    const cell: Cell = name => String(row[columns[name] ?? ''] ?? '').trim().replace(/^'(?=[=@+-])/, '')
    const line = i + 2
    if (broken.has(i) && /Quotes|TooMany/.test(`${broken.get(i)}`)) bad.push({ line, reason: 'The line is broken: its quotes or its columns do not add up.' })
    else if (cell('standing') !== '' && cell('standing') !== 'counts') bad.push({ line, reason: `It was ${cell('standing') === 'void' ? 'taken out' : 'replaced'} where it comes from.` })
    else taken.push({ line, cell })
  })
  const good: ReadFile['good'] = []
  const accept = (lines: number[], key: string, make: () => unknown) => {
    try {
      const plainEntry = make()
      const checked = checkEntry(plainEntry)
      const scope = checked.ok ? checked.value.scope : undefined
      if (scope?.level === 'cylinder' && defaults.cylinders && !defaults.cylinders.includes(scope.cylinder)) {
        bad.push({ line: lines[0]!, reason: `This engine has no cylinder ${scope.cylinder}.` })
      } else if (checked.ok) good.push({ lines, id: uuidv5(key, build), entry: checked.value })
      else bad.push({ line: lines[0]!, reason: checked.fields[0]!.sentence })
    } catch (error) {
      bad.push({ line: lines[0]!, reason: sentenceOf(error) })
    }
  }
  if (kind === 'pours') {
    for (const { line, cell } of taken) accept([line], cell('id') || `${kind}/${JSON.stringify(parsed.data[line - 2])}`, () => pourOf(cell, defaults))
  } else acceptSpots(taken, kind, defaults, accept, bad)
  return { columns, good, bad: bad.sort((a, b) => a.line - b.line) }
}

/** Lines of one crown belong together: by their id where they have one, else by cylinder and time. */
function acceptSpots(
  taken: { line: number, cell: Cell }[], kind: 'deck' | 'solder', defaults: Defaults,
  accept: (lines: number[], key: string, make: () => unknown) => void, bad: BadRow[]
): void {
  const groups = new Map<string, { lines: number[], cell: Cell, readings: SpotReading[] }>()
  for (const { line, cell } of taken) {
    try {
      const value = needed(cell, 'reading_mm')
      const reading = { x: needed(cell, 'x_mm'), y: needed(cell, 'y_mm'), figure: { value, unit: 'mm', typed: cell('typed') || cell('reading_mm').slice(0, 64) } }
      const key = cell('id') || `${cell('cylinder')}/${cell('at')}`
      const group = groups.get(key) ?? { lines: [], cell, readings: [] }
      group.lines.push(line)
      group.readings.push(reading)
      groups.set(key, group)
    } catch (error) {
      bad.push({ line, reason: sentenceOf(error) })
    }
  }
  for (const [key, { lines, cell, readings }] of groups) {
    accept(lines, cell('id') || `${kind}/${key}/${JSON.stringify(readings)}`, () => ({
      ...frameOf(cell, defaults), kind: kind === 'deck' ? 'deckReadings' : 'solder', scope: { level: 'cylinder', cylinder: needed(cell, 'cylinder') }, body: { readings }
    }))
  }
}
