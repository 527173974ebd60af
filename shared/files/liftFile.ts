import Papa from 'papaparse'
import { UNITS } from '#shared/figures'
import type { LiftRow } from '#core'
import { liftRowsFault } from '#shared/dto'

/** Longest text that is read as a lift table. */
export const LIFT_TEXT_LIMIT = 20_000

/**
 * Reads a lift table: an angle and a lift a line, parted by comma, semicolon, tab or spaces, a heading or none.
 *
 * @param text pasted, or of a file
 * @param unit the lifts are in
 * @returns rows in degrees and mm, or a sentence that names the line
 */
export function readLiftTable(text: string, unit: 'mm' | 'in'): LiftRow[] | string {
  if (text.length > LIFT_TEXT_LIMIT) return 'That is too long for a lift table.'
  // Spaces part columns where nothing else does; a comma is then a decimal point, as it is beside a semicolon or a tab.
  const even = text.trim().replace(/[;\t]|[ ]{1,}/g, ';').replace(/;{2,}/g, ';')
  const { data } = Papa.parse<string[]>(even, { delimiter: even.includes(';') ? ';' : ',', skipEmptyLines: 'greedy' })
  const rows: LiftRow[] = []
  for (const [i, cells] of data.entries()) {
    const given = cells.map(cell => cell.trim().replace(/[°,]$/, '').replace(',', '.')).filter(cell => cell !== '')
    const numbers = given.map(cell => /^[-+]?(\d+(\.\d*)?|\.\d+)$/.test(cell) ? Number(cell) : NaN)
    if (numbers.length === 2 && numbers.every(Number.isFinite)) rows.push({ angle: numbers[0]!, lift: Number((numbers[1]! * UNITS[unit].factor).toFixed(5)) })
    else if (i > 0 || numbers.some(Number.isFinite)) return `Line ${i + 1} is no angle and lift: “${cells.join(' ').slice(0, 24)}”.`
  }
  return liftRowsFault(rows) ?? rows
}
