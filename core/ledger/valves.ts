import { valveClearanceLost, type ClearanceConvention } from '../chamber'
import { carry, exact, linear, type Sourced } from '../estimate'
import { NOW, operationsOn, type Ledger, type OperationEntry } from './ledger'
import type { Part } from './part'
import { cutDepth, knownQuantity, statedQuantity } from './statements'

export type Valve = 'intake' | 'exhaust'

/** What is left at one valve once the head has come down. Lengths in mm. */
export interface ValveStanding {
  valve: Valve
  convention: ClearanceConvention
  /** Piston clearance as measured, and what is left of it. */
  clearance?: { measured: Part, lost: Sourced, left: Sourced, side: number }
  /** Height of the lowest edge over the face: of the seat, and of the top cut. Negative once the cut is through. */
  seatLeft?: Sourced
  topCutLeft?: Sourced
}

/**
 * How far the head has come down, and will by what is planned, since a place in the ledger: face cuts, deck cuts
 * and thinner gaskets.
 *
 * @returns mm, + towards the piston
 */
function dropSince(ledger: Ledger, cylinder: number, place: number, planned: OperationEntry[]): Sourced {
  const done = operationsOn(ledger.done, ledger.layout, cylinder, ['faceCut', 'deckCut'])
    .filter(op => ledger.place.get(op.id)! > place)
  const coming = operationsOn(planned, ledger.layout, cylinder, ['faceCut', 'deckCut'])
  const cuts = [...done, ...coming].flatMap((op): [number, Sourced][] =>
    op.kind === 'faceCut' || op.kind === 'deckCut' ? [[1, cutDepth(op)]] : [])
  const before = knownQuantity(ledger, 'gasketThickness', cylinder, place)
  const after = knownQuantity(ledger, 'gasketThickness', cylinder, NOW, planned)
  const gasket: [number, Sourced][] = before && after ? [[1, before.value], [-1, after.value]] : []
  return linear([...cuts, ...gasket])
}

/**
 * What a face cut leaves at each valve, for the valves whose clearance or heights somebody has stated.
 *
 * @param ledger the opened ledger
 * @param cylinder its number
 * @param planned operations that come before the cut
 * @param cut further depth off the face in mm, 0 or more
 * @returns one standing per valve that anything is known of
 * Source: plane geometry, see valveClearanceLost.
 */
export function valveStandings(ledger: Ledger, cylinder: number, planned: OperationEntry[], cut = 0): ValveStanding[] {
  return (['intake', 'exhaust'] as const).flatMap((valve) => {
    const measured = statedQuantity(ledger, `${valve}Clearance`, cylinder)
    const seat = statedQuantity(ledger, `${valve}SeatHeight`, cylinder, NOW, planned)
    const topCut = statedQuantity(ledger, `${valve}TopCutHeight`, cylinder, NOW, planned)
    if (!measured && !seat && !topCut) return []
    const entry = ledger.live.entries.find(e => e.id === measured?.entries[0])
    const convention = (entry && 'convention' in entry.body && entry.body.convention) || 'upright'
    const standing: ValveStanding = { valve, convention }
    if (seat) standing.seatLeft = linear([[1, seat.value], [-1, exact(cut)]])
    if (topCut) standing.topCutLeft = linear([[1, topCut.value], [-1, exact(cut)]])
    if (measured && entry) {
      const drop = linear([[1, dropSince(ledger, cylinder, ledger.place.get(entry.id)!, planned)], [1, exact(cut)]])
      const tilt = statedQuantity(ledger, `${valve}Tilt`, cylinder)?.value ?? exact(0)
      const lost = carry(([d, t]) => valveClearanceLost(d!, t!, convention).lost, [drop, tilt])
      standing.clearance = {
        measured, lost, left: linear([[1, measured.value], [-1, lost]]),
        side: valveClearanceLost(drop.value, tilt.value, convention).side
      }
    }
    return [standing]
  })
}
