import { kind } from '../kind'
import type { Valve } from '../terms'

export interface PortPairsBody { valve: Valve, pairs: number[][], poor: number[] }

/** Ports that should match, and which of them are the poor ones by the head's own design. */
export const portPairs = kind<PortPairsBody>()({
  example: () => ({ valve: 'intake', pairs: [[1, 2], [3, 4]], poor: [3] }),
  at: () => ({ station: 'ports', leaf: 'volumes' }),
  role: 'frame', scopes: ['build'], changes: [], bounds: {}
})
