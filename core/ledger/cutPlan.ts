import { compressionRatio } from '../engine'
import { flatCutDepth } from '../chamber'
import { MODEL_RELATIVE_U, carry, exact, fromSource, inverseVarianceMean, linear, type Sourced } from '../estimate'
import { predictedChange } from './chamberHistory'
import type { EntryOf, FaceCutBody } from './entry'
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
  const states = replayed.beforeCut.filter(state => state.head === head)
  const found = headCutOf(replayed, head, states.flatMap(state => depthToTarget(replayed, state) ?? []))
  // A head that is past its target already is not cut at all.
  const cut = (answer: HeadCut['deepest']) => answer && (answer.depth.value > 0 ? answer : { ...answer, depth: exact(0) })
  return { ...found, deepest: cut(found.deepest), toLowest: cut(found.toLowest) }
}

/**
 * The same from depths found by another way: the model's, or another figure of an angled set-up in their place.
 *
 * @param cylinders what each cylinder asks for; the least of them holds the head
 */
export function headCutOf(replayed: Replay, head: number, cylinders: CylinderCut[]): HeadCut {
  const states = replayed.beforeCut.filter(state => cylindersOf(replayed.layout, head).includes(state.cylinder))
  const byDepth = [...cylinders].sort((a, b) => a.depth.value - b.depth.value)
  const least = byDepth[0]
  // "Lowest" is in ratio: with unequal bores the shallowest depth and the lowest ratio need not be one cylinder.
  const lowest = states.filter(s => s.ratio && cylinders.some(c => c.cylinder === s.cylinder))
    .sort((a, b) => a.ratio!.value.value - b.ratio!.value.value)[0]
  const lowestCut = cylinders.find(c => c.cylinder === lowest?.cylinder)
  return {
    head, cylinders,
    unknown: states.filter(s => !cylinders.some(c => c.cylinder === s.cylinder)).map(s => s.cylinder),
    deepest: least && { depth: least.depth, cylinder: least.cylinder },
    toLowest: lowestCut && { depth: lowestCut.depth, cylinder: lowestCut.cylinder }
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

/**
 * Chamber volume to leave so that a chamber meets its target by model and lessons together.
 *
 * @param opening open area of the chamber's solid at its face, mm²
 * @param flat whether lessons count: they are about flat cuts
 * @returns cc to leave of the solid; undefined without a gap
 * Source: the gap divided by how much more, by the inverse-variance mean of solid and lessons, a cut really takes.
 */
export function solidTarget(replayed: Replay, state: CylinderState, opening: number, flat: boolean): number | undefined {
  const chamber = state.parts.chamber?.value.value
  if (!state.gap || chamber === undefined) return undefined
  const lessons = flat ? replayed.perMm.get(state.cylinder)?.lessons ?? [] : []
  const solid = fromSource(opening / 1000, opening / 1000 * MODEL_RELATIVE_U.geometry, 'model:geometry')
  const together = inverseVarianceMean([solid, ...lessons.map(lesson => lesson.perMm)]).value
  return chamber - state.gap.value.value * solid.value / together
}

/**
 * Chamber and ratio of each cylinder of a head after a cut whose bites its models have told.
 *
 * @param replayed a replayed ledger
 * @param head its number
 * @param body the cut as it would be entered
 * @returns one outcome per cylinder that has a ratio now and something left after the cut
 */
export function outcomesOf(replayed: Replay, head: number, body: FaceCutBody): CutOutcome[] {
  const cut = { id: 'this cut', kind: 'faceCut', body } as EntryOf<'faceCut'>
  return replayed.beforeCut.flatMap((state) => {
    const { chamber } = state.parts
    if (state.head !== head || !chamber || !state.clearance || !state.swept) return []
    const change = predictedChange(cut, replayed.perMm.get(state.cylinder), state.cylinder)
    const after = linear([[1, chamber.value], [1, change]])
    const clearance = linear([[1, state.clearance.value], [1, change]])
    if (after.value <= 0 || clearance.value <= 0) return []
    return [{
      cylinder: state.cylinder, chamber: after,
      ratio: carry(([vs, vc]) => compressionRatio(vs!, vc!), [state.swept.value, clearance])
    }]
  })
}
