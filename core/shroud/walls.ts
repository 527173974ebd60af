import type { ChamberValve, Cut, Mesh, Point, Relief } from '../chamber'
import { curtainArea, flowArea } from './curtain'
import { keptRadii, underSeat } from './metal'
import { shroudOnSolid, type Below } from './onSolid'
import { limitGaps, proposeWall, type School, type WallAt, type WallLimits, type WallProposal } from './schools'

/** What a valve's wall has to pass: what its seat and throat pass, or all of the circumference. */
export type WallNeeds = 'seat' | 'cylinder'

/** How walls are looked at: what lies under the deck, what they have to pass, how far they may go. */
export interface WallLook { below: Below, needs: WallNeeds, limits: WallLimits }

/** Lifts over which walls are judged. */
const SWEEP = 15

/**
 * The lifts over which a valve's walls are judged, up to its highest.
 *
 * @param most mm
 * @example sweepLifts(12)[14] // 12
 */
export const sweepLifts = (most: number): number[] => Array.from({ length: SWEEP }, (_, i) => Math.max(0.2, most * (i + 1) / SWEEP))

/** What a valve passes at a lift by its seat and throat; a throat nobody stated is left out. */
function needOf(valve: ChamberValve, lift: number): number {
  const seat = { diameter: valve.diameter, seatWidth: valve.seatWidth, seatAngle: valve.seatAngle }
  const { throat, stem } = valve
  return throat !== undefined && stem !== undefined && throat > stem ? flowArea({ ...seat, throat, stem }, lift) : curtainArea(seat, lift)
}

/**
 * The walls round one open valve, at each of some lifts, and how far they may go.
 *
 * @param chamber its mesh, valves, the face as it stands and its mouth there
 * @param open the valve's number, `lifts` in mm
 * @throws RangeError where a valve has no wall to look at
 * Source: {@link shroudOnSolid}, {@link limitGaps}.
 * @example wallsOver(chamber, 0, sweepLifts(11), look).length // 15
 */
export function wallsOver({ mesh, valves, done, mouth }: { mesh: Mesh, valves: ChamberValve[], done: Cut, mouth: Point[] }, open: number, lifts: readonly number[], { below, needs, limits }: WallLook): WallAt[] {
  return lifts.map((lift) => {
    const found = shroudOnSolid({ mesh, valves, open, lift, below, face: done, mouth, need: needs === 'seat' ? needOf(valves[open]!, lift) : undefined })
    return { lift, shroud: found, limit: limitGaps(valves, open, lift, limits, found) }
  })
}

/** How a pin gauge is used: its diameter, the lift at which it must pass, and the highest lift of that valve. mm. */
export interface PinUse { diameter: number, lift: number, most: number }

/**
 * What a school proposes for a valve over the lifts that were looked at: a pin is held there at its one lift.
 *
 * @param walls over {@link sweepLifts}
 * @returns undefined where there is no wall
 * @example proposalOver('line', 20, walls, pin).deepest // 3.2
 */
export function proposalOver(school: School, radius: number, walls: WallAt[], { diameter, lift, most }: PinUse): WallProposal | undefined {
  if (walls.length === 0) return undefined
  const near = school === 'pin' ? walls.filter(w => Math.abs(w.lift - lift) <= most / 30 + 1e-9).slice(0, 1) : walls
  return proposeWall(school, radius, near.length ? near : walls.slice(-1), school === 'pin' ? diameter : undefined)
}

/** The metal of a proposal, from under the seat's top cut down to the face, no further out than the line. */
export const reliefOf = (open: number, valve: ChamberValve, { radii }: WallProposal, line: number): Relief => ({ valve: open, radii: keptRadii(radii), below: underSeat(valve), line })
