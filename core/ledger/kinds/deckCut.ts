import { kind } from '../kind'
import { FIGURE_BOUNDS } from '../quantities'
import type { Figure, OperationState } from '../terms'

export interface DeckCutBody { state: OperationState, depth: Figure, measured?: Figure }

/** Metal off a block's deck. */
export const deckCut = kind<DeckCutBody>()({
  example: () => ({ state: 'planned', depth: { value: 0.2, unit: 'mm', typed: '0.2' } }),
  at: () => ({ station: 'sheet', leaf: 'deck' }),
  role: 'operation', scopes: ['bank'], changes: ['deckClearance'], bounds: { depth: FIGURE_BOUNDS.cutDepth, measured: FIGURE_BOUNDS.cutDepth }
})
