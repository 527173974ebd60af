import { flatCutDepth, type Free, type HeadSetup } from '../chamber'
import { bestMean, carry, exact, fromSource, type Sourced } from '../estimate'
import { cylindersOf, NOW, operationsOn, type OperationEntry } from '../ledger'
import { drawnShare, faceDepth, groundAt, groundBy, perMmOf, taught, type CylinderState, type Replay } from '../standing'
import { asEntered, shapeOf, type Tried } from './asIf'
import type { Chambers, ShapeSource, Unreachable } from './chambers'
import { after } from './states'

/** How far one cylinder is from its target, in the free figure of a set-up, and by what its chamber is known. */
export interface CylinderCut {
  cylinder: number
  /** mm (degrees for an angle) to target; negative where the cylinder is past it already and no cut can help. */
  depth: Sourced
  source: ShapeSource
}

/** A head is cut once: what that means for its cylinders. */
export interface HeadCut {
  head: number
  cylinders: CylinderCut[]
  /** Cylinders of the head that can't be reckoned: nothing known, or no target. */
  unknown: number[]
  /** Cylinders whose drawn chamber is not ready to answer: until then nobody's depth is the head's. */
  waiting: number[]
  /** Cylinders whose target no cut of this kind leaves. */
  unreachable: ({ cylinder: number } & Unreachable)[]
  /** Deepest cut at which no cylinder passes the target, and the cylinder that stops it. */
  deepest?: CylinderCut
  /** Cut that brings the lowest ratio to target, and that cylinder. */
  toLowest?: CylinderCut
}

/** A flat cut. */
export const FLAT: HeadSetup = { roll: 'aboutCrank', angle: 0, depth: 0, flat: 0 }

/** Rounds in which a depth and the cc per mm in the middle of it settle on each other: each leaves some hundredth of what was off. */
const ROUNDS = 6

/**
 * The depth of a flat cut that takes a volume, and the cc per mm in its middle.
 *
 * @param gap cc to take; what is past the target already is told by the rate at the face
 * @param rate cc per mm with the middle of the cut so many mm over the face as it is
 */
function depthFor(gap: Sourced, rate: (over: number) => Sourced): { depth: Sourced, perMm: Sourced } {
  let perMm = rate(0)
  for (let i = 0; i < ROUNDS && gap.value > 0 && perMm.value > 0; i++) perMm = rate(flatCutDepth(gap.value, perMm.value) / 2)
  return { perMm, depth: carry(([g, k]) => Math.sign(g!) * flatCutDepth(Math.abs(g!), k!), [gap, perMm]) }
}

/**
 * The free figure of a cut that brings every cylinder of a head to the target: the one place where a depth is solved.
 *
 * @param standing what replay gives
 * @param head its number, from 1
 * @param operations what is done before the cut, face cuts apart; what is planned counts only where it is among them
 * @param chambers answers for the shape of drawn chambers
 * @param how the set-up and which figure of it is free; a flat cut's depth if not given
 * @returns see {@link HeadCut}; a drawn chamber answers by its shape, one that is not drawn by its mouth's area
 * Source: gap/(cc per mm in the middle of the cut), sources carried (JCGM 100:2008 §5.2.2); on a shape the plane that leaves what it holds less the
 *   gap, the gap taken times solid/(best mean of solid and the head's lessons).
 * @example headCut(standing, 1, [], NO_SOLIDS).deepest?.depth.value // 1.19 mm, held by cylinder 2
 */
export function headCut(
  standing: Replay, head: number, operations: readonly (Tried | OperationEntry)[], chambers: Chambers, { setup = FLAT, free = 'depth' }: { setup?: HeadSetup, free?: Free } = {}
): HeadCut {
  const before = asEntered(operations.filter(op => op.kind !== 'faceCut'))
  const states = cylindersOf(standing.layout, head).map(c => after(standing, c, before).state)
  const answer: HeadCut = { head, cylinders: [], unknown: [], waiting: [], unreachable: [] }
  for (const state of states) {
    const found = cutOf(standing, state, before, chambers, setup, free)
    if (found === undefined) answer.unknown.push(state.cylinder)
    else if (found === 'notReady') answer.waiting.push(state.cylinder)
    else if ('argument' in found) answer.unreachable.push({ cylinder: state.cylinder, ...found })
    else answer.cylinders.push(found)
  }
  if (answer.waiting.length > 0) return answer
  const least = [...answer.cylinders].sort((a, b) => a.depth.value - b.depth.value)[0]
  // “Lowest” is in ratio: with unequal bores the shallowest depth and the lowest ratio need not be one cylinder.
  const lowest = states.filter(s => s.ratio && answer.cylinders.some(c => c.cylinder === s.cylinder)).sort((a, b) => a.ratio!.estimate.value - b.ratio!.estimate.value)[0]
  const lowestCut = answer.cylinders.find(c => c.cylinder === lowest?.cylinder)
  // A head that is past its target already is not cut at all.
  const cut = (one: CylinderCut | undefined) => one && (one.depth.value > 0 || free === 'angle' ? one : { ...one, depth: exact(0) })
  return { ...answer, ...(least ? { deepest: cut(least) } : {}), ...(lowestCut ? { toLowest: cut(lowestCut) } : {}) }
}

function cutOf(
  standing: Replay, state: CylinderState, operations: OperationEntry[], chambers: Chambers, setup: HeadSetup, free: Free
): CylinderCut | Unreachable | 'notReady' | undefined {
  const { cylinder, gap } = state
  const chamber = state.parts.chamber?.estimate.value
  if (!gap || chamber === undefined) return undefined
  const { ledger, lessons } = standing
  const face = faceDepth(ledger, cylinder, NOW)
  const known = shapeOf(standing, cylinder, operations, chambers)
  const nothingLeft = (left: number): Unreachable => ({ argument: 'target', given: left, bound: 'above 0 cc' })
  if (!known) {
    if (free !== 'depth' || !((perMmOf(ledger, lessons, cylinder)?.estimate.value ?? 0) > 0)) return undefined
    // Grinding that comes before the cut may widen the mouth that it is made on.
    const ground = groundAt(ledger, cylinder, NOW) + groundBy(ledger, cylinder, operationsOn(operations, standing.layout, cylinder, ['relief']))
    if (gap.estimate.value >= chamber) return nothingLeft(chamber - gap.estimate.value)
    return { cylinder, source: 'mouth', depth: depthFor(gap.estimate, over => perMmOf(ledger, lessons, cylinder, { at: face + over, ground })!.estimate).depth }
  }
  const { shape, model } = known
  if (shape === 'notReady') return shape
  const flat = setup.angle === 0
  const own = shape.opening / 1000
  const heads = flat ? perMmOf(ledger, lessons, cylinder)?.lessons ?? [] : []
  // What the head has taught stands beside the solid, as it holds in the middle of the cut.
  const { depth, perMm } = depthFor(gap.estimate, over => bestMean([
    fromSource(own, own * drawnShare(face + over, model.spec.kind), 'model:geometry'), ...taught(ledger, heads, cylinder, face)]))
  // Above the target there is nothing to cut: how far past it is told by the rate.
  if (flat && free === 'depth' && gap.estimate.value <= 0) return { cylinder, source: shape.source, depth }
  const left = chamber - gap.estimate.value * own / perMm.value
  const value = left > 0 ? shape.solve({ ...setup, ...(free === 'depth' ? { depth: 0 } : {}) }, free, left, model.x) : nothingLeft(left)
  if (typeof value !== 'number') return value
  // The doubt in depth is the gap's and the walls'; an angle is told without one.
  return { cylinder, source: shape.source, depth: free === 'angle' ? exact(value) : { value, by: depth.by } }
}
