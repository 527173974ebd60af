import { kind } from '../kind'
import { FIGURE_BOUNDS } from '../quantities'
import type { Figure } from '../terms'

/** How high a ridge stands over the ceiling, how wide its foot is, mm across where it stands, and over how many degrees. */
export interface RidgeBody { height: Figure, width: Figure, across: Figure, arc: Figure }

/** A ridge that a cutter left round a valve, as it was measured. */
export const ridge = kind<RidgeBody>()({
  example: () => ({
    height: { value: 0.8, unit: 'mm', typed: '0.8' }, width: { value: 1.5, unit: 'mm', typed: '1.5' },
    across: { value: 42, unit: 'mm', typed: '42' }, arc: { value: 120, unit: '°', typed: '120' }
  }),
  at: () => ({ station: 'shape', leaf: 'spots' }),
  role: 'reading', scopes: ['valve'], changes: [],
  bounds: { height: FIGURE_BOUNDS.ridgeHeight, width: FIGURE_BOUNDS.ridgeWidth, across: FIGURE_BOUNDS.ridgeAcross, arc: FIGURE_BOUNDS.ridgeArc }
})
