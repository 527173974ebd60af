import { cutsTogether, valveDrop, valveMargins, type ChamberValve, type Cut, type EdgeMargin, type ValveMargins } from '../chamber'
import { operationsOn, touches, untyped, type Bodies, type EntryOf, type OperationEntry, type OperationKind, type Removed, type Scope, type Valve } from '../ledger'
import { cutPlane, type ChamberModel, type ClearanceStep, type CylinderState, type Provenance, type Replay, type SquishStanding, type ValveStanding } from '../standing'
import type { Moves } from './moves'
import { after } from './states'
import type { Chambers, ChamberShape, NotReady } from './chambers'

/** An operation nobody has entered: what it does, and to what. */
export type Tried = { [K in OperationKind]: { kind: K, scope: Scope, body: Bodies[K] } }[OperationKind]

/**
 * A flat cut that nobody has entered.
 *
 * @param head which head, and the depth from its face as it is, mm
 * @example flatCut(1, 0.5).body.depth.value // 0.5
 */
export const flatCut = (head: number, depth: number): Tried & { kind: 'faceCut' } => (
  { kind: 'faceCut', scope: { level: 'head', head }, body: { state: 'planned', depth: untyped(depth, 'mm') } })

/** What a cut leaves of a drawn valve's seat and top cut, all the way round, first touched at a depth from the face as it is; mm it comes down by the operations, and how it then leans. */
export interface ValveRoom extends ValveMargins { valve: ChamberValve, drop: number, tilt: number }

/** Where one cylinder would stand. */
export interface CylinderAsIf {
  cylinder: number
  head: number
  /** The chamber's shape is not ready to say what a cut takes off it: there is no ratio yet. */
  waiting: boolean
  /** Volumes, ratio and gap; without those that hang on a shape that is not ready. */
  state: CylinderState
  squish: SquishStanding
  valves: ValveStanding[]
  /** Measured clearances, each with what every one of the operations takes from it. */
  clearances: ClearanceStep[]
  /** Seats and top cuts all the way round, where the chamber is drawn, and where each height comes from. */
  room?: { valves: ValveRoom[], seats: Record<Valve, Provenance> }
  moves: Moves
}

/** Where a build would stand. Plain data. */
export interface AsIf {
  cylinders: CylinderAsIf[]
  /** The operations as they would be entered: each face cut with what it takes off every drawn chamber. */
  operations: OperationEntry[]
}

/** Operations that are not in the ledger, as they would be its last entries. */
export function asEntered(operations: readonly (Tried | OperationEntry)[]): OperationEntry[] {
  return operations.map((operation, i) => 'id' in operation
    ? operation
    : { id: `tried:${i}`, build: '', seq: null, at: '', hand: '', v: 1, ...operation } as OperationEntry)
}

/**
 * The volume a solid of a chamber is brought to: what was poured, carried over what was done since.
 *
 * @example pouredVolume(standing.asIs[0]) // 52.6 cc; undefined while only the book says one
 */
export function pouredVolume(state: CylinderState): number | undefined {
  const { chamber } = state.parts
  return chamber && (chamber.provenance === 'measured' || chamber.provenance === 'derived') ? chamber.estimate.value : undefined
}

/** A cylinder's drawn chamber with some operations done to it, face cuts apart; undefined where nobody has drawn it. */
export function shapeOf(
  standing: Replay, cylinder: number, operations: OperationEntry[], chambers: Chambers
): { model: ChamberModel, shape: ChamberShape | NotReady } | undefined {
  const uncut = after(standing, cylinder, operations.filter(op => op.kind !== 'faceCut'))
  return uncut.model && { model: uncut.model, shape: chambers.shape(uncut.model, pouredVolume(uncut.state)) }
}

/** What a face cut takes off each drawn chamber it goes over, after the cuts before it; and whose shape is not ready. */
function bitten(standing: Replay, cut: EntryOf<'faceCut'>, all: OperationEntry[], chambers: Chambers): { removed: Removed[], waiting: number[] } {
  const { layout } = standing
  const waiting: number[] = []
  const removed = layout.cylinders.filter(c => touches(cut, layout, c)).flatMap((cylinder): Removed[] => {
    const known = shapeOf(standing, cylinder, all, chambers)
    if (!known) return []
    const { shape, model } = known
    const planes = operationsOn(all, layout, cylinder, ['faceCut']).flatMap(op => op.kind === 'faceCut' ? [cutPlane(op, cylinder, model.x)] : [])
    const mine = operationsOn(all, layout, cylinder, ['faceCut']).findIndex(op => op.id === cut.id)
    const before = shape === 'notReady' ? shape : mine === 0 ? shape : shape.above(cutsTogether(planes.slice(0, mine)))
    const after = shape === 'notReady' ? shape : shape.above(cutsTogether(planes.slice(0, mine + 1)))
    if (shape === 'notReady' || before === 'notReady' || after === 'notReady') {
      waiting.push(cylinder)
      return []
    }
    return [{ cylinder, x: model.x, cc: Math.max(0, before.volume - after.volume), perMm: after.opening / 1000, factor: shape.factor }]
  })
  return { removed, waiting }
}

/** A state without what hangs on a chamber that is not ready. */
function without({ parts, clearance: _c, ratio: _r, gap: _g, ...rest }: CylinderState): CylinderState {
  const { chamber: _chamber, ...others } = parts
  return { ...rest, parts: others }
}

/**
 * Where a build would stand after operations that are not in its ledger: the one way to ask “what if”. What is planned in
 * the ledger counts only where it is among them.
 *
 * @param standing what replay gives
 * @param operations in the order they would be done
 * @param chambers answers for the shape of drawn chambers
 * @returns every cylinder's parts, ratio, squish, clearances, seats and what else moves, and the operations as they would be
 *   entered; a cylinder whose shape is not ready says so and has no ratio
 * @throws RangeError when an operation's figures leave the domain of the formulas
 * Source: the contract’s “Plan”; each figure by its own function in core/standing.
 * @example asIf(standing, standing.planned, chambers).cylinders[0].state.ratio?.estimate.value // 9.70
 */
export function asIf(standing: Replay, operations: readonly (Tried | OperationEntry)[], chambers: Chambers): AsIf {
  const { layout } = standing
  const bare = asEntered(operations)
  const waiting = new Set<number>()
  const whole = bare.map((op): OperationEntry => {
    // What was promised when it was planned stays its promise.
    if (op.kind !== 'faceCut' || op.body.removed) return op
    const { removed, waiting: late } = bitten(standing, op, bare, chambers)
    late.forEach(c => waiting.add(c))
    return removed.length > 0 ? { ...op, body: { ...op.body, removed } } : op
  })
  return {
    operations: whole,
    cylinders: layout.cylinders.map((cylinder): CylinderAsIf => {
      const { state, squish, valves, clearances, moves, model } = after(standing, cylinder, whole)
      return {
        cylinder, head: state.head, waiting: waiting.has(cylinder), state: waiting.has(cylinder) ? without(state) : state,
        squish, valves, clearances, moves,
        ...(model ? { room: roomOf(model, operationsOn(whole, layout, cylinder, ['faceCut']).flatMap(op => op.kind === 'faceCut' ? [cutPlane(op, cylinder, model.x)] : [])) } : {})
      }
    })
  }
}

function roomOf(model: ChamberModel, planes: Cut[]): CylinderAsIf['room'] {
  const plane = cutsTogether([model.done, ...planes])
  // Whoever sets a depth counts from the face as it is, not as it was cast, and square to it where it was cut at an angle.
  const { depth, slopeX, slopeY } = model.done
  const fromNow = (edge: EdgeMargin): EdgeMargin => ({ ...edge, firstTouch: (edge.firstTouch - depth) / Math.hypot(1, slopeX, slopeY) })
  return {
    seats: model.seats,
    valves: model.spec.valves.map((valve) => {
      const { seat, topCut, verdict } = valveMargins(valve, plane)
      return { valve, seat: fromNow(seat), topCut: fromNow(topCut), verdict, ...valveDrop(valve, model.done, plane) }
    })
  }
}
