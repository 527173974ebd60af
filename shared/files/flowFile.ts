import Papa from 'papaparse'
import { v5 as uuidv5 } from 'uuid'
import { portScope, portsIn, scopeName, type Bodies, type Figure, type FlowMiss, type FlowRun, type Layout, type PortName, type Scope } from '#core'
import { numberInFile, yesOrNo } from './cells'
import { readWhen } from './dates'
import { MISS_TEXT } from './flowText'
import { disarmed, rearmed } from './readingRows'

/** Largest file of runs. */
export const FLOW_FILE_LIMIT = 2 * 1024 * 1024

const COLUMNS = [
  'run', 'at', 'port', 'name', 'bench', 'specimen', 'depression_pa', 'fixture_mm', 'pipe', 'entry', 'manifold', 'valve', 'valve_mm', 'air_c', 'air_hpa', 'same_mounting', 'hours', 'claimed', 'lift_mm', 'flow_l_s', 'missed', 'id'
] as const
type Column = (typeof COLUMNS)[number]
/** What is a lift's own; the rest is its run's, and the same in all of that one's lines that say it. */
const OF_A_LIFT: readonly Column[] = ['lift_mm', 'flow_l_s', 'missed']
const NEEDED: readonly Column[] = ['run', 'port', 'bench', 'depression_pa', 'lift_mm', 'flow_l_s']
const FIGURES = [['fixture_mm', 'fixture', 'mm'], ['valve_mm', 'across', 'mm'], ['air_c', 'temperature', '°C'], ['air_hpa', 'pressure', 'hPa']] as const

const portText = (layout: Layout, port: PortName) => `${port.valve} ${port.cylinder}${portScope(layout, port).level === 'port' && 'n' in portScope(layout, port) ? `.${port.n}` : ''}`

/**
 * Runs as a table, a line a lift, each with its run's conditions: it comes in again as it left.
 *
 * @example flowFile(layout, runs).split('\n')[0] // run,at,port,…
 */
export function flowFile(layout: Layout, runs: readonly FlowRun[]): string {
  const data = runs.flatMap(({ entry: { id, at, body }, port, n }) => body.rows.map((row) => {
    const line: Record<Column, string | number | undefined> = {
      run: n, at, port: portText(layout, port), name: body.name, bench: body.bench, specimen: body.specimen, depression_pa: body.depression.value, fixture_mm: body.fixture?.value, pipe: body.pipe, entry: body.entry,
      manifold: body.manifold, valve: body.valve, valve_mm: body.across?.value, air_c: body.temperature?.value, air_hpa: body.pressure?.value, same_mounting: body.sameMounting ? 'yes' : '', hours: body.hours, claimed: body.claimed,
      lift_mm: row.lift, flow_l_s: row.flow, missed: row.missed && MISS_TEXT[row.missed], id
    }
    return COLUMNS.map(column => disarmed(String(line[column] ?? '')))
  }))
  return Papa.unparse({ fields: [...COLUMNS], data }, { newline: '\n' }) + '\n'
}

/** A run out of a file; `left` is the entry it was when it left. */
export interface FlowIn { id: string, left: string, scope: Scope, at: string, body: Bodies['flowRun'] }

const NAMES = 'b2b9f5ad-7f7e-5d3f-8a43-51e2c9d1c7aa'

/**
 * Reads a table of runs.
 *
 * @param layout of the engine they are of
 * @param build into which they come: a run that is read twice names the same entry
 * @param now for runs that do not say when they were made
 * @returns runs that are still to be checked as entries are, or a sentence that names the line
 */
export function readFlowFile(text: string, layout: Layout, build: string, now: string): FlowIn[] | string {
  if (text.length > FLOW_FILE_LIMIT) return 'That is too large for a file of runs: 2 MB at most.'
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''))
  const headings = data[0]?.map(cell => cell.trim().toLowerCase()) ?? []
  const missing = NEEDED.filter(column => !headings.includes(column))
  if (missing.length > 0) return `No column is called ${missing.join(' or ')}: the first line must name the columns.`
  const twice = COLUMNS.find(column => headings.indexOf(column) !== headings.lastIndexOf(column))
  if (twice) return `Two columns are called ${twice}: leave one out.`
  const ports = new Map(portsIn(layout).map(port => [portText(layout, port), port]))
  const runs = new Map<string, { begins: number, lines: string[][], run: Omit<FlowIn, 'id'> }>()
  const at = (cells: string[], column: Column) => (cells[headings.indexOf(column)] ?? '').trim()
  for (const [i, cells] of data.entries()) {
    if (i === 0 || cells.every(text => text.trim() === '')) continue
    const cell = (column: Column) => rearmed(at(cells, column))
    const faulty: string[] = []
    const number = (column: Column): number | undefined => {
      const value = cell(column)
      if (value === '') return undefined
      const read = numberInFile(value)
      if (!Number.isFinite(read)) faulty.push(`“${value.slice(0, 24)}” is no number for ${column}`)
      return read
    }
    const [lift, flow, missed] = [number('lift_mm'), number('flow_l_s'), (Object.entries(MISS_TEXT) as [FlowMiss, string][]).find(([, said]) => said === cell('missed').toLowerCase())?.[0]]
    if (cell('missed') !== '' && missed === undefined) faulty.push(`“${cell('missed').slice(0, 24)}” is no reason why a lift was not reached: ${Object.values(MISS_TEXT).join(', ')}`)
    const same = yesOrNo(cell('same_mounting'))
    if (cell('same_mounting') !== '' && same === undefined) faulty.push(`“${cell('same_mounting').slice(0, 24)}” is neither yes nor no for same_mounting`)
    const key = cell('run')
    if (key === '') return `Line ${i + 1}: it does not say of which run it is.`
    if (!runs.has(key)) {
      const port = ports.get(cell('port').toLowerCase())
      if (!port) return `Line ${i + 1}: this engine has no port called “${cell('port').slice(0, 24)}”. Ports are called ${[...ports.keys()].slice(0, 2).join(', ')} and so on.`
      const figure = (value: number | undefined, unit: string): Figure | undefined => value === undefined ? undefined : { value, unit, typed: String(value) }
      const words = Object.fromEntries((['name', 'specimen', 'manifold', 'valve', 'claimed'] as const).flatMap(name => cell(name) === '' ? [] : [[name, cell(name)]]))
      const figures = Object.fromEntries(FIGURES.flatMap(([column, name, unit]) => {
        const given = figure(number(column), unit)
        return given ? [[name, given]] : []
      }))
      const hours = number('hours')
      const when = cell('at') === '' ? { at: now } : readWhen(cell('at'))
      if (!('at' in when)) return `Line ${i + 1}: ${'refused' in when ? when.refused : `“${cell('at').slice(0, 24)}” may have the day first or the month: write it as 2026-03-12.`}`
      const body = {
        ...words, bench: cell('bench'), depression: figure(number('depression_pa') ?? Number.NaN, 'Pa')!, ...figures, pipe: cell('pipe') || 'none', entry: cell('entry') || 'none', rows: [],
        ...same ? { sameMounting: true } : {}, ...hours === undefined ? {} : { hours }
      } as unknown as Bodies['flowRun']
      runs.set(key, { begins: i, lines: [], run: { left: cell('id'), scope: portScope(layout, port), at: when.at, body } })
    }
    if (faulty.length > 0) return `Line ${i + 1}: ${faulty[0]}.`
    if (lift === undefined) return `Line ${i + 1}: it has no lift.`
    const { run, lines, begins } = runs.get(key)!
    const other = COLUMNS.find(column => !OF_A_LIFT.includes(column) && !['', at(data[begins]!, column)].includes(at(cells, column)))
    if (other) return `Line ${i + 1}: ${other} is not as on line ${begins + 1}, and both are of run ${key.slice(0, 24)}. What belongs to a run is the same on each of its lines; another run has another number.`
    run.body.rows.push({ lift, ...flow === undefined ? {} : { flow }, ...missed === undefined ? {} : { missed } })
    lines.push(cells)
  }
  if (runs.size === 0) return 'No run is in that file.'
  return [...runs.values()].map(({ run, lines }) => ({ ...run, id: uuidv5(JSON.stringify([build, scopeName(run.scope), lines]), NAMES) }))
}
