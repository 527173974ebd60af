import type { EntryOf, OperationEntry } from '../ledger'
import { reckon, type Replay } from '../standing'
import { asEntered, type Tried } from './asIf'
import type { Chambers } from './chambers'
import { headCut } from './depth'

/** A planned cut that pours since have moved: what was planned and what it is now, mm. */
export interface Moved { cut: EntryOf<'faceCut'>, head: number, planned: number, now: number }

/** Less than this a pour does not move a cut, mm. */
const MOVED = 0.02

/** The depth that brings the middle of a head's cylinders to the target, mm. */
function middleOf(standing: Replay, head: number, operations: readonly (Tried | OperationEntry)[], chambers: Chambers): number | undefined {
  const { deepest, toLowest } = headCut(standing, head, operations, chambers)
  return deepest && toLowest && (deepest.depth.value + toLowest.depth.value) / 2
}

/**
 * The planned flat cuts of a plan that pours after it have moved. A first cut that was planned short of the whole stays as far
 * short of it.
 *
 * @param standing what replay gives
 * @param plan the entry that the plan began with
 * @param chambers answers for the shape of drawn chambers
 * @returns none while a chamber is not ready, nothing was poured since, or nothing moved by 0.02 mm
 * Source: {@link headCut} with the ledger as it stood when the plan was made and as it stands, the difference of both.
 * @example replanned(standing, plan.id, chambers)[0] // { head: 1, planned: 1.08, now: 1.13, … }: a pour found 0.23 cc more
 */
export function replanned(standing: Replay, plan: string, chambers: Chambers): Moved[] {
  const { ledger, live, layout, planned } = standing
  const cuts = planned.filter((op): op is EntryOf<'faceCut'> => op.kind === 'faceCut' && op.plan === plan && !op.body.slopeY && !op.body.slopeX)
  return cuts.flatMap((cut): Moved[] => {
    if (cut.scope.level !== 'head') return []
    const { head } = cut.scope
    const [mine, at] = [layout.heads[head - 1] ?? [], ledger.place.get(cut.id)!]
    const since = live.entries.filter(e => e.kind === 'pour' && e.scope.level === 'cylinder' && mine.includes(e.scope.cylinder) && ledger.place.get(e.id)! > at)
    if (since.length === 0) return []
    // What else was done since moves the cut as well; only the pours are asked about, so the rest stands as it is.
    const without = reckon(live.entries.filter(e => !since.includes(e as EntryOf<'pour'>)))
    const others = asEntered(planned.filter(op => op.id !== cut.id))
    const [then, now] = [without && middleOf(without, head, others, chambers), middleOf(standing, head, others, chambers)]
    if (then === undefined || now === undefined || Math.abs(now - then) < MOVED) return []
    return [{ cut, head, planned: cut.body.depth.value, now: Math.max(0, Math.round((cut.body.depth.value + now - then) * 100) / 100) }]
  })
}
