import { pouredFirst, type Enclosed } from '../ledger'
import type { Replay } from '../standing'

/** What a cylinder's ratio stands on: its chamber's pours, or where that was never poured by itself those of its whole clearance. */
export const poured = (r: Replay) => r.pours.map((chamber, i) => byWhole(r, i) ? r.wholes[i]! : chamber)
const byWhole = (r: Replay, i: number) => !r.pours[i]!.ever && r.wholes[i]!.ever
/** What is filled for it: as anybody has, else as such an engine is. */
export const filledBy = (r: Replay): Enclosed => r.layout.cylinders.some((_, i) => byWhole(r, i)) ? 'assembled' : r.pours.some(p => p.ever) ? 'chamber' : pouredFirst(r.layout.engine)

/** Cylinders whose crown was cut, or taken from another piston, since anybody measured it: one that is filled assembled is poured as a whole. */
export function crownsWorked(r: Replay): number[] {
  const done = new Set(r.done.filter(op => op.kind === 'crownWork').map(op => op.id))
  return r.asIs.filter((state, i) => !byWhole(r, i) && state.parts.crown?.entries.some(id => done.has(id))).map(s => s.cylinder)
}

/** Cylinders that were worked on since they were poured. */
export const settling = (r: Replay) => poured(r).filter(p => p.ever && p.current.length === 0).map(p => p.cylinder)
