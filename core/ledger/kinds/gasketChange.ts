import { kind } from '../kind'
import { QUANTITIES, TO_THE_PISTON } from '../quantities'
import type { Figure, OperationState } from '../terms'

export interface GasketChangeBody { state: OperationState, thickness: Figure, bore: Figure, area?: Figure }

/** Another gasket under a head. */
export const gasketChange = kind<GasketChangeBody>()({
  example: () => ({ state: 'planned', thickness: { value: 0.9, unit: 'mm', typed: '0.9' }, bore: { value: 93, unit: 'mm', typed: '93' } }),
  at: () => ({ station: 'cut', leaf: 'face' }),
  role: 'operation', scopes: ['head'], changes: ['gasketThickness', 'gasketBore', 'gasketArea'], moves: TO_THE_PISTON,
  bounds: { thickness: QUANTITIES.gasketThickness, bore: QUANTITIES.gasketBore, area: QUANTITIES.gasketArea }
})
