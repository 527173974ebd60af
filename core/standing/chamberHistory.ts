import { above, atLeast } from '../domain'
import { cylinderVolume } from '../engine'
import { DEFAULT_U, MODEL_RELATIVE_U, carry, fromSource, inverseVarianceMean, linear, uncertainty, type Sourced } from '../estimate'
import { headOf, NOW, type EntryOf, type Ledger, type OperationEntry, type Quantity } from '../ledger'
import { sum, type Part } from './part'
import { sourcedPours } from './pours'
import { changesChamber, pairs, stretches, wholeStretches, type ChamberOperation, type Stretch } from './stretches'
import { cutDepth, cutPlane, depthUnder, knownQuantity, mouthArea, statedQuantity, underBarrel } from './statements'

/** Why a settlement taught nothing. */
export type NoLesson = 'severalKinds' | 'notAFaceCut' | 'depthNotMeasured' | 'noPourBefore' | 'notSmaller' | 'angled'

/** What a pour after an operation showed about the prediction. */
export interface Settlement {
  cylinder: number
  head: number
  operations: string[]
  before: string[]
  after: string[]
  predicted: Sourced
  measured: Sourced
  /** measured − predicted; one burette's scale error is gone from it. */
  difference: Sourced
  /** cc per mm of measured depth. */
  lesson?: Sourced
  noLesson?: NoLesson
  /** Where only drawn metal was ground out between two pours: what came out, as a share of the drawing. */
  reliefShare?: Sourced
}

/** A head's own cc per mm, learned from one chamber by pour, cut, pour. */
export interface Lesson { cylinder: number, head: number, perMm: Sourced, operations: string[], knownFrom: number }

/**
 * The lesson of a pour, face cuts, pour: how many cc the head really gave per mm of measured depth.
 *
 * @returns the lesson, or why there is none
 * Source: (before − after)/depth; the scale of a burette used for both cancels.
 */
function lessonOf(before: Sourced, after: Sourced, between: OperationEntry[], cylinder: number): Sourced | NoLesson {
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
    return typeof perMm === 'string'
      ? []
      : [{
          cylinder, perMm, head: headOf(ledger.layout, cylinder), operations: between.map(op => op.id),
          knownFrom: ledger.place.get(after.pours[0]!.id)!
        }]
  })).sort((a, b) => a.knownFrom - b.knownFrom)
}

/** What a head gives per mm of face cut: from its mouth area, from its own lessons, and both taken together. */
export interface PerMm { estimate: Sourced, geometry: Part, lessons: Lesson[] }

/**
 * cc lost per mm of flat cut, for a chamber.
 *
 * @param lessons the ledger's lessons
 * @param before only lessons known before this place, so that a prediction is judged by what it could know
 * @returns the inverse-variance mean of geometry and the head's lessons; undefined without a mouth area or a bore
 * @example perMmOf(ledger, [], 1)?.estimate.value // 4.65, a mouth of 4 650 mm²
 */
export function perMmOf(ledger: Ledger, lessons: Lesson[], cylinder: number, before = NOW): PerMm | undefined {
  const area = mouthArea(ledger, cylinder)
  if (!area) return undefined
  const geometry: Part = sum([[1 / 1000, area]], area.provenance)
  const head = headOf(ledger.layout, cylinder)
  const known = lessons.filter(lesson => lesson.head === head && lesson.knownFrom < before)
  return { estimate: inverseVarianceMean([geometry.estimate, ...known.map(lesson => lesson.perMm)]), geometry, lessons: known }
}

/**
 * What a face cut takes off a chamber by its model: exact for the drawn shape, its depth's doubt apart.
 *
 * @returns undefined where the cut was planned without a model of this chamber
 */
export function removedByModel(cut: EntryOf<'faceCut'>, cylinder: number): Sourced | undefined {
  const removed = cut.body.removed?.find(r => r.cylinder === cylinder)
  if (!removed) return undefined
  const further = depthUnder(cut, cylinder) - cut.body.depth.value
  // No cut gives volume back: an angled one that only just reaches a chamber takes nothing off it.
  const cc = Math.max(0, removed.cc + removed.perMm * further)
  const depthU = (cut.body.measured ? DEFAULT_U.cutMeasured : DEFAULT_U.cutDialled) * removed.perMm
  return linear([
    [1, fromSource(cc, cc * MODEL_RELATIVE_U.geometry, 'model:geometry')],
    [1, fromSource(0, cc * MODEL_RELATIVE_U.calibration * Math.abs(removed.factor - 1), 'model:calibration')],
    [1, fromSource(0, depthU, `entry:${cut.id}`)]
  ])
}

/**
 * Volume an operation adds to a chamber, negative for a face cut: of a model's cut and the head's lessons the
 * inverse-variance mean, without a model the mouth's own cc per mm.
 */
export function predictedChange(operation: ChamberOperation, perMm: PerMm | undefined, cylinder: number): Sourced {
  if (operation.kind === 'faceCut') {
    const depth = cutDepth(operation, cylinder)
    const modelled = removedByModel(operation, cylinder)
    const { slopeX, slopeY } = cutPlane(operation, cylinder)
    if (!modelled) return perMm ? carry(([k, d]) => -k! * d!, [perMm.estimate, depth]) : { value: 0, by: new Map() }
    const taught = slopeX || slopeY ? [] : (perMm?.lessons ?? []).map(lesson => carry(([k, d]) => k! * d!, [lesson.perMm, depth]))
    return linear([[-1, inverseVarianceMean([modelled, ...taught])]])
  }
  const { added, u } = operation.body
  const doubt = u?.value ?? Math.max(DEFAULT_U.addedFloor, DEFAULT_U.addedRelative * Math.abs(added.value))
  return fromSource(added.value, doubt, `entry:${operation.id}`)
}

/** Every settlement in the ledger: prediction against the pour that followed, of chambers and of whole clearances. */
export function settlementsOf(ledger: Ledger, lessons: Lesson[]): Settlement[] {
  return ledger.layout.cylinders.flatMap((cylinder) => {
    const list = stretches(ledger, cylinder)
    const settled = [list, wholeStretches(ledger, cylinder)].flatMap(life => pairs(life).map(({ before, after, between }) =>
      settle(ledger, lessons, cylinder, sourcedPours(before.pours), before.pours.map(p => p.id), after, between)))
    const firstPoured = list.findIndex(stretch => stretch.pours.length > 0)
    const book = statedQuantity(ledger, 'chamberVolume', cylinder)
    if (firstPoured > 0 && book) {
      const between = list.slice(1, firstPoured + 1).map(s => s.operation!)
      settled.unshift(settle(ledger, lessons, cylinder, book.estimate, [], list[firstPoured]!, between))
    }
    return settled
  })
}

/** What an operation adds to a whole clearance: as to its chamber, and by deck and gasket the volumes that they change. */
function wholeChange(ledger: Ledger, operation: OperationEntry, perMm: PerMm | undefined, cylinder: number): Sourced {
  if (changesChamber(operation)) return predictedChange(operation, perMm, cylinder)
  const place = ledger.place.get(operation.id)!
  const at = (quantity: Quantity, when: number) => knownQuantity(ledger, quantity, cylinder, when)
  if (operation.kind === 'deckCut') {
    const bore = at('bore', place)
    return bore ? carry(([b, d]) => -cylinderVolume(b!, d!), [bore.estimate, cutDepth(operation, cylinder)]) : linear([])
  }
  if (operation.kind === 'spacer') {
    const bore = at('bore', place)
    return bore ? carry(([b, d]) => cylinderVolume(b!, d!), [bore.estimate, underBarrel(operation)]) : linear([])
  }
  const gasket = (when: number) => {
    const [area, across, thick] = (['gasketArea', 'gasketBore', 'gasketThickness'] as const).map(name => at(name, when)?.estimate)
    return thick && (area ? carry(([a, h]) => a! * h! / 1000, [area, thick]) : across && carry(([d, h]) => cylinderVolume(d!, h!), [across, thick]))
  }
  const [before, after] = [gasket(place), gasket(place + 1)]
  return before && after ? linear([[1, after], [-1, before]]) : linear([])
}

function settle(
  ledger: Ledger, lessons: Lesson[], cylinder: number, start: Sourced, before: string[], after: Stretch,
  between: OperationEntry[]
): Settlement {
  const measured = sourcedPours(after.pours)
  const perMm = perMmOf(ledger, lessons, cylinder, ledger.place.get(after.pours[0]!.id))
  const predicted = linear([[1, start], ...between.map((op): [number, Sourced] =>
    [1, wholeChange(ledger, op, perMm, cylinder)])])
  const drawn = between.reduce((cc, op) => cc + (op.kind === 'relief' ? (op.body.drawn ?? op.body.added).value : 0), 0)
  // On the lathe as by hand: what came out, as a share of what was set or drawn.
  const relieved = before.length > 0 && between.every(op => op.kind === 'relief' && (op.body.reliefs?.length || op.body.turned)) && drawn > 0.1
  const outcome = before.length === 0 ? 'noPourBefore' : lessonOf(start, measured, between, cylinder)
  return {
    cylinder, head: headOf(ledger.layout, cylinder), operations: between.map(op => op.id), before,
    after: after.pours.map(pour => pour.id), predicted, measured,
    difference: linear([[1, measured], [-1, predicted]]),
    ...(typeof outcome === 'string' ? { noLesson: outcome } : { lesson: outcome }),
    ...(relieved ? { reliefShare: linear([[1 / drawn, measured], [-1 / drawn, start], [1, fromSource(0, DEFAULT_U.drawnRelative, `line:${after.pours[0]!.id}`)]]) } : {})
  }
}

/** What grinding to drawn lines has really taken out on a build, as a share of the drawings, and how many reliefs it stands on. */
export interface ReliefLesson { share: Sourced, count: number }

/**
 * What grinding has really taken out on this build, as a share of what was drawn.
 *
 * @param settlements of the ledger
 * @returns undefined before the first was poured
 * Source: (poured after − before)/drawn; inverse-variance mean, so that half a cc between two pours teaches little.
 * @example reliefLesson(replay(entries)!.settlements) // share 1.06 ± 0.12 (k = 2), count 3
 */
export function reliefLesson(settlements: Settlement[]): ReliefLesson | undefined {
  const shares = settlements.flatMap(s => s.reliefShare ?? [])
  return shares.length === 0 ? undefined : { share: inverseVarianceMean(shares), count: shares.length }
}

/**
 * What grinding to a drawn line will add: the drawing, and what grinding to drawings has added on this build.
 *
 * @param drawn cc by the drawing, 0 or more
 * @param lesson see {@link reliefLesson}
 * @returns cc, and its standard uncertainty
 * @throws RangeError when `drawn` is negative
 * Source: the drawing alone gives 1 ± {@link DEFAULT_U.drawnRelative}; its inverse-variance mean with the lesson, times
 *   what is drawn; u never under {@link DEFAULT_U.addedFloor}.
 * @example reliefPrediction(4, { share: fromSource(1.2, 0.1, 'lesson'), count: 1 }) // { added: 4.4, u: 0.283 }
 */
export function reliefPrediction(drawn: number, lesson?: ReliefLesson): { added: number, u: number } {
  const share = inverseVarianceMean([fromSource(1, DEFAULT_U.drawnRelative, 'model:drawing'), ...lesson ? [lesson.share] : []])
  return { added: atLeast('drawn', drawn, 0) * share.value, u: Math.max(DEFAULT_U.addedFloor, drawn * uncertainty(share)) }
}

/**
 * What must be drawn or set so that so much comes out: the reverse of {@link reliefPrediction}.
 *
 * @param added cc that is to come out, above 0
 * @param lesson see {@link reliefLesson}
 * @returns cc to draw, and how far what comes out may be off it, as a share (standard uncertainty)
 * @throws RangeError when `added` is not above 0
 * @example drawnFor(1.1, { share: fromSource(1.1, 0.01, 'lesson'), count: 1 }).drawn // 1.001
 */
export function drawnFor(added: number, lesson?: ReliefLesson): { drawn: number, share: number } {
  const share = inverseVarianceMean([fromSource(1, DEFAULT_U.drawnRelative, 'model:drawing'), ...lesson ? [lesson.share] : []])
  return { drawn: above('added', added, 0) / share.value, share: uncertainty(share) }
}

/** A chamber's volume at the end of its life so far, and the pours it stands on. */
export interface ChamberNow { part: Part, pours: EntryOf<'pour'>[] }

/**
 * A chamber as the ledger knows it: the pours of its last stretch; else its last known volume carried over the
 * operations since; else the book's or an assumed figure, carried likewise.
 *
 * @param known a volume known by another way (an assembled pour) from a place on, if any
 * @returns undefined when nobody has said anything about it
 */
export function chamberNow(
  ledger: Ledger, lessons: Lesson[], cylinder: number, known?: { part: Part, place: number }
): ChamberNow | undefined {
  const list = stretches(ledger, cylinder)
  const perMm = perMmOf(ledger, lessons, cylinder)
  let last = list.length - 1
  while (last >= 0 && list[last]!.pours.length === 0) last--
  const pouredAt = last >= 0 ? ledger.place.get(list[last]!.pours.at(-1)!.id)! : -1
  let part: Part | undefined
  let since: ChamberOperation[]
  if (known && known.place > pouredAt) {
    part = known.part
    since = list.flatMap(s => s.operation && ledger.place.get(s.operation.id)! > known.place ? [s.operation] : [])
  } else if (last >= 0) {
    const { pours } = list[last]!
    part = { estimate: sourcedPours(pours), provenance: 'measured', entries: pours.map(pour => pour.id) }
    since = list.slice(last + 1).map(s => s.operation!)
  } else {
    part = statedQuantity(ledger, 'chamberVolume', cylinder)
    since = list.slice(1).map(s => s.operation!)
  }
  if (!part) return undefined
  return {
    part: afterOperations(part, since, perMm, cylinder),
    pours: list.at(-1)!.pours
  }
}

/**
 * A chamber as it was at a place: by the pours of that stretch or an earlier one; one that was only poured later is carried back.
 *
 * @param place of what is to be compared with it: work after it does not count
 */
export function chamberAt(ledger: Ledger, lessons: Lesson[], cylinder: number, place: number): Part | undefined {
  const list = stretches(ledger, cylinder)
  const since = list.flatMap(s => s.operation && ledger.place.get(s.operation.id)! > place ? [s.operation] : [])
  const now = chamberNow(ledger, lessons, cylinder)?.part
  if (since.length === 0) return now
  const then = list.slice(0, list.length - since.length)
  const perMm = perMmOf(ledger, lessons, cylinder)
  const last = then.map(s => s.pours.length > 0).lastIndexOf(true)
  if (last >= 0) {
    const { pours } = then[last]!
    const part: Part = { estimate: sourcedPours(pours), provenance: 'measured', entries: pours.map(pour => pour.id) }
    return afterOperations(part, then.slice(last + 1).map(s => s.operation!), perMm, cylinder)
  }
  return now && {
    estimate: linear([[1, now.estimate], ...since.map((op): [number, Sourced] => [-1, predictedChange(op, perMm, cylinder)])]),
    provenance: 'derived', entries: [...now.entries, ...since.map(op => op.id)]
  }
}

/** A chamber's volume once operations have been done to it, by prediction. */
export function afterOperations(part: Part, operations: ChamberOperation[], perMm: PerMm | undefined, cylinder: number): Part {
  if (operations.length === 0) return part
  return {
    estimate: linear([[1, part.estimate], ...operations.map((op): [number, Sourced] => [1, predictedChange(op, perMm, cylinder)])]),
    // A book figure stays a claim, whatever has been cut off it.
    provenance: part.provenance === 'measured' ? 'derived' : part.provenance,
    entries: [...part.entries, ...operations.map(op => op.id)]
  }
}
