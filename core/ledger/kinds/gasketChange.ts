import { kind } from '../kind'
import { QUANTITIES } from '../quantities'
import type { Figure, OperationState } from '../terms'

export interface GasketChangeBody { state: OperationState, thickness: Figure, bore: Figure, area?: Figure }

/** Another gasket under a head. */
export const gasketChange = kind<GasketChangeBody>()({
  role: 'operation', scopes: ['head'], changes: ['gasketThickness', 'gasketBore', 'gasketArea'],
  bounds: { thickness: QUANTITIES.gasketThickness, bore: QUANTITIES.gasketBore, area: QUANTITIES.gasketArea }
})
