import type { Valve, OperationEntry } from '../ledger'
import type { Replay } from '../standing'
import { asIf, type Tried } from './asIf'
import type { Chambers } from './chambers'

/** What a chamber can give away to grinding, and by which seat it is held. */
export interface GroundBudget {
  /** cc to the target as the face is; below 0 where the chamber is too large already. */
  toTarget: number
  /** cc where a face cut pays back what it can; below 0 where it can't reach its target even unground. */
  cc: number
  /** Depth from the face as it is at which a flat cut first meets that seat, mm. */
  depth: number
  valve: Valve
}

/**
 * The cc that may be ground out of a chamber: to its target as the face is, and so that a flat cut, down to where it first
 * meets a seat, still brings it there.
 *
 * @param standing what replay gives
 * @param cylinder its number, and `head` the one it is on
 * @param operations what else is done, the head's own cut and this chamber's grinding apart
 * @param chambers answers for the shape of drawn chambers
 * @returns undefined without a target, a drawing, or while its shape is not ready
 * Source: the gap that is left once the face is down at the first seat, turned round: what is missing there may be ground.
 * @example groundBudget(standing, { cylinder: 4, head: 1 }, [], chambers) // { toTarget: −6.9, cc: 0.3, depth: 1.40, valve: 'exhaust' }
 */
export function groundBudget(standing: Replay, { cylinder, head }: { cylinder: number, head: number }, operations: readonly (Tried | OperationEntry)[], chambers: Chambers): GroundBudget | undefined {
  const mine = (list: readonly (Tried | OperationEntry)[]) => asIf(standing, list, chambers).cylinders.find(c => c.cylinder === cylinder)
  const now = mine(operations)
  const over = now?.state.gap?.value.value
  const [first] = (now?.room?.valves ?? []).map(({ valve, seat }) => ({ valve: valve.valve, depth: seat.firstTouch })).sort((a, b) => a.depth - b.depth)
  if (!first || over === undefined) return undefined
  const down: Tried[] = first.depth <= 0 ? [] : [{ kind: 'faceCut', scope: { level: 'head', head }, body: { state: 'planned', depth: { value: first.depth, unit: 'mm', typed: '' } } }]
  const gap = mine([...operations, ...down])?.state.gap?.value.value
  return gap === undefined ? undefined : { toTarget: -over, cc: -gap, depth: Math.max(0, first.depth), valve: first.valve }
}
