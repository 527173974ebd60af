import type { Entry, EntryOf, OperationKind } from './entry'
import { isOperation } from './entry'
import { beginsAtLeft, fit, headOf, layoutOf, type Layout } from './layout'
import { live, ofKind, runNumbers, type Live } from './live'
import { plansOf, type WorkPlan } from './plans'
import type { Quantity } from './quantities'
import { untyped } from './terms'
import { spotPlane } from '../squish'
import { DEFAULT_U } from '../estimate'

export type StatementEntry = EntryOf<'measure' | 'book' | 'assume' | 'wish'>

/**
 * Whether an entry states a dimension, from whatever source.
 *
 * @example isStatement(pour) // false
 */
export const isStatement = (entry: Entry): entry is StatementEntry => entry.kind === 'measure' || entry.kind === 'book' || entry.kind === 'assume' || entry.kind === 'wish'
export type OperationEntry = EntryOf<OperationKind>

/** A build's entries sorted for replay. Places (indices into the order of things) stand for moments. */
export interface Ledger {
  live: Live
  layout: Layout
  target?: EntryOf<'target'>
  offers: readonly EntryOf<'offer'>[]
  /** Place of each counting entry in the order of things. */
  place: ReadonlyMap<string, number>
  statements: ReadonlyMap<Quantity, StatementEntry[]>
  done: OperationEntry[]
  planned: OperationEntry[]
  /** Pours by cylinder, in order; those of a loose container belong to none. */
  pours: ReadonlyMap<number, EntryOf<'pour'>[]>
  solders: readonly EntryOf<'solder'>[]
  /** Numbers of flow runs, see {@link runNumbers}. */
  runs: ReadonlyMap<string, number>
  /** Plans by the entry they began with. */
  plans: ReadonlyMap<string, WorkPlan>
}

/** The end of the ledger, as a place. */
export const NOW = Infinity

/**
 * Sorts a build's entries for replay.
 *
 * @param entries the whole ledger, in any order
 * @returns undefined while no layout says how many cylinders there are
 * @example openLedger(entries)?.done.length // 2, the cuts that were made
 */
export function openLedger(entries: readonly Entry[]): Ledger | undefined {
  const current = live(entries)
  const layout = layoutOf(current.entries)
  if (!layout) return undefined
  const statements = new Map<Quantity, StatementEntry[]>()
  const pours = new Map<number, EntryOf<'pour'>[]>(layout.cylinders.map(c => [c, []]))
  const done: OperationEntry[] = []
  const planned: OperationEntry[] = []
  const place = new Map<string, number>()
  const plans = plansOf(entries, current.entries)
  const state = (entry: StatementEntry) => {
    const { quantity } = entry.body
    const list = statements.get(quantity)
    if (list) list.push(entry)
    else statements.set(quantity, [entry])
  }
  current.entries.forEach((entry, i) => {
    place.set(entry.id, i)
    if (isStatement(entry)) {
      state(entry)
    } else if (entry.kind === 'deckReadings') {
      state(deckStatement(entry))
    } else if (entry.kind === 'pour' && entry.scope.level === 'cylinder') {
      pours.get(entry.scope.cylinder)?.push(entry)
    } else if (isOperation(entry)) {
      if (entry.body.state === 'done') done.push(entry)
      // What belongs to a plan is dropped with it.
      else if (entry.body.state === 'planned' && !plans.get(entry.plan ?? '')?.dropped) planned.push(entry)
    }
  })
  return {
    live: current, layout, place, statements, pours, done, planned, plans, runs: runNumbers(entries),
    target: ofKind(current.entries, 'target').at(-1),
    offers: ofKind(current.entries, 'offer'),
    solders: ofKind(current.entries, 'solder')
  }
}

/** Dial readings over a crown, as the measured deck clearance they come to: rock and taper taken out. */
function deckStatement(entry: EntryOf<'deckReadings'>): EntryOf<'measure'> {
  const { centre, u } = spotPlane(spotsOf(entry), DEFAULT_U.depth)
  const figure = (value: number) => untyped(value, 'mm')
  return { ...entry, kind: 'measure', body: { quantity: 'deckClearance', figure: figure(centre), u: figure(u) } }
}

/**
 * The readings of an entry as places and lengths.
 *
 * @example spotsOf(solder) // [{ x: 40, y: 0, value: 1.12 }]
 */
export function spotsOf(entry: EntryOf<'deckReadings' | 'solder'>): { x: number, y: number, value: number }[] {
  return entry.body.readings.map(({ x, y, figure }) => ({ x, y, value: figure.value }))
}

/**
 * Whether an operation changes this cylinder.
 *
 * @example touches(cutOfHead2, layout, 1) // false
 */
export function touches(operation: OperationEntry, layout: Layout, cylinder: number): boolean {
  return fit(operation.scope, layout, cylinder) > 0
}

/**
 * Operations on a cylinder, in order.
 *
 * @param kinds of which kinds; every one where it is left out
 * @example operationsOn(ledger.done, layout, 4, ['faceCut'])[0]?.body.depth.value // 0.5
 */
export function operationsOn(
  operations: OperationEntry[], layout: Layout, cylinder: number, kinds?: readonly OperationKind[]
): OperationEntry[] {
  return operations.filter(op => (!kinds || kinds.includes(op.kind)) && touches(op, layout, cylinder))
}

/**
 * Bore centre of a cylinder along its head, mm from the head's middle, + to the right as its face is seen: evenly spaced, numbering
 * from the + end, or from the − end where it is said to begin at the left.
 *
 * @param spacing between neighbouring bores, mm
 * @example placeAlong(layoutOfFour, 1, 100) // 150
 */
export function placeAlong(layout: Layout, cylinder: number, spacing: number): number {
  const head = headOf(layout, cylinder)
  const row = cylindersOf(layout, head)
  const place = ((row.length - 1) / 2 - row.indexOf(cylinder)) * spacing
  return beginsAtLeft(layout, head) && place !== 0 ? -place : place
}

/**
 * Cylinders that sit on a head.
 *
 * @example cylindersOf({ heads: [[1, 3], [2, 4]], … }, 2) // [2, 4]
 */
export function cylindersOf(layout: Layout, head: number): number[] {
  return layout.cylinders.filter(c => headOf(layout, c) === head)
}
