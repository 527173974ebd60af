import { flatCutDepth, type Free, type HeadSetup } from '../chamber'
import { MODEL_RELATIVE_U, carry, exact, fromSource, inverseVarianceMean, type Sourced } from '../estimate'
import { cylindersOf, type OperationEntry } from '../ledger'
import { perMmOf, type CylinderState, type PerMm, type Replay } from '../standing'
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

/** cc per mm of a drawn chamber: its opening, and for a flat cut what the head has taught. */
function perMmOfShape(opening: number, taught: PerMm | undefined, flat: boolean): Sourced {
  const solid = fromSource(opening / 1000, opening / 1000 * MODEL_RELATIVE_U.geometry, 'model:geometry')
  return inverseVarianceMean([solid, ...(flat ? taught?.lessons ?? [] : []).map(lesson => lesson.perMm)])
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
 * Source: gap/(cc per mm), sources carried (JCGM 100:2008 §5.2.2); on a shape the plane that leaves what it holds less the
 *   gap, the gap taken times solid/(1/u² mean of solid and the head's lessons).
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
  const taught = perMmOf(standing.ledger, standing.lessons, cylinder)
  const known = shapeOf(standing, cylinder, operations, chambers)
  const byRate = (perMm: Sourced) => carry(([g, k]) => Math.sign(g!) * flatCutDepth(Math.abs(g!), k!), [gap.estimate, perMm])
  if (!known) {
    if (!taught || taught.estimate.value <= 0 || free !== 'depth') return undefined
    return { cylinder, source: 'mouth', depth: byRate(taught.estimate) }
  }
  const { shape, model } = known
  if (shape === 'notReady') return shape
  const flat = setup.angle === 0
  const perMm = perMmOfShape(shape.opening, taught, flat)
  // Above the target there is nothing to cut: how far past it is told by the rate.
  if (flat && free === 'depth' && gap.estimate.value <= 0) return { cylinder, source: shape.source, depth: byRate(perMm) }
  const left = chamber - gap.estimate.value * (shape.opening / 1000) / perMm.value
  const value = left > 0 ? shape.solve({ ...setup, ...(free === 'depth' ? { depth: 0 } : {}) }, free, left, model.x) : { argument: 'target', given: left, bound: 'above 0 cc' }
  if (typeof value !== 'number') return value
  // The doubt in depth is the gap's and the walls'; an angle is told without one.
  return { cylinder, source: shape.source, depth: free === 'angle' ? exact(value) : { value, by: byRate(perMm).by } }
}
