import { kind } from '../kind'
import { FIGURE_BOUNDS, TO_THE_PISTON } from '../quantities'
import type { Figure, OperationState } from '../terms'

export interface SpacerBody { state: OperationState, change: Figure }

/** More (+) or less under a barrel: another base gasket, or a spacer. Barrel, head and ports go up by it. */
export const spacer = kind<SpacerBody>()({
  example: () => ({ state: 'planned', change: { value: 0.3, unit: 'mm', typed: '0.3' } }),
  at: () => ({ station: 'mockup', leaf: 'squish' }),
  role: 'operation', scopes: ['bank'], changes: ['deckClearance', 'exhaustPortTop'], moves: TO_THE_PISTON, bounds: { change: FIGURE_BOUNDS.spacer }
})
