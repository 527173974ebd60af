import { compressionRatio } from '../engine'
import { flatCutDepth } from '../chamber'
import { carry, exact, linear, type Sourced } from '../estimate'
import { cylindersOf } from './ledger'
import type { CylinderState, Replay } from './replay'

/** What a flat cut of a given depth leaves in one cylinder. */
export interface CutOutcome { cylinder: number, chamber: Sourced, ratio: Sourced }

/** How far one cylinder is from its target, in depth off the face. */
export interface CylinderCut {
  cylinder: number
  /** mm to target; negative where the cylinder is past it already and no cut can help. */
  depth: Sourced
}

/** A head is cut once: what that means for its cylinders. */
export interface HeadCut {
  head: number
  cylinders: CylinderCut[]
  /** Cylinders of the head that can't be reckoned yet. */
  unknown: number[]
  /** Deepest cut at which no cylinder passes the target, and the cylinder that stops it. */
  deepest?: { depth: Sourced, cylinder: number }
  /** Cut that brings the lowest ratio to target, and that cylinder. */
  toLowest?: { depth: Sourced, cylinder: number }
}

/**
 * Depth that brings a cylinder to its target with everything else that is planned.
 *
 * @returns undefined without a target, a ratio or a cc-per-mm
 * Source: (clearance − target clearance)/(cc per mm), sources carried.
 */
export function depthToTarget(replayed: Replay, state: CylinderState): CylinderCut | undefined {
  const perMm = replayed.perMm.get(state.cylinder)
  if (!state.gap || !perMm || perMm.value.value <= 0) return undefined
  const depth = carry(
    ([gap, k]) => Math.sign(gap!) * flatCutDepth(Math.abs(gap!), k!), [state.gap.value, perMm.value])
  return { cylinder: state.cylinder, depth }
}

/**
 * The cut a head needs as one, reckoned from what is planned apart from face cuts.
 *
 * @param replayed a replayed ledger
 * @param head its number, from 1
 * @returns see {@link HeadCut}
 * @example headCut(replay(entries)!, 1).deepest?.depth.value // 1.19 mm, held by cylinder 2
 */
export function headCut(replayed: Replay, head: number): HeadCut {
  const states = replayed.beforeCut.filter(state => cylindersOf(replayed.layout, head).includes(state.cylinder))
  const cylinders = states.flatMap(state => depthToTarget(replayed, state) ?? [])
  const byDepth = [...cylinders].sort((a, b) => a.depth.value - b.depth.value)
  const least = byDepth[0]
  // "Lowest" is in ratio: with unequal bores the shallowest depth and the lowest ratio need not be one cylinder.
  const lowest = states.filter(s => s.ratio && cylinders.some(c => c.cylinder === s.cylinder))
    .sort((a, b) => a.ratio!.value.value - b.ratio!.value.value)[0]
  const lowestCut = cylinders.find(c => c.cylinder === lowest?.cylinder)
  return {
    head, cylinders,
    unknown: states.filter(s => !cylinders.some(c => c.cylinder === s.cylinder)).map(s => s.cylinder),
    deepest: least && { depth: least.depth.value > 0 ? least.depth : exact(0), cylinder: least.cylinder },
    toLowest: lowestCut && { depth: lowestCut.depth.value > 0 ? lowestCut.depth : exact(0), cylinder: lowestCut.cylinder }
  }
}

/**
 * Chamber and ratio of each cylinder of a head after a flat cut.
 *
 * @param replayed a replayed ledger
 * @param head its number
 * @param depth mm, 0 or more, with the doubt it will be cut with
 * @returns one outcome per cylinder that has a ratio now and something left after the cut
 */
export function outcomesAt(replayed: Replay, head: number, depth: Sourced): CutOutcome[] {
  return replayed.beforeCut.flatMap((state) => {
    const perMm = replayed.perMm.get(state.cylinder)
    const { chamber } = state.parts
    if (state.head !== head || !perMm || !chamber || !state.clearance || !state.swept) return []
    const lost = carry(([k, d]) => k! * d!, [perMm.value, depth])
    const after = linear([[1, chamber.value], [-1, lost]])
    const clearance = linear([[1, state.clearance.value], [-1, lost]])
    if (after.value <= 0 || clearance.value <= 0) return []
    return [{
      cylinder: state.cylinder, chamber: after,
      ratio: carry(([vs, vc]) => compressionRatio(vs!, vc!), [state.swept.value, clearance])
    }]
  })
}
