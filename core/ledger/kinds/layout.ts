import type { Engine } from '../engine'
import { kind } from '../kind'

/** `fromLeft`: heads, from 1, whose row begins at the left where the face is up and the intake side away; the others' begin at the right. */
export interface LayoutBody { heads: number[][], banks: number[][], engine?: Engine, fromLeft?: number[] }

/** What kind of engine it is, and which cylinders sit on which head and bank. */
export const layout = kind<LayoutBody>()({
  example: () => ({ heads: [[1, 2, 3, 4]], banks: [[1, 2, 3, 4]] }),
  at: () => ({ station: 'sheet', leaf: 'section' }),
  role: 'frame', scopes: ['build'], changes: [], bounds: {}
})
