import { startingSpec, type ChamberSpec } from '../../chamber'
import { kind } from '../kind'

export interface ChamberModelBody {
  spec: ChamberSpec
  /** Cylinders that have it the other way round. */
  mirrored: number[]
  /** The face it was drawn on, as it was cast or as it stood at a time (ISO 8601); if not given, as it stood when the drawing was first kept. */
  face?: string
}

/** A chamber's shape. */
export const chamberModel = kind<ChamberModelBody>()({
  example: () => ({ spec: startingSpec('bathtub', { bore: 92, intake: 42, exhaust: 36 }), mirrored: [] }),
  at: () => ({ station: 'sheet', leaf: 'chamber' }),
  role: 'reading', scopes: ['head', 'cylinder'], changes: [], bounds: {}
})
