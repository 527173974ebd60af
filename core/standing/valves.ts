import { clearanceFromSinking, valveClearanceLost, type ClearanceConvention } from '../chamber'
import { lowEdge } from './chamberSpecs'
import { BASIS_FACTOR, DEFAULT_U, exact, fromSource, linear, type Sourced } from '../estimate'
import { NOW, TO_THE_PISTON, asksFor, operationsOn, type EntryOf, type Ledger, type OperationEntry, type Valve } from '../ledger'
import type { Part } from './part'
import { cutDepth, knownQuantity, statedQuantity, underBarrel } from './statements'
import { doneOn, remembered } from './remembered'

/** What is left at one valve once the head has come down. Lengths in mm. */
export interface ValveStanding {
  valve: Valve
  convention: ClearanceConvention
  /** Piston clearance as measured, what has gone, what is left, and how far the valve has come to its pocket's side. */
  clearance?: { measured: Part, lost: Sourced, left: Sourced, side: number }
  /** Height of the lowest edge over the face: of the seat, and of the top cut. Negative once the cut is through. */
  seatLeft?: Sourced
  topCutLeft?: Sourced
}

/**
 * How far the head has come down, and will by what is planned, since a place in the ledger: face cuts, deck cuts,
 * thinner gaskets, and less under the barrel.
 *
 * @returns mm, + towards the piston
 */
function dropSince(ledger: Ledger, cylinder: number, place: number, planned: OperationEntry[], valve: Valve): Sourced {
  const at = lowEdge(ledger, valve, cylinder)
  const done = doneOn(ledger, cylinder, ['faceCut', 'deckCut', 'spacer'])
    .filter(op => ledger.place.get(op.id)! > place)
  const coming = operationsOn(planned, ledger.layout, cylinder, ['faceCut', 'deckCut', 'spacer'])
  const cuts = [...done, ...coming].flatMap((op): [number, Sourced][] =>
    op.kind === 'spacer' ? [[-1, underBarrel(op)]] : op.kind === 'faceCut' || op.kind === 'deckCut' ? [[1, cutDepth(op, cylinder, at)]] : [])
  const before = knownQuantity(ledger, 'gasketThickness', cylinder, place)
  const after = knownQuantity(ledger, 'gasketThickness', cylinder, NOW, planned)
  const gasket: [number, Sourced][] = before && after ? [[1, before.estimate], [-1, after.estimate]] : []
  return linear([...cuts, ...gasket])
}

/**
 * What a face cut leaves at each valve, for the valves whose clearance or heights somebody has stated.
 *
 * @param ledger the opened ledger
 * @param cylinder its number
 * @param planned operations still to come, the cut among them
 * @returns one standing per valve that anything is known of
 * Source: plane geometry, see valveClearanceLost.
 * @example valveStandings(ledger, 1, [cut])[0].seatLeft?.value // 0.4, of 0.9 with 0.5 planned
 */
export function valveStandings(ledger: Ledger, cylinder: number, planned: OperationEntry[]): ValveStanding[] {
  const steps = clearanceSteps(ledger, cylinder, planned)
  return (['intake', 'exhaust'] as const).flatMap((valve) => {
    const taken = clearanceTaken(ledger, `${valve}Clearance`, cylinder)
    const seat = statedQuantity(ledger, `${valve}SeatHeight`, cylinder, NOW, planned)
    const topCut = statedQuantity(ledger, `${valve}TopCutHeight`, cylinder, NOW, planned)
    if (!taken && !seat && !topCut) return []
    const convention = taken?.convention ?? 'upright'
    const standing: ValveStanding = { valve, convention }
    if (seat) standing.seatLeft = seat.estimate
    if (topCut) standing.topCutLeft = topCut.estimate
    if (taken) {
      const { measured } = taken
      const drop = dropSince(ledger, cylinder, taken.place, planned, valve)
      const tilt = statedQuantity(ledger, `${valve}Tilt`, cylinder)?.estimate ?? exact(0)
      // What is left is the clearance's own account: sinking gives some of it back.
      const left = steps.find(step => step.name === `${valve}Clearance`)!.then
      standing.clearance = {
        measured, left, lost: linear([[1, measured.estimate], [-1, left]]),
        side: valveClearanceLost(drop.value, tilt.value, convention).side
      }
    }
    return [standing]
  })
}

/** Clearances a mock-up measures. Those between piston and valve also have a minimum to a pocket's side. */
export const CLEARANCES = [
  'intakeClearance', 'exhaustClearance', 'intakeSide', 'exhaustSide', 'valveToValve', 'domeToChamber'
] as const
export type ClearanceName = (typeof CLEARANCES)[number]

/** One clearance, and what every operation still to come takes from it (below 0) or gives back. mm. */
export interface ClearanceStep {
  name: ClearanceName
  measured: Part
  /** The cylinder it was measured on, where that was another one. */
  on?: number
  /** As it is now, after what was done since it was measured. */
  now: Sourced
  planned: { operation: OperationEntry, change: Sourced }[]
  /** When everything planned is done. */
  then: Sourced
  /** What each mm the head comes down takes of it, mm; 0 where a drop leaves it alone. */
  perMm: number
}

/** How much one clearance changes when the head comes down by `drop` and the valve is sunk by `sunk`. */
function clearanceChange(name: ClearanceName, tilt: number, convention: ClearanceConvention, drop: number, sunk: number): number {
  if (name === 'valveToValve') return 0
  if (name === 'domeToChamber') return -drop
  if (name === 'intakeSide' || name === 'exhaustSide') return -valveClearanceLost(drop, tilt, 'pocket').side
  return -valveClearanceLost(drop, tilt, convention).lost + clearanceFromSinking(sunk, tilt, convention)
}

/** Drop of the head (mm, + towards the piston) and sink of the valves that one operation brings. */
function movesOf(operation: OperationEntry, name: ClearanceName, valve: Valve, thicknessBefore: number, depthOf: (op: EntryOf<'faceCut' | 'deckCut'>) => Sourced): { drop: number, sunk: number, u: number } {
  switch (operation.kind) {
    case 'faceCut': case 'deckCut': {
      const { value, by } = depthOf(operation)
      return { drop: value, sunk: 0, u: [...by.values()][0] ?? 0 }
    }
    // What goes under a barrel lifts its head with it.
    case 'spacer': return { drop: -operation.body.change.value, sunk: 0, u: DEFAULT_U.gasketThickness }
    case 'gasketChange': return { drop: thicknessBefore - operation.body.thickness.value, sunk: 0, u: DEFAULT_U.gasketThickness * BASIS_FACTOR.book }
    case 'seatWork': {
      // One of several: the others of its kind are as near as they were.
      const mine = operation.body.n === undefined && (operation.body.valve === undefined || operation.body.valve === valve)
      return { drop: 0, sunk: mine ? operation.body.sunk?.value ?? 0 : 0, u: mine ? DEFAULT_U.depth : 0 }
    }
    // Another piston comes nearer by what it stands higher, any by what its pockets are deeper the less.
    case 'crownWork': {
      const { rise, pockets, valve: of } = operation.body
      const deeper = name === 'domeToChamber' || (of !== undefined && of !== valve) ? 0 : pockets?.value ?? 0
      return { drop: (rise?.value ?? 0) - deeper, sunk: 0, u: rise ? DEFAULT_U.depth * BASIS_FACTOR.book : deeper > 0 ? DEFAULT_U.depth : 0 }
    }
    default: return { drop: 0, sunk: 0, u: 0 }
  }
}

/** A clearance as it was taken on a cylinder, or carried there from another. */
interface Taken { measured: Part, convention: ClearanceConvention, place: number, on?: number }

/** Whose clearance it is. */
export const valveOf = (name: ClearanceName): Valve => name.startsWith('exhaust') ? 'exhaust' : 'intake'
const tiltOf = (ledger: Ledger, name: ClearanceName, cylinder: number) => statedQuantity(ledger, `${valveOf(name)}Tilt`, cylinder)?.estimate.value ?? 0

function takenHere(ledger: Ledger, name: ClearanceName, cylinder: number): Taken | undefined {
  const measured = statedQuantity(ledger, name, cylinder)
  const entry = measured && ledger.live.entries.find(e => e.id === measured.entries[0])
  if (!entry) return undefined
  const convention = ('convention' in entry.body && entry.body.convention) || 'upright'
  return { measured, convention, place: ledger.place.get(entry.id)! }
}

/**
 * A clearance of a cylinder: as it was measured there, or else as another cylinder of the same head gives it, by how much
 * farther the one piston stays from its head than the other. What several give, the least counts.
 *
 * Where deck or gasket is not known of both, or the one crown was worked on otherwise than the other, nothing is carried.
 *
 * @param ledger the opened ledger
 * @param name which clearance
 * @param cylinder its number
 * @returns undefined where nobody measured it on a cylinder that tells of this one
 * Source: a head that is one gap g farther away has taken g less of a clearance: see {@link clearanceSteps}, with d = −Δg.
 * @example clearanceTaken(ledger, 'intakeClearance', 2)?.measured.estimate.value // 2.1, of 2.0 on 1, whose deck is 0.1 less
 */
function clearanceTaken(ledger: Ledger, name: ClearanceName, cylinder: number): Taken | undefined {
  return remembered(ledger, `${name} ${cylinder}`, () => {
    const here = takenHere(ledger, name, cylinder)
    if (here || !TO_THE_PISTON.some(one => one === name)) return here
    const mates = ledger.layout.heads.find(head => head.includes(cylinder)) ?? []
    return mates.filter(mate => mate !== cylinder).flatMap(mate => carriedFrom(ledger, name, cylinder, mate) ?? [])
      .sort((a, b) => a.measured.estimate.value - b.measured.estimate.value)[0]
  })
}

function carriedFrom(ledger: Ledger, name: ClearanceName, cylinder: number, mate: number): Taken | undefined {
  const there = takenHere(ledger, name, mate)
  if (!there) return undefined
  const before = (c: number, kinds: readonly OperationEntry['kind'][]) => doneOn(ledger, c, kinds).filter(op => ledger.place.get(op.id)! < there.place)
  const crowns = (c: number) => JSON.stringify(before(c, ['crownWork']).map(op => op.kind === 'crownWork' && [op.body.added.value, op.body.rise?.value, op.body.pockets?.value, op.body.valve]))
  if (crowns(cylinder) !== crowns(mate)) return undefined
  const [own, its] = [pistonGap(ledger, cylinder, there.place), pistonGap(ledger, mate, there.place)]
  if (!own || !its) return undefined
  /** What was done to the head beforehand: a cut that leaned took more over one than over another, a seat went up on one of them. */
  const done = (c: number, sign: 1 | -1) => before(c, ['faceCut', 'seatWork']).map((op): [number, Sourced] => [sign, changeBy(ledger, op, name, c, there.convention, 0)])
  const perMm = -clearanceChange(name, tiltOf(ledger, name, mate), there.convention, 1, 0)
  const estimate = linear([[1, there.measured.estimate], [perMm, own], [-perMm, its], ...done(cylinder, 1), ...done(mate, -1)])
  return { ...there, on: mate, measured: { estimate, provenance: 'derived', entries: there.measured.entries } }
}

/** How far a piston at top dead centre stays from its head by deck and gasket, mm; no gasket where there is no joint. */
function pistonGap(ledger: Ledger, cylinder: number, place = NOW, of: typeof statedQuantity = statedQuantity): Sourced | undefined {
  const deck = of(ledger, 'deckClearance', cylinder, place)?.estimate
  const gasket = asksFor(ledger.layout.engine, 'gasketThickness') ? of(ledger, 'gasketThickness', cylinder, place)?.estimate : exact(0)
  return deck && gasket && linear([[1, deck], [1, gasket]])
}

/** What one operation takes of a clearance (below 0) or gives back; `thickness`: of the gasket that another one takes the place of. */
function changeBy(ledger: Ledger, operation: OperationEntry, name: ClearanceName, cylinder: number, convention: ClearanceConvention, thickness: number): Sourced {
  const at = lowEdge(ledger, valveOf(name), cylinder)
  const { drop, sunk, u } = movesOf(operation, name, valveOf(name), thickness, op => cutDepth(op, cylinder, at))
  const change = (d: number, s: number) => clearanceChange(name, tiltOf(ledger, name, cylinder), convention, d, s)
  const perMm = sunk > 0 ? change(0, 1) : change(1, 0)
  return fromSource(change(drop, sunk), Math.abs(perMm) * u, `entry:${operation.id}`)
}

/**
 * Every clearance somebody measured at a cylinder, or at one of the same head, carried over what was done since and what
 * is still to come.
 *
 * @param ledger the opened ledger
 * @param cylinder its number
 * @param operations still to come; what is planned if not given
 * @returns one per measured clearance
 * Source: contract core/chamber: upright d, along the valve d/cosτ, pocket d·cosτ and d·sinτ to its side; sinking s
 *   gives back s·cosτ upright, s along the valve; dome to chamber loses d; valve to valve is untouched by a drop.
 * @example clearanceSteps(ledger, 1, [cut])[0].then.value // 1.5, of 2.0 with 0.5 planned
 */
export function clearanceSteps(ledger: Ledger, cylinder: number, operations: OperationEntry[] = ledger.planned): ClearanceStep[] {
  const kinds = ['faceCut', 'deckCut', 'spacer', 'gasketChange', 'seatWork', 'crownWork'] as const
  return CLEARANCES.flatMap((name) => {
    const taken = clearanceTaken(ledger, name, cylinder)
    if (!taken) return []
    const { measured, convention, place, on } = taken
    let thickness = knownQuantity(ledger, 'gasketThickness', cylinder, place)?.estimate.value ?? 0
    const changeOf = (operation: OperationEntry): Sourced => {
      const change = changeBy(ledger, operation, name, cylinder, convention, thickness)
      if (operation.kind === 'gasketChange') thickness = operation.body.thickness.value
      return change
    }
    const done = doneOn(ledger, cylinder, kinds).filter(op => ledger.place.get(op.id)! > place).map(changeOf)
    const now = linear([[1, measured.estimate], ...done.map((c): [number, Sourced] => [1, c])])
    const planned = operationsOn(operations, ledger.layout, cylinder, kinds)
      .map(operation => ({ operation, change: changeOf(operation) }))
    return [{ name, measured, ...on ? { on } : {}, now, planned, then: linear([[1, now], ...planned.map((p): [number, Sourced] => [1, p.change])]), perMm: Math.max(0, -clearanceChange(name, tiltOf(ledger, name, cylinder), convention, 1, 0)) }]
  })
}

/** Decks that differ by less are taken for one, mm. */
const ONE_DECK = 0.05

/**
 * Whose piston comes nearest to its head by deck and gasket: a clearance that is measured there holds for all.
 *
 * @returns `by`: how much farther the farthest stays, mm; undefined where all are alike, or one is not known
 * @example nearestPiston(ledger) // { cylinder: 6, by: 0.1 }, of decks of 0.35 and 0.25
 */
export function nearestPiston(ledger: Ledger): { cylinder: number, by: number } | undefined {
  const gaps = ledger.layout.cylinders.map(cylinder => ({ cylinder, gap: pistonGap(ledger, cylinder, NOW, knownQuantity)?.value ?? Number.NaN }))
    .sort((a, b) => a.gap - b.gap)
  const by = gaps.at(-1)!.gap - gaps[0]!.gap
  return gaps.every(({ gap }) => Number.isFinite(gap)) && by >= ONE_DECK ? { cylinder: gaps[0]!.cylinder, by } : undefined
}
