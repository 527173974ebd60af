import Papa from 'papaparse'
import { live, ofKind, pourResult, type Entry, type Figure, type PourBody, type Standing } from '#core'

/** What a file of readings holds: one pour a line, or one place on a crown a line. */
export const FILE_KINDS = ['pours', 'deck', 'solder'] as const
export type FileKind = (typeof FILE_KINDS)[number]

type Row = Record<string, string | number>

/** A column: what it is called, whether a file must have it, and whether it is text, kept to the letter. */
export interface Column { name: string, needed?: boolean, text?: boolean }

const named = (names: string, more: Partial<Column> = {}): Column[] => names.split(' ').map(name => ({ name, ...more }))
const spots = (more: Column[] = []): Column[] => [
  ...named('at'), ...named('cylinder x_mm y_mm reading_mm', { needed: true }), ...named('typed unit', { text: true }), ...more, ...named('hand'), ...named('note', { text: true }), ...named('standing id')
]

/** Columns by name, in the order they are written. */
export const COLUMNS: Record<FileKind, Column[]> = {
  pours: [
    ...named('at cylinder encloses port_n'), ...named('fills', { needed: true }), ...named('volume_cc u_cc'), ...named('typed', { text: true }),
    ...named('sealed plug_column_cc depth_mm plate_hole_cc known_relief_cc glass_c warmer_k liquid_expansion watch_s watch_reading'), ...named('vessel', { text: true }),
    ...named('after_work'), ...named('instrument', { text: true }),
    ...named('instrument_kind capacity_cc tolerance_cc resolution_cc scale film_cc repeatability_cc expansion correction check_at_cc check_u_cc instrument_id hand'), ...named('note', { text: true }),
    ...named('typed_as', { text: true }), ...named('standing id')
  ],
  deck: spots(),
  // How thick the solder was before stands on each of its lines.
  solder: spots([...named('strand_mm'), ...named('strand_typed strand_unit', { text: true })])
}

/** Figures of a pour that have a column of their own, and the unit that column is in. */
export const FIGURE_COLUMNS = {
  plugColumn: ['plug_column_cc', 'cc'], depth: ['depth_mm', 'mm'], plateHole: ['plate_hole_cc', 'cc'], knownRelief: ['known_relief_cc', 'cc'],
  scaleTemperature: ['glass_c', '°C'], warmer: ['warmer_k', '°C']
} as const satisfies { [K in keyof PourBody]?: readonly [column: string, unit: string] }
export type FigureColumn = keyof typeof FIGURE_COLUMNS

/** How figures were typed, where that is not simply the number in its column. */
function typedAs(body: PourBody): string {
  const odd = (Object.entries(FIGURE_COLUMNS) as [FigureColumn, readonly [string, string]][]).flatMap(([name, [, unit]]) => {
    const figure: Figure | undefined = body[name]
    return figure && (figure.unit !== unit || figure.typed !== String(figure.value)) ? [[name, { unit: figure.unit, typed: figure.typed }]] : []
  })
  return odd.length > 0 ? JSON.stringify(Object.fromEntries(odd)) : ''
}

function pourRow(pour: Extract<Entry, { kind: 'pour' }>, standing: Standing): Row {
  const { body } = pour
  const { instrument } = body
  const { value, u } = pourResult(pour)
  return {
    at: pour.at, cylinder: pour.scope.level === 'cylinder' ? pour.scope.cylinder : '', encloses: body.encloses, port_n: body.n ?? '',
    fills: body.fills.map(fill => `${fill.start}>${fill.end}`).join(';'), volume_cc: Number(value.toFixed(4)), u_cc: Number(u.toFixed(4)), typed: body.typed,
    sealed: body.sealed ?? '',
    ...Object.fromEntries((Object.entries(FIGURE_COLUMNS) as [FigureColumn, readonly [string, string]][]).map(([name, [column]]) => [column, body[name]?.value ?? ''])),
    liquid_expansion: body.liquidExpansion ?? '', watch_s: body.watch?.seconds ?? '', watch_reading: body.watch?.reading ?? '', vessel: body.vessel ?? '',
    after_work: body.afterWork === undefined ? '' : body.afterWork ? 'yes' : 'no',
    instrument: instrument.name, instrument_kind: instrument.kind, capacity_cc: instrument.capacity, tolerance_cc: instrument.tolerance,
    resolution_cc: instrument.resolution, scale: instrument.scale ?? 'deliver', film_cc: instrument.film ?? 0, repeatability_cc: instrument.repeatability ?? '',
    expansion: instrument.expansion ?? '', correction: instrument.correction ?? '', check_at_cc: instrument.check?.at ?? '', check_u_cc: instrument.check?.u ?? '', instrument_id: instrument.id ?? '',
    hand: pour.hand, note: pour.note ?? '', typed_as: typedAs(body), standing, id: pour.id
  }
}

/** The strand of a solder, as its columns. */
function strandOf({ body }: Entry): Row {
  const strand = 'strand' in body ? body.strand : undefined
  return strand ? { strand_mm: strand.value, strand_typed: strand.typed, strand_unit: strand.unit } : {}
}

/** Every reading of one kind in a ledger, in order, with its standing: those taken out stay readable. */
export function readingRows(entries: Entry[], kind: FileKind): Row[] {
  const { standing } = live(entries)
  const of = (entry: Entry): Standing => standing.get(entry.id) ?? 'counts'
  if (kind === 'pours') return ofKind(entries, 'pour').map(pour => pourRow(pour, of(pour)))
  return ofKind(entries, kind === 'deck' ? 'deckReadings' : 'solder').flatMap(entry => entry.body.readings.map(reading => ({
    at: entry.at, cylinder: entry.scope.level === 'cylinder' ? entry.scope.cylinder : '', x_mm: reading.x, y_mm: reading.y,
    reading_mm: reading.figure.value, typed: reading.figure.typed, unit: reading.figure.unit, ...strandOf(entry), hand: entry.hand, note: entry.note ?? '', standing: of(entry), id: entry.id
  })))
}

/** Text that a spreadsheet would run, or that was disarmed before: an apostrophe goes before it, and comes off again. */
const RUNS = /^'*[=+\-@\t\r]/

/** A text as it stands in a file: what a spreadsheet would run is disarmed. */
export const disarmed = (text: string): string => RUNS.test(text) ? `'${text}` : text
/** The same text back. */
export const rearmed = (text: string): string => text.startsWith('\'') && RUNS.test(text.slice(1)) ? text.slice(1) : text

/** Readings as the text of a file. Numbers stand as they are; no text is one that a spreadsheet runs. */
export function writeReadings(entries: Entry[], kind: FileKind): string {
  const rows = readingRows(entries, kind).map(row => Object.fromEntries(Object.entries(row).map(([name, cell]) => [name, typeof cell === 'string' ? disarmed(cell) : cell])))
  return Papa.unparse(rows, { columns: COLUMNS[kind].map(c => c.name) })
}
