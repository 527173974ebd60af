import type { Engine } from '../engine'
import { kind } from '../kind'

export interface LayoutBody { heads: number[][], banks: number[][], engine?: Engine }

/** What kind of engine it is, and which cylinders sit on which head and bank. */
export const layout = kind<LayoutBody>()({
  example: () => ({ heads: [[1, 2, 3, 4]], banks: [[1, 2, 3, 4]] }),
  at: () => ({ station: 'sheet', leaf: 'section' }),
  role: 'frame', scopes: ['build'], changes: [], bounds: {}
})
