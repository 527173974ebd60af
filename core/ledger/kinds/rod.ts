import type { BlockMaterial, RodMaterial } from '../../squish'
import { kind } from '../kind'

/** Either may be left out, not both. */
export interface RodBody { material?: RodMaterial, block?: BlockMaterial }

/** What the rods are made of, and the block they run in. */
export const rod = kind<RodBody>()({
  example: () => ({ material: 'steel', block: 'iron' }),
  at: () => ({ station: 'mockup', leaf: 'squish' }),
  role: 'frame', scopes: ['build', 'bank', 'cylinder'], changes: [], bounds: {}
})
