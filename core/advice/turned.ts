import { touches, type OperationKind } from '../ledger'
import { quantityOf, type Replay } from '../standing'
import { NO_SOLIDS, turnedPlan } from '../plan'

/** The head is turned on a lathe: seat face, band and dome. */
export const isTurned = (r: Replay): boolean => r.layout.engine?.head === 'turned'

/** A turned head is worked where its two cuts are told. */
export const onLathe = (r: Replay, what: OperationKind): boolean => isTurned(r) && (what === 'relief' || what === 'faceCut')

/** A cylinder whose squish is not what is wanted: mm. */
export interface Unlike { cylinder: number, figure: number, limit: number }

/** Cylinders of a turned head with something planned on the lathe whose squish is under what is wanted, by all else that is planned. */
export const tightOnLathe = (r: Replay): Unlike[] => r.layout.cylinders.flatMap((cylinder) => {
  const tight = r.planned.some(op => onLathe(r, op.kind) && touches(op, r.layout, cylinder)) && turnedPlan(r, cylinder, r.planned, NO_SOLIDS)?.tight
  const wanted = quantityOf(r, 'wantedSquish', cylinder)?.estimate.value
  return tight && wanted !== undefined ? [{ cylinder, figure: wanted - tight.value, limit: wanted }] : []
})
