import type { LiftRow } from '../../shroud'
import { kind } from '../kind'
import type { Valve } from '../terms'

export interface LiftTableBody { valve: Valve, rows: LiftRow[] }

/** A cam's lift at the valve, by dial and wheel. */
export const liftTable = kind<LiftTableBody>()({
  example: () => ({ valve: 'intake', rows: [{ angle: 0, lift: 0 }, { angle: 60, lift: 5 }, { angle: 120, lift: 9 }, { angle: 240, lift: 0 }] }),
  at: () => ({ station: 'shape' }),
  role: 'reading', scopes: ['build'], changes: [], bounds: {}
})
