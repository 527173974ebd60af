import type { OperationEntry, OperationKind } from '../../ledger'
import type { Replay } from '../../standing'
import type { Tried } from '../asIf'
import type { Route } from './route'
import { isOfRoute, plannedAtShape, plannedSeats } from './way'

/** Work that a route decides on: what was planned of it before gives way. */
const DECIDED: readonly OperationKind[] = ['gasketChange', 'relief', 'crownWork', 'deckCut', 'spacer', 'faceCut', 'seatWork']

/**
 * What is planned by hand and no route counts: taking one drops it. Grinding that was planned for its own sake is not among it, for a
 * route may build on that; nor is seat work, which every route counts, or a route that was taken before.
 *
 * @example uncounted(standing)[0].kind // 'faceCut'
 */
export function uncounted(standing: Replay): OperationEntry[] {
  const given: readonly OperationEntry[] = [...plannedAtShape(standing), ...plannedSeats(standing)]
  return standing.planned.filter(op => DECIDED.includes(op.kind) && !given.includes(op) && !isOfRoute(standing, op))
}

/**
 * A route as it is taken: what is planned, and what was planned before and is dropped for it. With two cuts of a face the first
 * alone is planned, no deeper than is safe; the second follows from the pour between. Grinding that was planned at Shape, where the route
 * builds on it, stays as it is, and so does seat work that was planned by hand.
 *
 * @param standing what replay gives
 * @param route as it was found for that standing
 * @example takenWork(standing, route).work[0].kind // 'relief'
 */
export function takenWork(standing: Replay, { way, begins }: Route): { work: Tried[], gone: OperationEntry[] } {
  const seats: readonly OperationEntry[] = plannedSeats(standing)
  const builtOn = (kind: OperationKind) => way.grinding === 'planned' && kind === 'relief'
  return {
    work: begins.filter(op => !builtOn(op.kind) && !(op.kind === 'seatWork' && seats.length > 0)).map(({ kind, scope, body }) => ({ kind, scope, body }) as Tried),
    gone: standing.planned.filter(op => DECIDED.includes(op.kind) && !builtOn(op.kind) && !seats.includes(op))
  }
}
