import { MODEL_RELATIVE_U, bestMean, carry, exact, fromSource, linear, type Sourced } from '../estimate'
import type { ChamberKind } from '../chamber'
import { specEntry } from './chamberSpecs'
import { headOf, NOW, type EntryOf, type Ledger, type OperationEntry } from '../ledger'
import { sum, type Part } from './part'
import { howManyBefore } from './remembered'
import { sourcedPours } from './pours'
import { pairs, stretches, wholeStretches, type ChamberOperation } from './stretches'
import { cutDepth, cutPlane, depthSet, depthUnder, workGains } from './statements'
import { faceDepth, groundAt, groundBy, groundSince, mouth, wallSlope } from './walls'

/** Why a settlement taught nothing. */
export type NoLesson = 'severalKinds' | 'notAFaceCut' | 'depthNotMeasured' | 'noPourBefore' | 'notSmaller' | 'angled'

/** A head's own cc per mm, learned from one chamber by pour, cut, pour; `at` is the middle of what was cut, mm over the first face. */
export interface Lesson { cylinder: number, head: number, perMm: Sourced, at: number, operations: string[], knownFrom: number }

/**
 * The lesson of a pour, face cuts, pour: how many cc the head really gave per mm of measured depth.
 *
 * @returns the lesson, or why there is none
 * Source: (before − after)/depth; the scale of a burette used for both cancels.
 */
export function lessonOf(before: Sourced, after: Sourced, between: OperationEntry[], cylinder: number): Sourced | NoLesson {
  if (new Set(between.map(op => op.kind)).size > 1) return 'severalKinds'
  const cuts = between.filter((op): op is EntryOf<'faceCut'> => op.kind === 'faceCut')
  if (cuts.length === 0) return 'notAFaceCut'
  if (cuts.some(cut => cut.body.slopeX || cut.body.slopeY)) return 'angled'
  if (cuts.some(cut => !cut.body.measured)) return 'depthNotMeasured'
  if (after.value >= before.value) return 'notSmaller'
  const depth = linear(cuts.map(cut => [1, cutDepth(cut, cylinder)]))
  return carry(([b, a, d]) => (b! - a!) / d!, [before, after, depth])
}

/** Every lesson the ledger holds, in the order they became known. */
export function lessonsOf(ledger: Ledger): Lesson[] {
  // A whole clearance that lost a face cut and nothing else lost what its chamber lost.
  return ledger.layout.cylinders.flatMap(cylinder => [...pairs(stretches(ledger, cylinder)), ...pairs(wholeStretches(ledger, cylinder))].flatMap(({ before, after, between }) => {
    const perMm = lessonOf(sourcedPours(before.pours), sourcedPours(after.pours), between, cylinder)
    if (typeof perMm === 'string') return []
    const [from, to] = [faceDepth(ledger, cylinder, ledger.place.get(between[0]!.id)!), faceDepth(ledger, cylinder, ledger.place.get(between.at(-1)!.id)! + 1)]
    return [{
      cylinder, perMm, at: (from + to) / 2, head: headOf(ledger.layout, cylinder), operations: between.map(op => op.id),
      knownFrom: ledger.place.get(after.pours[0]!.id)!
    }]
  })).sort((a, b) => a.knownFrom - b.knownFrom)
}

/** The latest lessons of a head are the nearest to its face: more of them than this tell nothing more. */
const LESSONS_THAT_COUNT = 24

/** A ledger's lessons by head, each in the order they became known. */
const byHead = new WeakMap<Lesson[], Map<number, Lesson[]>>()

function lessonsKnown(lessons: Lesson[], head: number, before: number): Lesson[] {
  let heads = byHead.get(lessons)
  if (!heads) {
    byHead.set(lessons, heads = new Map())
    for (const lesson of lessons) {
      const list = heads.get(lesson.head)
      if (list) list.push(lesson)
      else heads.set(lesson.head, [lesson])
    }
  }
  const of = heads.get(head) ?? []
  const known = howManyBefore(of, lesson => lesson.knownFrom, before)
  return of.slice(Math.max(0, known - LESSONS_THAT_COUNT), known)
}

/** What a head gives per mm of face cut at a depth: from its mouth area, from its own lessons moved there, and both taken together. */
export interface PerMm {
  estimate: Sourced
  geometry: Part
  lessons: Lesson[]
  /** The lessons' own cc per mm, moved to that depth. */
  moved: Sourced[]
  /** How much of its area the mouth loses with each mm, as a share. */
  slope: Sourced
  /** What was ground out since the mouth was found, and may have widened it, cc. */
  ground: number
}

/** A cc per mm at another depth, by the lean of the walls: never less than a third of what it was. */
const moved = (perMm: Sourced, slope: Sourced, by: number): Sourced =>
  Math.abs(by) < 1e-9 ? perMm : carry(([k, s]) => k! * Math.max(1 / 3, 1 - s! * by), [perMm, slope])

/** Moments a figure is asked for: at which depth over the first face, and what was known by then. */
export interface When { at?: number, before?: number, /** What has been ground out of it by then, cc. */ ground?: number }

/**
 * cc lost per mm of flat cut, for a chamber.
 *
 * @param lessons the ledger's lessons
 * @param when `at` how far over the first face (as it is now, if not given); `before` only lessons known before this place, so
 *   that a prediction is judged by what it could know; `ground` with so much ground out (what is done, if not given)
 * @returns the best mean of geometry and the head's lessons, each moved to that depth; undefined without a mouth area or a bore
 * Source: A(z) = A·(1 − s·(z − z of A)), s by {@link wallSlope}, one source for all that is moved; lessons out of one cut share
 *   its depth's error ({@link bestMean}).
 * @example perMmOf(ledger, [], 1)?.estimate.value // 4.65, a mouth of 4 650 mm²
 */
export function perMmOf(ledger: Ledger, lessons: Lesson[], cylinder: number, { at = faceDepth(ledger, cylinder, NOW), before = NOW, ground = groundAt(ledger, cylinder, NOW) }: When = {}): PerMm | undefined {
  const open = mouth(ledger, cylinder)
  if (!open) return undefined
  const slope = wallSlope(ledger, cylinder)
  const first: Part = sum([[1 / 1000, open.area]], open.area.provenance)
  const since = ground - open.ground
  const geometry = { ...first, estimate: groundSince(ledger, cylinder, moved(first.estimate, slope, at - open.at), since) }
  const known = lessonsKnown(lessons, headOf(ledger.layout, cylinder), before)
  const there = taught(ledger, known, cylinder, at, ground)
  return { estimate: bestMean([geometry.estimate, ...there]), geometry, lessons: known, moved: there, slope, ground: since }
}

/**
 * Lessons as they hold at another depth, and in a chamber that has been ground more or less than theirs.
 *
 * @param at mm over the first face
 * @param ground cc out of it by then
 */
export function taught(ledger: Ledger, lessons: Lesson[], cylinder: number, at: number, ground = groundAt(ledger, cylinder, NOW)): Sourced[] {
  const slope = wallSlope(ledger, cylinder)
  return lessons.map(lesson => groundSince(ledger, cylinder, moved(lesson.perMm, slope, at - lesson.at), ground - groundAt(ledger, lesson.cylinder, ledger.place.get(lesson.operations[0]!)!)))
}

const UPRIGHT: readonly ChamberKind[] = ['bathtub', 'heart', 'flat']

/**
 * Standard uncertainty of what a drawing's walls say, as a share of it.
 *
 * @param at mm over the first face, 0 or more
 * @param kind of the drawing
 * Source: {@link MODEL_RELATIVE_U}: 2 % of a cut, and 1 % more for each mm it lies deeper, independent of each other; 1.2 % and
 *   0.4 % where walls stand upright.
 * @example drawnShare(1, 'wedge') // 0.0224
 */
export function drawnShare(at: number, kind: ChamberKind | undefined): number {
  const { share, perMm } = MODEL_RELATIVE_U[kind && UPRIGHT.includes(kind) ? 'upright' : 'leaning']
  return Math.hypot(share, perMm * at)
}

/**
 * What a face cut takes off a chamber by its model: exact for the drawn shape.
 *
 * @param at the middle of the cut, mm over the first face
 * @returns cc with the doubt of the drawn walls, and what one mm of depth is worth there, cc; undefined where the cut was planned
 *   without a model of this chamber
 */
function removedByModel(cut: EntryOf<'faceCut'>, ledger: Ledger, cylinder: number, at: number): { cc: Sourced, perMm: number } | undefined {
  const removed = cut.body.removed?.find(r => r.cylinder === cylinder)
  if (!removed) return undefined
  const further = depthUnder(cut, cylinder) - depthSet(cut.body)
  // No cut gives volume back: an angled one that only just reaches a chamber takes nothing off it.
  const cc = Math.max(0, removed.cc + removed.perMm * further)
  return { perMm: removed.perMm, cc: linear([
    [1, fromSource(cc, cc * drawnShare(at, specEntry(ledger, cylinder)?.body.spec.kind ?? ledger.layout.engine?.chamber), 'model:geometry')],
    [1, fromSource(0, cc * MODEL_RELATIVE_U.calibration * Math.abs(removed.factor - 1), 'model:calibration')]
  ]) }
}

/** What is known when something is predicted. */
export interface Known { ledger: Ledger, lessons: Lesson[], before?: number }

/**
 * Volume an operation adds to a chamber, negative for a face cut: of a model's cut and the head's lessons the
 * best mean, without a model the mouth's own cc per mm in the middle of the cut.
 *
 * @param from how far the face lies over the first one before it, mm
 * @param ground what was ground out of the chamber before it, cc
 */
export function predictedChange(operation: ChamberOperation, { ledger, lessons, before = NOW }: Known, cylinder: number, from: number, ground: number): Sourced {
  if (operation.kind === 'faceCut') {
    const depth = cutDepth(operation, cylinder)
    const at = Math.max(0, from + depth.value / 2)
    const perMm = perMmOf(ledger, lessons, cylinder, { at, before, ground })
    const modelled = removedByModel(operation, ledger, cylinder, at)
    if (!modelled) return perMm ? carry(([k, d]) => -k! * d!, [perMm.estimate, depth]) : { value: 0, by: new Map() }
    const { slopeX, slopeY } = cutPlane(operation, cylinder)
    const heads = perMm?.lessons ?? []
    if (slopeX || slopeY || depth.value <= 0 || heads.length === 0) return linear([[-1, modelled.cc], [-modelled.perMm, linear([[1, depth], [-depth.value, exact(1)]])]])
    // Per mm first: the depth's own doubt is one and the same, and must not weigh one against the other.
    const rate = bestMean([linear([[1 / depth.value, modelled.cc]]), ...taught(ledger, heads, cylinder, at, ground)])
    return carry(([k, d]) => -k! * d!, [rate, depth])
  }
  return workGains(operation)
}

/**
 * What operations add to a chamber one after the other, each predicted at the face that those before it left.
 *
 * @param operations in order, done or planned
 * @returns one change for each
 */
export function predictedChanges(operations: ChamberOperation[], known: Known, cylinder: number): Sourced[] {
  const first = operations[0] && known.ledger.place.get(operations[0].id)
  const isDone = first !== undefined && operations[0]!.body.state === 'done'
  let from = operations.length > 0 ? faceDepth(known.ledger, cylinder, isDone ? first : NOW) : 0
  let ground = operations.length > 0 ? groundAt(known.ledger, cylinder, isDone ? first : NOW) : 0
  return operations.map((op) => {
    const change = predictedChange(op, known, cylinder, from, ground)
    if (op.kind === 'faceCut') from += cutPlane(op, cylinder).depth
    ground += groundBy(known.ledger, cylinder, [op])
    return change
  })
}
