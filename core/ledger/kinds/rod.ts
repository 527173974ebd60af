import type { RodMaterial } from '../../squish'
import { kind } from '../kind'

export interface RodBody { material: RodMaterial }

/** What the rods are made of. */
export const rod = kind<RodBody>()({
  example: () => ({ material: 'steel' }),
  at: () => ({ station: 'mockup', leaf: 'squish' }),
  role: 'frame', scopes: ['build', 'bank', 'cylinder'], changes: [], bounds: {}
})
