import { kind } from '../kind'
import { placeOf } from '../place'
import { ENGINE_SCOPES, STATEMENTS, type Statement } from '../statement'

/** A dimension that stands in until somebody measures it. */
export const assume = kind<Statement>()({
  example: () => ({ quantity: 'mouthArea', figure: { value: 4800, unit: 'mm2', typed: '4800' } }),
  at: ({ quantity }) => placeOf(quantity),
  role: 'statement', scopes: ENGINE_SCOPES, changes: [], bounds: {}, corrects: STATEMENTS, told: true
})
