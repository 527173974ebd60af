import { quantityRule, type Figure, type Statement } from '#core'
import { say, UNITS, type LengthUnit, type UnitName } from '#shared/figures'
import { QUANTITY_WORDS } from '#shared/words/quantities'

/** A stated dimension in one line. */
export const sayStatement = ({ quantity, figure }: Statement, lengths: LengthUnit): string =>
  // A share is a ratio below one, and told to a thousandth.
  `${QUANTITY_WORDS[quantity].label} ${say(figure.value, quantityRule(quantity).dimension, lengths, quantityRule(quantity).dimension === 'ratio' && figure.value < 1 ? 1 : 0)}`

/** What was typed for a figure; empty for one that was only pressed for. */
export const typedFigure = ({ typed, unit }: Figure): string => typed && `${typed} ${unit === ':1' ? '' : UNITS[unit as UnitName]?.label ?? unit}`.trim()
