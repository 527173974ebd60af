import { kind } from '../kind'
import { FIGURE_BOUNDS } from '../quantities'
import type { Figure } from '../terms'

export interface WheelBody { pairs: { drop: Figure, before: Figure, after: Figure }[] }

/** Top dead centre by dial and wheel, from both sides. */
export const wheel = kind<WheelBody>()({
  example: () => ({ pairs: [{ drop: { value: 2, unit: 'mm', typed: '2' }, before: { value: -20, unit: '°', typed: '-20' }, after: { value: 22, unit: '°', typed: '22' } }] }),
  at: () => ({ station: 'mockup', leaf: 'tdc' }),
  role: 'reading', scopes: ['build', 'cylinder'], changes: [], bounds: { drop: FIGURE_BOUNDS.dialDrop, before: FIGURE_BOUNDS.wheel, after: FIGURE_BOUNDS.wheel }
})
