import { UNITS } from '#shared/figures'
import type { SectionRow, XY } from '#core'
import { sectionsFault } from '#shared/dto'
import { cellsOf, numberTyped } from './cells'

const N = String.raw`(\d+(?:\.\d*)?|\.\d+)`
/** “25 1020”, or “80 32 x 38 r 8”; out of a table the sign between two figures may be missing, but not a figure beside a sign. */
const SECTION = new RegExp(`^${N} ${N}(?:(?: ?[x×*] ?| )${N}(?:(?: ?r ?| )${N})?)?$`, 'i')

/** Longest text that is read as sections. */
export const SECTION_TEXT_LIMIT = 20_000
/** Longest text that is read as points. */
const POINT_TEXT_LIMIT = 500_000

/**
 * Reads a port's sections, one a line: how far from the seat, then the area, or width × height and the radius of its corners, or after a colon
 * the points it was traced by.
 *
 * @param text typed or pasted: “25 1020”, “80 32 x 38 r 8”, “80: 0 0; 32 0; 32 38; 0 38”
 * @param unit lengths are in; areas are in its square
 * @returns rows in mm and mm², or a sentence that names the line
 */
export function readSections(text: string, unit: 'mm' | 'in'): SectionRow[] | string {
  if (text.length > SECTION_TEXT_LIMIT) return 'That is too long for the sections of a port.'
  const rows: SectionRow[] = []
  const factor = UNITS[unit].factor
  const length = (x: number) => Number((x * factor).toFixed(4))
  for (const [i, line] of text.split(/\r?\n/).entries()) {
    if (line.includes(':')) {
      const row = traced(line, length)
      if (!row) return `Line ${i + 1} is no traced section: “${line.trim().slice(0, 24)}”. Give its place, a colon, then the x and y of each point, parted by semicolons.`
      rows.push(row)
      continue
    }
    const given = cellsOf(line).join(' ')
    if (given === '') continue
    const numbers = SECTION.exec(given)?.slice(1).filter(cell => cell !== undefined).map(Number)
    if (!numbers) return `Line ${i + 1} is no section: “${line.trim().slice(0, 24)}”. Give its place and its area, or its place, width, height and corner radius.`
    const [at, a, b, r] = numbers as [number, number, number?, number?]
    rows.push(b === undefined ? { at: length(at), area: Number((a * factor * factor).toFixed(3)) } : { at: length(at), width: length(a), height: length(b), ...r === undefined ? {} : { radius: length(r) } })
  }
  return sectionsFault(rows) ?? rows
}

/** A section by its points: “80: 0 0; 32 0; 32 38; 0 38”. */
function traced(line: string, length: (x: number) => number): SectionRow | undefined {
  const [place, outline, ...more] = line.split(':')
  const numbers = (text: string) => cellsOf(text).map(cell => length(numberTyped(cell)))
  const [at, ...rest] = numbers(place!)
  const points = outline!.split(';').filter(point => point.trim() !== '').map(numbers)
  if (more.length > 0 || rest.length > 0 || !Number.isFinite(at) || at! < 0 || points.some(p => p.length !== 2 || !p.every(Number.isFinite))) return undefined
  return { at: at!, points: points.map(([x, y]): XY => [x!, y!]) }
}

/**
 * Reads a traced outline, a point a line: its x and its y.
 *
 * @param unit they are in
 * @returns points in mm, or a sentence that names the line
 */
export function readPoints(text: string, unit: 'mm' | 'in'): XY[] | string {
  if (text.length > POINT_TEXT_LIMIT) return 'That is too long for an outline.'
  const points: XY[] = []
  for (const [i, line] of text.split(/\r?\n/).entries()) {
    const numbers = cellsOf(line).map(cell => Number((numberTyped(cell) * UNITS[unit].factor).toFixed(4)))
    if (numbers.length === 0) continue
    if (numbers.length !== 2 || !numbers.every(Number.isFinite)) return `Line ${i + 1} is no point: give x and y.`
    points.push([numbers[0]!, numbers[1]!])
  }
  return points
}
