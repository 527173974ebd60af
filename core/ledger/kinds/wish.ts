import { kind } from '../kind'
import { placeOf } from '../place'
import { ENGINE_SCOPES, STATEMENTS, type Statement } from '../statement'

/** A dimension as it is wanted: nobody measured it, and nobody has to. */
export const wish = kind<Statement>()({
  example: () => ({ quantity: 'wantedSquish', figure: { value: 1.1, unit: 'mm', typed: '1.1' } }),
  at: ({ quantity }) => placeOf(quantity),
  role: 'statement', scopes: ENGINE_SCOPES, changes: [], bounds: {}, corrects: STATEMENTS, told: true
})
