import { kind } from '../kind'
import { FIGURE_BOUNDS } from '../quantities'
import type { Figure, SpotReading } from '../terms'

export interface SolderBody { readings: SpotReading[], strand?: Figure }

/** Squish by solder, flattened at top dead centre; `strand`: how thick it was before, which no flattened place can be. */
export const solder = kind<SolderBody>()({
  example: () => ({ readings: [{ x: 38, y: 0, figure: { value: 1.1, unit: 'mm', typed: '1.1' } }], strand: { value: 1.6, unit: 'mm', typed: '1.6' } }),
  at: () => ({ station: 'mockup', leaf: 'squish' }),
  role: 'reading', scopes: ['cylinder'], changes: [], bounds: { reading: FIGURE_BOUNDS.solder, strand: FIGURE_BOUNDS.solder }
})
