import { quantityRule, type Figure, type Statement } from '#core'

/** A stated dimension's one figure. */
export const statedFigure = {
  label: 'Right figure',
  dimension: ({ quantity }: Statement) => quantityRule(quantity).dimension,
  right: (body: Statement, figure: Figure): Statement => ({ ...body, figure })
}
