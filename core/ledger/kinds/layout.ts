import { kind } from '../kind'

export interface LayoutBody { heads: number[][], banks: number[][] }

/** Which cylinders sit on which head and bank. */
export const layout = kind<LayoutBody>()({ role: 'frame', scopes: ['build'], changes: [], bounds: {} })
