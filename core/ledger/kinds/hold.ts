import { kind } from '../kind'

export interface HoldBody { held: boolean }

/** A chamber that can't be ground. */
export const hold = kind<HoldBody>()({
  example: () => ({ held: true }),
  at: () => ({ station: 'pour', leaf: 'even' }),
  role: 'remark', scopes: ['cylinder'], changes: [], bounds: {}
})
