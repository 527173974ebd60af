import { kind } from '../kind'
import { FIGURE_BOUNDS } from '../quantities'
import type { Figure } from '../terms'

/** Ra of the face, and the coarsest the gasket's maker allows. */
export interface FinishBody { roughness: Figure, most: Figure }

/** How fine a face is, of a head or of a block's deck, against what its gasket stands. */
export const finish = kind<FinishBody>()({
  example: () => ({ roughness: { value: 0.9, unit: 'µm', typed: '0.9' }, most: { value: 1.6, unit: 'µm', typed: '1.6' } }),
  at: () => ({ station: 'sheet', leaf: 'face' }),
  role: 'reading', scopes: ['head', 'bank'], changes: [], bounds: { roughness: FIGURE_BOUNDS.roughness, most: FIGURE_BOUNDS.roughness }
})
