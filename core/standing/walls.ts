import { WALL_SLOPE, WALL_SLOPE_OF, exact, fromSource, type Sourced } from '../estimate'
import { headOf, type EntryOf, type Ledger } from '../ledger'
import { faceShown } from './chamberModel'
import { specEntry } from './chamberSpecs'
import type { Part } from './part'
import { doneOn, howManyBefore, remembered } from './remembered'
import { cutPlane, mouthArea } from './statements'

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
    if (op.kind !== 'faceCut' || op.body.slopeX || op.body.slopeY) return []
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

/** The open area of a chamber, mm², and how far the face that it is of lies over the first one. */
export interface Mouth { area: Part, at: number }

/**
 * @returns the mouth as it was stated, drawn or guessed, and at which face; undefined without a bore
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
      return { area, at: before ? faceDepth(ledger, cylinder, ledger.place.get(before.id)! + 1) : 0 }
    }
    return { area, at: of === undefined || area.provenance === 'assumed' ? 0 : faceDepth(ledger, cylinder, ledger.place.get(of)!) }
  })
}
