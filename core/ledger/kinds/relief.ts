import type { Relief } from '../../chamber'
import { kind } from '../kind'
import { FIGURE_BOUNDS } from '../quantities'
import type { Figure, OperationState } from '../terms'

export interface ReliefBody {
  state: OperationState
  added: Figure
  u?: Figure
  /** What the drawing gains by it. */
  drawn?: Figure
  /** Where the metal comes off, on the chamber's drawing. */
  reliefs?: Relief[]
  /** What a turned dome becomes by it: its mouth's radius and its depth over the mouth's plane, mm. */
  turned?: { mouth: number, depth: number }
}

/** Metal ground or turned out of a chamber. */
export const relief = kind<ReliefBody>()({
  example: () => ({ state: 'planned', added: { value: 1.2, unit: 'cc', typed: '1.2' } }),
  at: () => ({ station: 'shape' }),
  role: 'operation', scopes: ['cylinder'], changes: ['chamber'], moves: ['mouthArea', 'domeToChamber'], bounds: { added: FIGURE_BOUNDS.addedVolume, u: FIGURE_BOUNDS.addedDoubt, drawn: FIGURE_BOUNDS.addedVolume }
})
