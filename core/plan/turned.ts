import { quantityOf } from '../standing'
import { cylinderVolume } from '../engine'
import { linear, type Sourced } from '../estimate'
import { cylindersOf, type Figure, type OperationEntry, type Removed } from '../ledger'
import type { CylinderState, Replay } from '../standing'
import { asIf, type AsIf, type CylinderAsIf, type Tried } from './asIf'
import type { Chambers } from './chambers'

/** A turned head: squish first, then the dome. Lengths in mm, volumes in cc. */
export interface TurnedPlan {
  /** Off the seat face; 0 where the squish is tight already. */
  off: Sourced
  /** What that takes, and where the cylinder then stands. */
  taken?: Sourced
  then: CylinderAsIf
  /** Still to open in the dome; below 0 the ratio is short even with the dome left alone. Undefined while the shape is not ready. */
  toOpen?: Sourced
  /** Both as they would be planned. */
  operations: Tried[]
}

/** Less than this nobody turns off, mm, or opens, cc. */
const WORTH_TURNING = 0.005
const WORTH_OPENING = 0.02

const figure = (value: number, unit: string): Figure => ({ value: Math.round(value * 100) / 100, unit, typed: '' })

/**
 * The order a turned two-stroke head is worked in, in the figures that would be planned: squish first, then the dome until
 * the ratio is right.
 *
 * @param standing what replay gives
 * @param cylinder its number
 * @param operations what is done before, this head's face cuts and this chamber's reliefs apart
 * @param chambers answers for the shape of drawn chambers
 * @returns undefined without a wanted squish, a target or a clearance volume
 * Source: squish found less wanted; bore circle × depth, the band re-cut; target clearance less the clearance
 *   after that, by {@link asIf}. In closed form {@link turnedHeadPlan}.
 * @example turnedPlan(standing, 1, [], chambers) // off 0.85, toOpen 1.03
 */
export function turnedPlan(standing: Replay, cylinder: number, operations: readonly (Tried | OperationEntry)[], chambers: Chambers): TurnedPlan | undefined {
  const before = operations.filter(op => op.kind !== 'faceCut' && !(op.kind === 'relief' && op.scope.level === 'cylinder' && op.scope.cylinder === cylinder))
  const at = (more: Tried[]) => asIf(standing, [...before, ...more], chambers)
  const mine = ({ cylinders }: AsIf) => cylinders.find(c => c.cylinder === cylinder)!
  const now = mine(at([]))
  const wanted = quantityOf(standing, 'wantedSquish', cylinder)
  const { gap } = now.squish
  const { clearance, targetClearance, head } = now.state
  if (!wanted || !gap || !clearance || !targetClearance) return undefined
  const over = linear([[1, gap.estimate], [-1, wanted.estimate]])
  const off: Sourced = over.value > 0 ? over : { value: 0, by: over.by }
  const depth = figure(off.value, 'mm')
  // With the band re-cut at its angle the whole bore circle comes down, whatever its shape: no drawing is asked.
  const removed = cylindersOf(standing.layout, head).flatMap((c): Removed[] => {
    const bore = quantityOf(standing, 'bore', c)?.estimate.value
    return bore === undefined ? [] : [{ cylinder: c, x: 0, cc: cylinderVolume(bore, depth.value), perMm: cylinderVolume(bore, 1), factor: 1 }]
  })
  const cut: Tried[] = off.value > WORTH_TURNING ? [{ kind: 'faceCut', scope: { level: 'head', head }, body: { state: 'planned', depth, removed } }] : []
  const then = mine(at(cut))
  const after: CylinderState['clearance'] = then.state.clearance
  const toOpen = after && linear([[1, targetClearance.estimate], [-1, after.estimate]])
  const open: Tried[] = toOpen && toOpen.value > WORTH_OPENING ? [{ kind: 'relief', scope: { level: 'cylinder', cylinder }, body: { state: 'planned', added: figure(toOpen.value, 'cc') } }] : []
  return { off, then, operations: [...cut, ...open], ...(after ? { taken: linear([[1, clearance.estimate], [-1, after.estimate]]) } : {}), ...(toOpen ? { toOpen } : {}) }
}
