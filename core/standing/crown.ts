import { creviceVolume, cylinderVolume } from '../engine'
import { DEFAULT_U, fromSource, linear } from '../estimate'
import { operationsOn, type Ledger, type OperationEntry } from '../ledger'
import { combine, type Part } from './part'
import { lastSeries, sourcedPours, type PourEntry } from './pours'
import { knownQuantity, statedQuantity, workGains } from './statements'
import { doneOn } from './remembered'

/** The crevice of what was stated. A crown stated larger than its bore has none: one of the two is wrong, and no ledger stops at it. */
export const creviceOf = (bore: number, crownDiameter: number, topLandHeight: number): number =>
  creviceVolume({ bore, crownDiameter: Math.min(crownDiameter, bore), topLandHeight: Math.max(0, topLandHeight) })

const worksOf = (ledger: Ledger, cylinder: number) => doneOn(ledger, cylinder, ['crownWork'])

/** The pours onto a crown that count: those since it was last worked on before the last of them. */
export function crownPours(ledger: Ledger, cylinder: number): PourEntry[] {
  const all = lastSeries(ledger.pours.get(cylinder) ?? [], 'crown')
  const last = all.at(-1)
  const worked = worksOf(ledger, cylinder).map(op => ledger.place.get(op.id)!).filter(place => last && place < ledger.place.get(last.id)!).at(-1) ?? -1
  return all.filter(pour => ledger.place.get(pour.id)! > worked)
}

/** Whether a crown was worked on since its last pour, so that the next one starts afresh. */
export function crownWorkedSince(ledger: Ledger, cylinder: number): boolean {
  const last = crownPours(ledger, cylinder).at(-1)
  return last !== undefined && worksOf(ledger, cylinder).some(op => ledger.place.get(op.id)! > ledger.place.get(last.id)!)
}

/**
 * A crown's volume from the pours onto it, or as stated. A cylinder's own pour counts before any figure that was
 * stated for the whole build; a figure stated for just this cylinder after the pour counts before the pour. Work on the crown since
 * is added by what was set.
 *
 * @returns cc, + dish, − dome, with the bore, the depth and the glass as its sources; a pour sealed at the ring held
 *   the crevice too, and it is taken off here because the stack counts it apart
 * Source: the contract's crownVolumeFromPour, poured − π/4·B²·depth.
 */
export function crownOf(ledger: Ledger, cylinder: number, place: number, planned: OperationEntry[] = []): Part | undefined {
  const pours = crownPours(ledger, cylinder).filter(p => ledger.place.get(p.id)! < place)
  const stated = knownQuantity(ledger, 'crownVolume', cylinder, place, planned)
  const last = pours.at(-1)
  const bore = statedQuantity(ledger, 'bore', cylinder)
  if (!last || !bore) return stated
  const own = ledger.live.entries.find(e => e.id === stated?.entries[0])
  const statedLater = own?.kind === 'measure' && own.scope.level === 'cylinder' && ledger.place.get(own.id)! > ledger.place.get(last.id)!
  if (statedLater) return stated
  const poured: Part = { estimate: sourcedPours(pours), provenance: 'measured', entries: pours.map(p => p.id) }
  // Without a depth the piston stood at top dead centre: what was over its flat is the deck clearance as it was then.
  const depth: Part | undefined = last.body.depth
    ? { estimate: fromSource(last.body.depth.value, DEFAULT_U.depth, `entry:${last.id}:depth`), provenance: 'measured', entries: [last.id] }
    : statedQuantity(ledger, 'deckClearance', cylinder, ledger.place.get(last.id))
  if (!depth) return stated
  const since = worksOf(ledger, cylinder).filter(op => ledger.place.get(op.id)! > ledger.place.get(last.id)! && ledger.place.get(op.id)! < place)
  const cut = (part: Part): Part => [...since, ...operationsOn(planned, ledger.layout, cylinder, ['crownWork'])].reduce((sum, op) => op.kind === 'crownWork'
    ? { estimate: linear([[1, sum.estimate], [1, workGains(op)]]), provenance: 'derived', entries: [...sum.entries, op.id] }
    : sum, part)
  if (last.body.sealed === 'crown') return cut(combine(([v, b, h]) => v! - cylinderVolume(b!, h!), [poured, bore, depth], 'measured'))
  const diameter = knownQuantity(ledger, 'crownDiameter', cylinder, place)
  const land = knownQuantity(ledger, 'topLandHeight', cylinder, place)
  if (!diameter || !land) return stated
  return cut(combine(
    ([v, b, h, d, l]) => v! - cylinderVolume(b!, h!) - creviceOf(b!, d!, l!),
    [poured, bore, depth, diameter, land], 'measured'))
}
