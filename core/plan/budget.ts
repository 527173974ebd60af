import { worstHit } from '../chamber'
import type { Valve, OperationEntry } from '../ledger'
import type { Replay } from '../standing'
import { asIf, flatCut, type Tried, type ValveRoom } from './asIf'
import type { Chambers } from './chambers'
import { headCut } from './depth'

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
  const over = now?.state.gap?.estimate.value
  const [first] = (now?.room?.valves ?? []).map(({ valve, seat }) => ({ valve: valve.valve, depth: seat.firstTouch })).sort((a, b) => a.depth - b.depth)
  if (!first || over === undefined) return undefined
  const down = first.depth <= 0 ? [] : [flatCut(head, first.depth)]
  const gap = mine([...operations, ...down])?.state.gap?.estimate.value
  return gap === undefined ? undefined : { toTarget: -over, cc: -gap, depth: Math.max(0, first.depth), valve: first.valve }
}

/** Less than this nobody grinds over or under, cc. */
const GRAIN = 0.005

/**
 * What grinding has left of a budget.
 *
 * @param budget see {@link GroundBudget}
 * @param spent cc that are ground, or would be
 * @returns limit: cc to the target, or past it as far as a face cut can pay back; over: cc past that; lost: more than any face
 *   cut could pay back above the seats
 * @example spentOf({ toTarget: −6.9, cc: 0.26, … }, 0.84) // { limit: 0.26, over: 0.58, lost: true }
 */
export function spentOf({ toTarget, cc }: GroundBudget, spent: number): { limit: number, over: number, lost: boolean } {
  const limit = toTarget > 0 ? toTarget : Math.max(0, cc)
  return { limit, over: limit > 0 && spent - limit > GRAIN ? spent - limit : 0, lost: spent > GRAIN && spent - cc > GRAIN }
}

/** The flat cut that brings one chamber to its target: `depth` and `worst` are missing where there is nothing to cut. */
export interface PayBack {
  /** Its chamber's shape is not ready: nothing is told yet. */
  waiting: boolean
  /** From the face as it is, mm. */
  depth?: number
  /** The valve that the cut means most for, and what it leaves of its edges. */
  worst?: ValveRoom
}

/**
 * The cut that pays back what is ground out of a chamber, as Cut would find it once that is planned, and whether the seats
 * allow it.
 *
 * @param standing what replay gives
 * @param cylinder its number, and `head` the one it is on
 * @param operations what is done before it, the grinding among them and the head's own cut not
 * @param chambers answers for the shape of drawn chambers
 * @returns see {@link PayBack}
 * Source: {@link headCut} for the depth, {@link asIf} for the seats.
 * @example payBack(standing, { cylinder: 4, head: 1 }, [relief], chambers) // { waiting: false, depth: 1.54, worst: { verdict: 'seatJob', … } }
 */
export function payBack(standing: Replay, { cylinder, head }: { cylinder: number, head: number }, operations: readonly (Tried | OperationEntry)[], chambers: Chambers): PayBack {
  const { waiting, cylinders } = headCut(standing, head, operations, chambers)
  if (waiting.includes(cylinder)) return { waiting: true }
  const depth = cylinders.find(c => c.cylinder === cylinder)?.depth.value
  if (depth === undefined || depth <= 0) return { waiting: false }
  const room = asIf(standing, [...operations, flatCut(head, depth)], chambers).cylinders.find(c => c.cylinder === cylinder)?.room
  const worst = worstHit(room?.valves ?? [])
  return { waiting: false, depth, ...(worst ? { worst } : {}) }
}
