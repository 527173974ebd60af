import { above, atLeast } from '../domain'
import { cylinderVolume } from '../engine'
import { DEFAULT_U, bestMean, carry, fromSource, linear, uncertainty, type Sourced } from '../estimate'
import { headOf, type EntryOf, type Ledger, type OperationEntry, type Quantity } from '../ledger'
import { lessonOf, predictedChanges, type Known, type Lesson, type NoLesson } from './lessons'
import type { Part } from './part'
import { sourcedPours } from './pours'
import { changesChamber, pairs, stretches, wholeStretches, type ChamberOperation, type Stretch } from './stretches'
import { cutDepth, knownQuantity, pistonRise, statedQuantity, underBarrel, workGains } from './statements'

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

/** What deck, gasket and spacer add to a whole clearance: the volumes that they change. */
function wholeChange(ledger: Ledger, operation: OperationEntry, cylinder: number): Sourced {
  const place = ledger.place.get(operation.id)!
  const at = (quantity: Quantity, when: number) => knownQuantity(ledger, quantity, cylinder, when)
  if (operation.kind === 'deckCut') {
    const bore = at('bore', place)
    return bore ? carry(([b, d]) => -cylinderVolume(b!, d!), [bore.estimate, cutDepth(operation, cylinder)]) : linear([])
  }
  if (operation.kind === 'crownWork') {
    const [bore, rise] = [at('bore', place), pistonRise(operation)]
    return bore && rise ? linear([[1, workGains(operation)], [-1, carry(([b, d]) => cylinderVolume(b!, d!), [bore.estimate, rise])]]) : workGains(operation)
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
  const known = { ledger, lessons, before: ledger.place.get(after.pours[0]!.id)! }
  const predicted = linear([
    [1, start], ...predictedChanges(between.filter(changesChamber), known, cylinder).map((change): [number, Sourced] => [1, change]),
    ...between.filter(op => !changesChamber(op)).map((op): [number, Sourced] => [1, wholeChange(ledger, op, cylinder)])
  ])
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
  return shares.length === 0 ? undefined : { share: bestMean(shares), count: shares.length }
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
  const share = bestMean([fromSource(1, DEFAULT_U.drawnRelative, 'model:drawing'), ...lesson ? [lesson.share] : []])
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
  const share = bestMean([fromSource(1, DEFAULT_U.drawnRelative, 'model:drawing'), ...lesson ? [lesson.share] : []])
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
    part: afterOperations(part, since, { ledger, lessons }, cylinder),
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
  const last = then.map(s => s.pours.length > 0).lastIndexOf(true)
  if (last >= 0) {
    const { pours } = then[last]!
    const part: Part = { estimate: sourcedPours(pours), provenance: 'measured', entries: pours.map(pour => pour.id) }
    return afterOperations(part, then.slice(last + 1).map(s => s.operation!), { ledger, lessons }, cylinder)
  }
  return now && {
    estimate: linear([[1, now.estimate], ...predictedChanges(since, { ledger, lessons }, cylinder).map((change): [number, Sourced] => [-1, change])]),
    provenance: 'derived', entries: [...now.entries, ...since.map(op => op.id)]
  }
}

/** A chamber's volume once operations have been done to it, by prediction: a cut through its roof leaves nothing, and takes no more. */
export function afterOperations(part: Part, operations: ChamberOperation[], known: Known, cylinder: number): Part {
  if (operations.length === 0) return part
  const left = linear([[1, part.estimate], ...predictedChanges(operations, known, cylinder).map((change): [number, Sourced] => [1, change])])
  return {
    estimate: { ...left, value: Math.max(0, left.value) },
    // A book figure stays a claim, whatever has been cut off it.
    provenance: part.provenance === 'measured' ? 'derived' : part.provenance,
    entries: [...part.entries, ...operations.map(op => op.id)]
  }
}
