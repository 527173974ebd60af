import { expect, it } from 'vitest'
import { onFace } from './findings'

const layout = (heads: number[][]) => ({ cylinders: heads.flat().sort((a, b) => a - b), heads, banks: heads })
// Four on 100 mm centres: their axes at 150, 50, −50 and −150 from the head's middle.
it.each<[string, number[][], number, { x: number, y: number }, ReturnType<typeof onFace>]>([
  ['the middle of the head', [[1, 2, 3, 4]], 1, { x: 0, y: 0 }, { between: [2, 3] }],
  ['the axis of cylinder 1', [[1, 2, 3, 4]], 1, { x: 150, y: 0 }, { at: 1 }],
  ['44 mm beside it, inside its bore of 90', [[1, 2, 3, 4]], 1, { x: 106, y: 0 }, { at: 1 }],
  ['46 mm beside it', [[1, 2, 3, 4]], 1, { x: 104, y: 0 }, { between: [1, 2] }],
  ['past the last', [[1, 2, 3, 4]], 1, { x: -205, y: 10 }, { at: 4 }],
  ['above a cylinder, outside its bore', [[1, 2, 3, 4]], 1, { x: 50, y: 60 }, { at: 2 }],
  ['the second head', [[1, 3], [2, 4]], 2, { x: 0, y: 0 }, { between: [2, 4] }],
  ['one cylinder', [[1]], 1, { x: 80, y: 80 }, { at: 1 }],
  ['a head that is not there', [[1]], 3, { x: 0, y: 0 }, undefined]
])('%s', (_, heads, head, place, where) => expect(onFace(layout(heads), head, place, { bore: 90, spacing: 100 })).toEqual(where))
