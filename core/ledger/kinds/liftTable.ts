import type { LiftRow } from '../../shroud'
import { kind } from '../kind'
import type { Valve } from '../terms'

export interface LiftTableBody { valve: Valve, rows: LiftRow[] }

/** A cam's lift at the valve, by dial and wheel. */
export const liftTable = kind<LiftTableBody>()({ role: 'reading', scopes: ['build'], changes: [], bounds: {} })
