import { quantityRule, type Figure, type Statement } from '#core'
import { say, UNITS, type LengthUnit, type UnitName } from '#shared/figures'
import { QUANTITY_WORDS } from '#shared/words/quantities'

/** A stated dimension in one line. */
export function sayStatement({ quantity, figure }: Statement, lengths: LengthUnit): string {
  const { dimension } = quantityRule(quantity)
  // A share is a ratio below one, and told to a thousandth.
  return `${QUANTITY_WORDS[quantity].label} ${say(figure.value, dimension, lengths, dimension === 'ratio' && figure.value < 1 ? 1 : 0)}`
}

/**
 * What was typed for a figure, with the unit that its field had where the hand typed none; empty for one that was only pressed for.
 *
 * @example typedFigure({ value: 1.016, unit: 'thou', typed: '40 thou' }) // '40 thou'
 */
export const typedFigure = ({ typed, unit }: Figure): string =>
  /[^\d\s.,+\-−/]/.test(typed) || unit === ':1' ? typed : typed && `${typed} ${UNITS[unit as UnitName]?.label ?? unit}`
