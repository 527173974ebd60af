import { kind } from '../kind'
import { FIGURE_BOUNDS } from '../quantities'
import type { Figure } from '../terms'

/** `seal`: from the retainer down to the stem seal, the valve shut. */
export interface InstalledBody { height: Figure, seal?: Figure }

/** How high a valve's spring stands when the valve is shut. */
export const installed = kind<InstalledBody>()({
  example: () => ({ height: { value: 40, unit: 'mm', typed: '40' }, seal: { value: 12, unit: 'mm', typed: '12' } }),
  at: () => ({ station: 'mockup', leaf: 'springs' }),
  role: 'reading', scopes: ['valve'], changes: [], bounds: { height: FIGURE_BOUNDS.springLength, seal: FIGURE_BOUNDS.retainerToSeal }
})
