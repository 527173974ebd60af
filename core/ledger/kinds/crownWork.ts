import { kind } from '../kind'
import { FIGURE_BOUNDS, TO_THE_PISTON } from '../quantities'
import type { Figure, OperationState, Valve } from '../terms'

/**
 * What the crown holds more (+) afterwards, or less: by pockets, a dish, a dome trimmed. Another piston says besides how much
 * higher it stands (+) by its compression height. `pockets`: how much deeper they are, of one kind of valve or of all.
 */
export interface CrownWorkBody { state: OperationState, added: Figure, u?: Figure, rise?: Figure, pockets?: Figure, valve?: Valve }

/**
 * Whether it is another piston: that states its height by the one it takes the place of; a crown that is cut does not.
 *
 * @example isNewPiston({ state: 'planned', added, rise }) // true
 */
export const isNewPiston = ({ rise }: Pick<CrownWorkBody, 'rise'>): boolean => rise !== undefined

/** A piston's crown cut, or another piston put in. */
export const crownWork = kind<CrownWorkBody>()({
  example: () => ({ state: 'planned', added: { value: 1.2, unit: 'cc', typed: '1.2' } }),
  at: () => ({ station: 'mockup', leaf: 'squish' }),
  role: 'operation', scopes: ['cylinder'], changes: ['crown', 'crownVolume', 'deckClearance', 'exhaustPortTop'], moves: TO_THE_PISTON, bounds: { added: FIGURE_BOUNDS.crownChange, u: FIGURE_BOUNDS.addedDoubt, rise: FIGURE_BOUNDS.pistonRise, pockets: FIGURE_BOUNDS.pockets }
})
