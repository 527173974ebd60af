import { headOf, type OperationEntry } from '../ledger'
import type { Replay } from '../standing'
import { asIf, type Tried } from './asIf'
import type { Chambers } from './chambers'
import { headCut } from './depth'

/** What cutting seats means for the face and the glass of one cylinder: mm that its face is cut deeper for it; cc that its chamber holds between seats and face, and when both are done. */
export interface SeatJob { deeper?: number, between?: number, done?: number }

/**
 * Seats of a cylinder and its face, whichever comes first: the one that is second is set by the other.
 *
 * @param standing what replay gives
 * @param cylinder its number
 * @param work the seats, as they would be planned
 * @param others what else is planned: it is done besides, face cuts apart
 * @param chambers answers for the shape of drawn chambers
 * @returns without what hangs on a shape that is not ready, or on a target nobody set
 * Source: {@link headCut} with the seats and without; {@link asIf}; a face that is cut first leaves the chamber short by what its seats then give.
 * @example seatJob(standing, 1, work, [], chambers) // { deeper: 0.1, between: 55.9, done: 49.2 }
 */
export function seatJob(standing: Replay, cylinder: number, work: readonly (Tried & { kind: 'seatWork' })[], others: readonly OperationEntry[], chambers: Chambers): SeatJob {
  const besides = others.filter(op => op.kind !== 'faceCut')
  const head = headOf(standing.layout, cylinder)
  const depth = (operations: (Tried | OperationEntry)[]) => headCut(standing, head, operations, chambers).cylinders.find(c => c.cylinder === cylinder)?.depth.value
  const [without, within] = [depth(besides), depth([...besides, ...work])]
  const state = asIf(standing, [...besides, ...work], chambers).cylinders.find(c => c.cylinder === cylinder)?.state
  const done = state?.targetChamber?.estimate.value
  const mine = work.filter(op => op.scope.level === 'cylinder' && op.scope.cylinder === cylinder)
  const after = mine.reduce((cc, { body }) => body.first ? cc : cc + body.added.value, 0)
  return {
    deeper: without === undefined || within === undefined ? undefined : within - without,
    between: mine.some(({ body }) => body.first) ? state?.parts.chamber?.estimate.value : done === undefined ? undefined : done - after, done
  }
}
