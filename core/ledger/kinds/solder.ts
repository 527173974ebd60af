import { kind } from '../kind'
import { FIGURE_BOUNDS } from '../quantities'
import type { Figure, SpotReading } from '../terms'

export interface SolderBody { readings: SpotReading[], strand?: Figure }

/** Squish by solder, flattened at top dead centre; `strand`: how thick it was before, which no flattened place can be. */
export const solder = kind<SolderBody>()({ role: 'reading', scopes: ['cylinder'], changes: [], bounds: { reading: FIGURE_BOUNDS.solder, strand: FIGURE_BOUNDS.solder } })
