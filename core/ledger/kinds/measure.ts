import { kind } from '../kind'
import { placeOf } from '../place'
import { ENGINE_SCOPES, STATEMENTS, type Statement } from '../statement'

/** A dimension that somebody measured. */
export const measure = kind<Statement>()({
  example: () => ({ quantity: 'bore', figure: { value: 92, unit: 'mm', typed: '92' } }),
  at: ({ quantity }) => placeOf(quantity),
  role: 'statement', scopes: ENGINE_SCOPES, changes: [], bounds: {}, corrects: STATEMENTS, told: true
})
