import { UNITS } from '#shared/figures'
import type { LiftRow } from '#core'
import { liftRowsFault } from '#shared/dto'
import { cellsOf, numberTyped } from './cells'

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
  const rows: LiftRow[] = []
  for (const [i, line] of text.split(/\r?\n/).entries()) {
    const cells = cellsOf(line)
    if (cells.length === 0) continue
    const numbers = cells.map(cell => numberTyped(cell.replace(/°$/, '')))
    if (numbers.length === 2 && numbers.every(Number.isFinite)) rows.push({ angle: numbers[0]!, lift: Number((numbers[1]! * UNITS[unit].factor).toFixed(5)) })
    else if (rows.length > 0 || numbers.some(Number.isFinite)) return `Line ${i + 1} is no angle and lift: “${cells.join(' ').slice(0, 24)}”.`
  }
  return liftRowsFault(rows) ?? rows
}
