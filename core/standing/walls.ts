import { GROUND_WALL, WALL_SLOPE, WALL_SLOPE_OF, exact, fromSource, linear, type Sourced } from '../estimate'
import { headOf, touches, type EntryOf, type Ledger, type OperationEntry } from '../ledger'
import { faceShown } from './chamberModel'
import { specEntry } from './chamberSpecs'
import type { Part } from './part'
import { doneOn, howManyBefore, remembered } from './remembered'
import { cutPlane, mouthArea, statedQuantity } from './statements'

/** A face cut of a chamber: its place, and how much was off the first face after it, mm over the bore's centre. */
interface CutFace { place: number, depth: number }

const lifeOf = (ledger: Ledger, cylinder: number): CutFace[] => remembered(ledger, `face ${cylinder}`, () => {
  let depth = 0
  return doneOn(ledger, cylinder, ['faceCut']).map((op) => {
    depth += cutPlane(op as EntryOf<'faceCut'>, cylinder).depth
    return { place: ledger.place.get(op.id)!, depth }
  })
})

/**
 * How far a chamber's face lies over its first one, over the bore's centre.
 *
 * @param place the moment: what was cut from it on does not count
 * @returns mm, 0 before the first cut
 * @example faceDepth(ledger, 1, NOW) // 0.5
 */
export function faceDepth(ledger: Ledger, cylinder: number, place: number): number {
  const cuts = lifeOf(ledger, cylinder)
  return cuts[howManyBefore(cuts, cut => cut.place, place) - 1]?.depth ?? 0
}

/** A cut shallower than this tells no lean of walls, mm. */
const TELLING = 0.2

/** The lean of a drawing's walls by what a flat cut takes of its solid: cc on the whole, and cc per mm at its end. */
function byItsSolid(ledger: Ledger, cylinder: number): number | undefined {
  return [...ledger.done, ...ledger.planned].flatMap((op) => {
    if (op.kind !== 'faceCut' || op.body.slopeX || op.body.slopeY || !touches(op, ledger.layout, cylinder)) return []
    const removed = op.body.removed?.find(r => r.cylinder === cylinder)
    const depth = op.body.depth.value
    return removed && removed.cc > 0 && depth >= TELLING ? [2 * (1 - removed.perMm * depth / removed.cc) / depth] : []
  }).at(-1)
}

/**
 * How much of its open area a chamber loses with each mm its face goes up into it, as a share.
 *
 * @returns 1/mm, + where it narrows towards its roof; one source for a head
 * Source: −(dA/dz)/A. Of a drawing by what a flat cut takes of its solid; else what is usual of its kind
 *   ({@link WALL_SLOPE_OF}). A turned head is open over its whole bore, however deep.
 * @example wallSlope(ledger, 1).value // 0.03, a wedge that nobody drew
 */
export function wallSlope(ledger: Ledger, cylinder: number): Sourced {
  const { engine } = ledger.layout
  if (engine?.head === 'turned') return exact(0)
  return remembered(ledger, `walls ${cylinder}`, () => {
    const source = `model:walls${headOf(ledger.layout, cylinder)}`
    const told = byItsSolid(ledger, cylinder)
    if (told !== undefined) return fromSource(told, WALL_SLOPE.drawnU, source)
    const { value, u } = engine ? WALL_SLOPE_OF[engine.chamber] : WALL_SLOPE
    return fromSource(value, u, source)
  })
}

/** What was ground out of a chamber by each of its reliefs and those before it, cc. */
const groundOut = (ledger: Ledger, cylinder: number): { place: number, cc: number }[] => remembered(ledger, `ground ${cylinder}`, () => {
  let cc = 0
  return doneOn(ledger, cylinder, ['relief']).map(op => ({ place: ledger.place.get(op.id)!, cc: cc += op.kind === 'relief' ? op.body.added.value : 0 }))
})

/** Whether what is ground out of a chamber may widen the mouth that is reckoned with: a drawing tells its own, and a turned dome is open over its whole bore. */
const widens = (ledger: Ledger, cylinder: number): boolean => ledger.layout.engine?.head !== 'turned' && specEntry(ledger, cylinder) === undefined

/** What some operations on a chamber grind out of it that may widen its mouth, cc. */
export const groundBy = (ledger: Ledger, cylinder: number, operations: readonly OperationEntry[]): number =>
  widens(ledger, cylinder) ? operations.reduce((cc, op) => cc + (op.kind === 'relief' ? op.body.added.value : 0), 0) : 0

/**
 * How much was ground out of a chamber that nobody drew.
 *
 * @param place the moment: what was ground from it on does not count
 * @returns cc; 0 of a drawn chamber and of a turned dome
 * @example groundAt(ledger, 1, NOW) // 4
 */
export function groundAt(ledger: Ledger, cylinder: number, place: number): number {
  if (!widens(ledger, cylinder)) return 0
  const list = groundOut(ledger, cylinder)
  return list[howManyBefore(list, one => one.place, place) - 1]?.cc ?? 0
}

/**
 * A cc per mm that was found before so much was ground: the same figure, less sure, for grinding may have widened the mouth.
 *
 * @param cc ground out since
 * @returns with the doubt of where the metal came out: one source for a head, for one hand grinds it
 * Source: {@link GROUND_WALL}: cc/h at most, h a tenth of the bore.
 * @example groundSince(ledger, 1, 4.65 cc per mm of a bore of 92, 4).value // 4.65, ± 0.50 more (k = 2)
 */
export function groundSince(ledger: Ledger, cylinder: number, perMm: Sourced, cc: number): Sourced {
  const bore = statedQuantity(ledger, 'bore', cylinder)?.estimate.value
  return cc === 0 || bore === undefined ? perMm : linear([[1, perMm], [cc / (GROUND_WALL.ofBore * bore), fromSource(0, GROUND_WALL.u, `model:ground${headOf(ledger.layout, cylinder)}`)]])
}

/** The open area of a chamber, mm², how far the face that it is of lies over the first one, and how much had been ground out by then, cc. */
export interface Mouth { area: Part, at: number, ground: number }

/**
 * @returns the mouth as it was stated, drawn or guessed, at which face and before which grinding; undefined without a bore
 * @example mouth(ledger, 1)?.at // 0.5, stated after a cut of half a mm
 */
export function mouth(ledger: Ledger, cylinder: number): Mouth | undefined {
  return remembered(ledger, `mouth ${cylinder}`, () => {
    const area = mouthArea(ledger, cylinder)
    if (!area) return undefined
    const of = area.entries[0]
    const drawn = specEntry(ledger, cylinder)
    if (drawn && of === drawn.id) {
      const shows = faceShown(ledger, drawn, drawn.body.face)
      const before = doneOn(ledger, cylinder, ['faceCut']).filter(op => !shows(op)).at(-1)
      return { area, at: before ? faceDepth(ledger, cylinder, ledger.place.get(before.id)! + 1) : 0, ground: 0 }
    }
    const stated = of === undefined || area.provenance === 'assumed' ? undefined : ledger.place.get(of)!
    return { area, at: stated === undefined ? 0 : faceDepth(ledger, cylinder, stated), ground: stated === undefined ? 0 : groundAt(ledger, cylinder, stated) }
  })
}
