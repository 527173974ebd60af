import { kind } from '../kind'
import { QUANTITIES } from '../quantities'
import type { Figure } from '../terms'

export interface OfferBody { name?: string, thickness: Figure, bore: Figure, area?: Figure }

/** A gasket that is to be had, not fitted. */
export const offer = kind<OfferBody>()({
  example: () => ({ name: 'Thin', thickness: { value: 0.9, unit: 'mm', typed: '0.9' }, bore: { value: 93, unit: 'mm', typed: '93' } }),
  at: () => ({ station: 'sheet', leaf: 'gaskets' }),
  role: 'remark', scopes: ['build', 'head'], changes: [],
  bounds: { thickness: QUANTITIES.gasketThickness, bore: QUANTITIES.gasketBore, area: QUANTITIES.gasketArea }
})
