import { quantityRule, type Figure, type Statement } from '#core'
import { say, type LengthUnit } from '#shared/figures'
import { QUANTITY_WORDS } from '#shared/words/quantities'

/** A stated dimension in one line. */
export const sayStatement = ({ quantity, figure }: Statement, lengths: LengthUnit): string =>
  `${QUANTITY_WORDS[quantity].label} ${say(figure.value, quantityRule(quantity).dimension, lengths)}`

/** What was typed for a figure; empty for one that was only pressed for. */
export const typedFigure = ({ typed, unit }: Figure): string => typed && `${typed} ${unit}`
