import { compressionRatio, cylinderVolume } from '../../engine'
import { DEFAULT_U, linear, type Sourced } from '../../estimate'
import type { ShopRules } from '../../shop'
import { untyped, type Valve } from '../../ledger'
import { quantityOf, valveOf, type ClearanceName, type ClearanceStep, type Replay } from '../../standing'
import { asEntered, asIf, flatCut, type CylinderAsIf, type Tried } from '../asIf'
import type { Chambers } from '../chambers'
import { pocketsOf } from '../crowns'
import { after } from '../states'
import { readingOf, type Reading } from './judge'
import { NO_VALVE, placeOn, seatCones, type SeatCone } from './way'

/** Between the depths that a chamber's volume is tabulated at, mm: a chord of that length is within 0.01 cc of any chamber's curve. */
export const KNOT = 0.1

/** What flat cuts leave of a cylinder's chamber: its loss at every knot, cc, and the chamber there with its sources; the first depth at which nothing is left of it. */
export interface TakenTable { taken: number[], chamber: Sourced[], through?: number }

/** A cylinder before any cut, with the gasket and the grinding of a way: enough to say by closed forms where any cut would leave it. */
export interface Column {
  cylinder: number
  head: number
  bank: number
  swept: Sourced
  clearance: Sourced
  chamber: Sourced
  target: number
  /** cc that a mm over the whole bore is. */
  area: number
  recess: number
  table: TakenTable
  before: Reading
  /** What its seats would be cut by, and how far an edge of each kind of valve leaves the face for a mm that its valve goes up: the cosine of its tilt. */
  cones: readonly SeatCone[]
  lean: Record<Valve, number>
  /** cc that a mm of deeper pockets adds to its crown; nothing where a valve's size is not known. */
  pocket?: Record<Valve, number>
  /** What a mm of drop changes. */
  perDrop: { cam: number, pushrod: number, flange: number }
  /** What each clearance gets back by a mm that its valve goes up. */
  perUp: ReadonlyMap<ClearanceName, number>
}

/**
 * Tables of what flat cuts take of every chamber, down to a depth.
 *
 * @param operations what is done before the cut
 * @returns by cylinder; undefined while a chamber's shape is not ready
 * Source: {@link asIf} at every knot, exact there; a chord between two is within h²/8 · dA/dz of the curve, below 0.001 cc for
 *   walls that lose a tenth of their mouth a mm.
 */
export function takenTables(standing: Replay, operations: readonly Tried[], chambers: Chambers, most: number): Map<number, TakenTable> | undefined {
  const tables = new Map<number, TakenTable>(standing.layout.cylinders.map(c => [c, { taken: [], chamber: [] }]))
  for (let depth = 0; depth < most + KNOT; depth += KNOT) {
    const cuts = depth > 0 ? standing.layout.heads.map((_, i) => flatCut(i + 1, depth)) : []
    for (const { cylinder, state, waiting } of asIf(standing, [...operations, ...cuts], chambers).cylinders) {
      if (waiting) return undefined
      const table = tables.get(cylinder)!
      const chamber = state.parts.chamber?.estimate
      if (!chamber) continue
      table.chamber.push(chamber)
      table.taken.push(table.chamber[0]!.value - chamber.value)
      if (depth > 0 && chamber.value <= 0) table.through ??= depth
    }
  }
  return tables
}

/** Loss of a chamber to a flat cut, cc, between two knots by their chord; past the last, where no way leads, by the last chord. */
export function takenAt({ taken }: TakenTable, depth: number): number {
  const at = Math.max(0, depth) / KNOT
  const i = Math.min(Math.floor(at), taken.length - 2)
  return taken.length < 2 ? 0 : taken[i]! + (at - i) * (taken[i + 1]! - taken[i]!)
}

/** What follows from operations at every cylinder, as columns to cut from; undefined where one has no ratio yet. */
export function columnsOf(standing: Replay, rules: ShopRules, operations: readonly Tried[], chambers: Chambers, tables: Map<number, TakenTable>): Column[] | undefined {
  const target = standing.target?.body.ratio.value
  const { cylinders } = asIf(standing, operations, chambers)
  // What else moves is linear in how far the head comes down.
  const dropped = asIf(standing, [...operations, ...standing.layout.heads.map((_, i) => flatCut(i + 1, 1))], NO_CUT).cylinders
  // A clearance asks for no drawing: valves that go up are told by it alone.
  const raised = cylinders.map(({ cylinder }) => after(standing, cylinder, asEntered([...operations, seatsUp(cylinder, 1)])).clearances)
  const columns = cylinders.map((c, i) => columnOf(standing, rules, c, { dropped: dropped[i]!, raised: raised[i]! }, tables, target))
  return columns.every(c => c !== undefined) ? columns : undefined
}

/** Nothing is asked of a shape where only plane geometry is. */
const NO_CUT: Chambers = { shape: () => 'notReady' }

/** All valves of a cylinder go up, and nothing else. */
const seatsUp = (cylinder: number, mm: number): Tried => ({ kind: 'seatWork', scope: { level: 'cylinder', cylinder }, body: { state: 'planned', added: untyped(0, 'cc'), sunk: untyped(mm, 'mm') } })

function columnOf(standing: Replay, rules: ShopRules, c: CylinderAsIf, { dropped, raised }: { dropped: CylinderAsIf, raised: readonly ClearanceStep[] }, tables: Map<number, TakenTable>, target: number | undefined): Column | undefined {
  const { swept, clearance, parts } = c.state
  const before = readingOf(standing, rules, c)
  const table = tables.get(c.cylinder)
  if (!swept || !clearance || !parts.chamber || !before || !table || target === undefined) return undefined
  const { head, bank } = placeOn(standing, c.cylinder)
  const lean = (valve: Valve) => Math.cos((quantityOf(standing, `${valve}Tilt`, c.cylinder)?.estimate.value ?? 0) * Math.PI / 180)
  const more = (of: (moves: CylinderAsIf['moves']) => number | undefined) => Math.abs(of(dropped.moves) ?? 0) - Math.abs(of(c.moves) ?? 0)
  return {
    cylinder: c.cylinder, head: head - 1, bank: bank - 1, swept: swept.estimate, clearance: clearance.estimate, chamber: parts.chamber.estimate, target, table, before,
    cones: seatCones(standing, c.cylinder), lean: { intake: lean('intake'), exhaust: lean('exhaust') },
    pocket: pocketsOf(standing, rules, c.cylinder),
    area: cylinderVolume(quantityOf(standing, 'bore', c.cylinder)?.estimate.value ?? 0.1, 1), recess: Math.max(0, quantityOf(standing, 'squishRecess', c.cylinder)?.estimate.value ?? 0),
    perUp: new Map(c.clearances.map((step, i) => [step.name, raised[i]!.then.value - step.then.value] as const)),
    perDrop: { cam: more(m => m.cam), pushrod: more(m => m.pushrod), flange: more(m => m.flange?.portsOff) }
  }
}

/** What is done to a column: mm off face and deck (below 0 put under), cc that grinding or seats give. */
export interface Done { face: number, deck: number, gives: number }

/** cc of clearance that is left. */
const leftOf = ({ clearance, area, table }: Column, { face, deck, gives }: Done): number => clearance.value + gives - takenAt(table, face) - area * deck

/** @returns the ratio; nothing left is a ratio beyond any bound */
export function ratioAt(column: Column, done: Done): number {
  const left = leftOf(column, done)
  return left > 0 ? compressionRatio(column.swept.value, left) : Infinity
}

/** Where a cylinder would stand, by closed forms: what {@link readingOf} says of the exact one. */
export function readingAt(column: Column, done: Done, sunk: Record<Valve, number>, pockets: Record<Valve, number> = NO_VALVE): Reading {
  const { before, perDrop, perUp, recess, lean } = column
  const drop = done.face + done.deck
  const closedBy = (gap: number | undefined) => gap === undefined ? undefined : gap - done.deck - Math.min(done.face, recess)
  return {
    cylinder: column.cylinder, ratio: ratioAt(column, done),
    squish: closedBy(before.squish), squishStill: closedBy(before.squishStill), squishTaken: before.squishTaken + done.deck + Math.min(done.face, recess),
    edges: before.edges.map(({ kind, valve, left }) => ({ kind, valve, left: left - done.face + sunk[valve] * lean[valve] })),
    rooms: before.rooms.map(({ name, left, least, perMm, taken: before }) => {
      const taken = perMm * (drop - (name === 'domeToChamber' ? 0 : pockets[valveOf(name)])) - (perUp.get(name) ?? 0) * sunk[valveOf(name)]
      return { name, left: left - taken, least, perMm, taken: before + taken }
    }),
    deckLeft: before.deckLeft === undefined ? undefined : before.deckLeft - done.face,
    cam: before.cam === undefined ? undefined : before.cam + perDrop.cam * drop, pushrod: before.pushrod === undefined ? undefined : before.pushrod + perDrop.pushrod * drop,
    flange: before.flange === undefined ? undefined : before.flange + perDrop.flange * drop
  }
}

/** The ratio by its sources after cuts: the chamber's at the nearest knot, the deck's cut one source a bank; `gained`: what of what is given has a doubt of its own. */
export function ratioSourced(column: Column, done: Done, gained: readonly Sourced[] = []): Sourced {
  const { clearance, chamber, table, area, bank, swept } = column
  const knot = table.chamber[Math.min(table.chamber.length - 1, Math.round(done.face / KNOT))] ?? chamber
  const left = leftOf(column, done)
  const cut: Sourced = { value: 0, by: done.deck === 0 ? new Map() : new Map([[`cut:bank ${bank}`, area * DEFAULT_U.cutDialled]]) }
  const whole = linear([[1, clearance], [-1, chamber], [1, knot], [1, cut], ...gained.map((cc): [number, Sourced] => [1, cc])])
  const slope = -swept.value / left ** 2
  return { value: compressionRatio(swept.value, left), by: linear([[slope, whole], [1 / left, swept]]).by }
}
