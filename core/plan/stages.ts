import { kindRule, touches, type Enclosed, type Layout, type OperationEntry, type OperationKind } from '../ledger'
import type { CylinderState, Replay } from '../standing'
import { asIf, type AsIf, type Tried } from './asIf'
import type { Chambers } from './chambers'

/** Seats that are cut before the face are a stage of their own. */
type StageKind = OperationKind | 'seatsFirst'
/** Chambers and crowns first, since only pouring tells what they hold now, and the cut is set by it; seats after the cut, if nobody wants them before; the gasket goes on last. */
const ORDER: readonly StageKind[] = ['relief', 'crownWork', 'spacer', 'deckCut', 'seatsFirst', 'faceCut', 'seatWork', 'gasketChange']
/** A turned head’s seat face goes before its dome. */
const TURNED: readonly StageKind[] = ['faceCut', ...ORDER.filter(kind => kind !== 'faceCut')]

/** Where a piece of work stands in the trade’s order on an engine: less goes first. */
export function rankOf({ engine }: Layout): (op: Tried | OperationEntry) => number {
  const order = engine?.head === 'turned' ? TURNED : ORDER
  return op => order.indexOf(op.kind === 'seatWork' && op.body.first ? 'seatsFirst' : op.kind)
}

/**
 * Planned work in the trade’s order, whichever was thought of first, what belongs to one stage together and in the order it was planned in.
 *
 * @example inStages(layout, standing.planned).map(([first]) => first.kind) // ['relief', 'faceCut'], though the cut was planned before it
 */
export function inStages<Op extends OperationEntry>(layout: Layout, operations: readonly Op[]): Op[][] {
  const rank = rankOf(layout)
  const groups: Op[][] = []
  for (const op of [...operations].sort((a, b) => rank(a) - rank(b))) {
    const last = groups.at(-1)
    if (last && rank(last[0]!) === rank(op)) last.push(op)
    else groups.push([op])
  }
  return groups
}

/** Planned work of one kind, at one place in that order, that follows on itself, and where every cylinder stands once it and all before it is done. */
export interface PlannedStage { operations: OperationEntry[], after: AsIf }

/**
 * What is planned, stage by stage in the trade’s order: who grinds needs the reading that stops the grinding, and not
 * only the one after the cut that follows.
 *
 * @returns none where nothing is planned; the last one leaves what everything planned leaves
 * @example plannedStages(standing, chambers)[0].after.cylinders[0].state.parts.chamber?.estimate.value // 66.45 cc: ground, not cut yet
 */
export function plannedStages(standing: Replay, chambers: Chambers): PlannedStage[] {
  const groups = inStages(standing.layout, standing.planned)
  return groups.map((operations, i) => ({ operations, after: asIf(standing, groups.slice(0, i + 1).flat(), chambers) }))
}

/** What a glass finds in a cylinder, cc: its chamber, or the whole clearance of one that is filled assembled. */
export const volumeHeld = ({ parts, clearance }: CylinderState, what: Enclosed): number | undefined => (what === 'assembled' ? clearance : parts.chamber)?.estimate.value

/** Less than any glass tells, cc. */
const UNSEEN = 0.005

/**
 * The stages that change what a glass finds in a cylinder: from what, to what; undefined where the chamber's shape is not ready to say.
 *
 * @param what its chamber, or the whole of it
 * @example stopsOf(standing, stages, 1, 'chamber') // [{ stage, before: 65.25, stop: 66.45 }, { stage, before: 66.45, stop: 56.4 }]
 */
export function stopsOf(standing: Replay, stages: readonly PlannedStage[], cylinder: number, what: Enclosed): { stage: PlannedStage, before?: number, stop?: number }[] {
  const volumes = [standing.asIs, ...stages.map(({ after }) => after.cylinders.map(c => c.state))].map((states) => {
    const state = states.find(s => s.cylinder === cylinder)
    return state && volumeHeld(state, what)
  })
  return stages.flatMap((stage, i) => {
    const [before, stop] = [volumes[i], volumes[i + 1]]
    const seen = before !== undefined && stop !== undefined
      ? Math.abs(before - stop) >= UNSEEN
      : stage.operations.some(op => touches(op, standing.layout, cylinder) && (what === 'assembled' || kindRule(op.kind).changes.includes('chamber')))
    return seen ? [{ stage, before, stop }] : []
  })
}
