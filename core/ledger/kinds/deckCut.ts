import { kind } from '../kind'
import { FIGURE_BOUNDS, TO_THE_PISTON } from '../quantities'
import type { Figure, OperationState } from '../terms'

/** `foot`: off the barrel's foot, so that its ports come down with it. */
export interface DeckCutBody { state: OperationState, depth: Figure, measured?: Figure, foot?: true }

/** Metal off a block's deck, or off a barrel's foot. */
export const deckCut = kind<DeckCutBody>()({
  example: () => ({ state: 'planned', depth: { value: 0.2, unit: 'mm', typed: '0.2' } }),
  at: () => ({ station: 'sheet', leaf: 'deck' }),
  role: 'operation', scopes: ['bank'], changes: ['deckClearance', 'exhaustPortTop', 'exhaustPortDeck'], moves: TO_THE_PISTON, bounds: { depth: FIGURE_BOUNDS.cutDepth, measured: FIGURE_BOUNDS.cutDepth }
})
