import { kind } from '../kind'
import { placeOf } from '../place'
import { ENGINE_SCOPES, STATEMENTS, type Statement } from '../statement'

/** A dimension out of a book: a claim until it is measured. */
export const book = kind<Statement>()({
  example: () => ({ quantity: 'chamberVolume', figure: { value: 51, unit: 'cc', typed: '51' } }),
  at: ({ quantity }) => placeOf(quantity),
  role: 'statement', scopes: ENGINE_SCOPES, changes: [], bounds: {}, corrects: STATEMENTS, told: true
})
