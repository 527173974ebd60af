import { QUANTITIES, quantityRule, type Quantity } from '#core'
import { Sound } from '../decorators'
import { StatementBody } from '../statement'

export class MeasureBody extends StatementBody {
  // A rule of the same name on a subclass takes the place of the inherited one, so this says both.
  @Sound((value) => {
    if (typeof value !== 'string' || !Object.hasOwn(QUANTITIES, value)) return `What is stated must be one of ${Object.keys(QUANTITIES).join(', ')}.`
    if (value === 'bookRatio') return 'A ratio follows from the volumes: enter the one that is claimed as the book’s.'
    return quantityRule(value as Quantity).measurable === false ? 'A measured chamber is a pour: enter its readings.' : undefined
  }) declare quantity: Quantity
}
