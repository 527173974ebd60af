import { QUANTITIES, quantityRule, type Quantity } from '#core'
import { Sound } from '../decorators'
import { StatementBody } from '../statement'

const WANTED = (Object.keys(QUANTITIES) as Quantity[]).filter(quantity => quantityRule(quantity).wanted)

export class WishBody extends StatementBody {
  @Sound(value => WANTED.includes(value as Quantity) ? undefined : `What is wanted must be one of ${WANTED.join(', ')}: anything else is measured, from a book, or assumed.`) declare quantity: Quantity
}
