import { kind } from '../kind'
import { FIGURE_BOUNDS } from '../quantities'
import type { Figure } from '../terms'

export interface WheelBody { pairs: { drop: Figure, before: Figure, after: Figure }[] }

/** Top dead centre by dial and wheel, from both sides. */
export const wheel = kind<WheelBody>()({
  role: 'reading', scopes: ['build', 'cylinder'], changes: [], bounds: { drop: FIGURE_BOUNDS.dialDrop, before: FIGURE_BOUNDS.wheel, after: FIGURE_BOUNDS.wheel }
})
