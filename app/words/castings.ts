import type { CastingFigure } from '#core'
import { digits, inLengths, sayRate, type LengthUnit } from '#shared/figures'

export const CASTING_WORDS: Record<CastingFigure, string> = {
  chamber: 'Chamber', perMm: 'Face cut takes', intakeThroat: 'Intake throat', exhaustThroat: 'Exhaust throat', intakePort: 'Intake port', exhaustPort: 'Exhaust port'
}

/** What a figure of a casting is shown by: its unit, what it is multiplied with, and its places. */
export function castingUnit(figure: CastingFigure, lengths: LengthUnit): { unit: string, factor: number, places: number } {
  if (figure === 'perMm') return { unit: sayRate(1, lengths).unit, factor: sayRate(1, lengths).factor, places: lengths === 'in' ? 4 : 2 }
  if (figure.endsWith('Throat')) return { unit: lengths, factor: inLengths(1, lengths), places: lengths === 'in' ? 3 : 2 }
  return { unit: 'cc', factor: 1, places: 1 }
}

/** The lowest and the highest of some figures, or the one there is. */
export function sayRange(values: readonly number[], { factor, places }: { factor: number, places: number }): string {
  if (values.length === 0) return '–'
  const [low, high] = [Math.min(...values), Math.max(...values)].map(value => digits(value * factor, places))
  return low === high ? low! : `${low} to ${high}`
}
