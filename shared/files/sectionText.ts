import { UNITS } from '#shared/figures'
import type { SectionRow } from '#core'
import { sectionsFault } from '#shared/dto'

/** Longest text that is read as sections. */
export const SECTION_TEXT_LIMIT = 5000

/**
 * Reads a port's sections, one a line: how far from the seat, then the area, or width × height and the radius of its corners.
 *
 * @param text typed or pasted: “25 1020”, “80 32 x 38 r 8”
 * @param unit lengths are in; areas are in its square
 * @returns rows in mm and mm², or a sentence that names the line
 */
export function readSections(text: string, unit: 'mm' | 'in'): SectionRow[] | string {
  if (text.length > SECTION_TEXT_LIMIT) return 'That is too long for the sections of a port.'
  const rows: SectionRow[] = []
  const factor = UNITS[unit].factor
  const length = (x: number) => Number((x * factor).toFixed(4))
  for (const [i, line] of text.split(/\r?\n/).entries()) {
    const given = line.trim().replace(/[;\t]/g, ' ').replace(/(\d),(\d)/g, '$1.$2').replace(/[x×*r]/gi, ' ').split(/[\s,]+/).filter(Boolean)
    if (given.length === 0) continue
    const numbers = given.map(cell => /^(\d+(\.\d*)?|\.\d+)$/.test(cell) ? Number(cell) : Number.NaN)
    if (!numbers.every(Number.isFinite) || numbers.length < 2 || numbers.length > 4) return `Line ${i + 1} is no section: “${line.trim().slice(0, 24)}”. Give its place and its area, or its place, width, height and corner radius.`
    const [at, a, b, r] = numbers as [number, number, number | undefined, number | undefined]
    rows.push(b === undefined ? { at: length(at), area: Number((a * factor * factor).toFixed(3)) } : { at: length(at), width: length(a), height: length(b), ...r === undefined ? {} : { radius: length(r) } })
  }
  return sectionsFault(rows) ?? rows
}
