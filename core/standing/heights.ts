import { NOW, cylindersOf, isOperation, ofKind, placeAlong, untyped, type DepthUnder, type EntryOf, type Ledger, type OperationEntry } from '../ledger'
import { spotPlane, type SpotPlane } from '../squish'
import { depthTaken, knownQuantity } from './statements'

/** Fewer places than this show no plane. */
const PLANE_PLACES = 3

/** A head's height as it was read once, all over it. Lengths mm. */
export interface HeightSet {
  entry: EntryOf<'headHeights'>
  plane: SpotPlane
  /** How much higher the plane stands at the front end than at the back, and on the exhaust side than on the intake's, over where it was read. */
  endToEnd: number
  sideToSide: number
  /** Mean of one diagonal's corners over the other's: how far the head is twisted; nothing without a reading in every corner. */
  twist?: number
  /** How far the middle lies under the corners' plane, by the readings in the middle third; + where the face is hollow. */
  hollow?: number
}

/** What a cut took, by the heights before it and after it. */
export interface TakenByHeights { cut: string, depth: number, under: DepthUnder[] }

export interface HeightsStanding {
  head: number
  sets: HeightSet[]
  /** New height less the first reading and what was cut here before it: what went before anybody here cut it. Known once somebody says how high it was new. */
  earlier?: number
  taken: TakenByHeights[]
}

type FaceCut = Extract<OperationEntry, { kind: 'faceCut' }>
interface Placed extends HeightSet { place: number }

const spots = (entry: EntryOf<'headHeights'>) => entry.body.readings.map(({ x, y, figure }) => ({ x, y, value: figure.value }))
const mean = (list: number[]) => list.reduce((a, b) => a + b, 0) / list.length

function shapeOf(entry: EntryOf<'headHeights'>): HeightSet {
  const all = spots(entry)
  const plane = spotPlane(all)
  const over = (along: number[]) => Math.max(...along) - Math.min(...along)
  const lies = { entry, plane, endToEnd: plane.taper * over(all.map(s => s.x)), sideToSide: plane.rock * over(all.map(s => s.y)) }
  const [long, wide] = [Math.max(...all.map(s => Math.abs(s.x))), Math.max(...all.map(s => Math.abs(s.y)))]
  const corners = ([[1, 1], [-1, -1], [1, -1], [-1, 1]] as const).map(([x, y]) => all.filter(s => s.x * x > long / 3 && s.y * y > wide / 3).map(s => s.value))
  const middle = all.filter(s => Math.abs(s.x) <= long / 3 && Math.abs(s.y) <= wide / 3)
  if (long === 0 || wide === 0 || corners.some(c => c.length === 0)) return lies
  const [a, b, c, d] = corners.map(mean) as [number, number, number, number]
  // Twist cancels in the mean of four corners, so what the middle lies under them is no twist.
  return { ...lies, twist: (a + b - c - d) / 2, ...(middle.length > 0 ? { hollow: (a + b + c + d) / 4 - mean(middle.map(s => s.value)) } : {}) }
}

/** The moment a set of heights is of: before or after the cut it names, else when it was entered. */
function placeOf(ledger: Ledger, entry: EntryOf<'headHeights'>): number {
  const own = ledger.place.get(entry.id)!
  if (!entry.body.cut) return own
  let cut = entry.body.cut
  for (let next = ledger.live.supersededBy.get(cut); next; next = ledger.live.supersededBy.get(cut)) cut = next
  const place = ledger.place.get(cut)
  return place === undefined ? own : place + (entry.body.side === 'before' ? -0.5 : 0.5)
}

function setsOf(ledger: Ledger, head: number): Placed[] {
  return ofKind(ledger.live.entries, 'headHeights').filter(e => e.scope.level === 'head' && e.scope.head === head)
    .map(entry => ({ ...shapeOf(entry), place: placeOf(ledger, entry) })).sort((a, b) => a.place - b.place)
}

const heightAt = ({ centre, taper }: SpotPlane, x: number) => centre + taper * x

const cutsOf = (ledger: Ledger, head: number) =>
  ledger.done.filter((op): op is FaceCut => op.kind === 'faceCut' && op.scope.level === 'head' && op.scope.head === head)

function takenOf(ledger: Ledger, head: number, sets: Placed[]): TakenByHeights[] {
  const cuts = cutsOf(ledger, head)
  return sets.slice(1).flatMap((after, i) => {
    const before = sets[i]!
    const between = cuts.filter(cut => ledger.place.get(cut.id)! > before.place && ledger.place.get(cut.id)! < after.place)
    const [cut] = between
    if (between.length !== 1 || before.entry.body.readings.length < PLANE_PLACES || after.entry.body.readings.length < PLANE_PLACES) return []
    const under = cylindersOf(ledger.layout, head).map((cylinder) => {
      const x = placeAlong(ledger.layout, cylinder, knownQuantity(ledger, 'boreSpacing', cylinder, NOW)?.estimate.value ?? 0)
      return { cylinder, depth: heightAt(before.plane, x) - heightAt(after.plane, x) }
    })
    return [{ cut: cut!.id, depth: before.plane.centre - after.plane.centre, under }]
  })
}

/**
 * What the heights of each head say: how it lies, and what went off it.
 *
 * @returns the heads that were measured
 * Source: the plane through the readings by least squares ({@link spotPlane}); twist and hollow by the means of corners and middle.
 * @example heightsOf(ledger)[0].taken[0].under // [{ cylinder: 1, depth: 0.41 }, …]
 */
export function heightsOf(ledger: Ledger): HeightsStanding[] {
  return ledger.layout.heads.flatMap((cylinders, i) => {
    const sets = setsOf(ledger, i + 1)
    if (sets.length === 0) return []
    const asNew = knownQuantity(ledger, 'headHeight', cylinders[0]!, NOW)?.estimate.value
    const ours = cutsOf(ledger, i + 1).filter(cut => ledger.place.get(cut.id)! < sets[0]!.place).reduce((sum, { body }) => sum + depthTaken(body), 0)
    return [{ head: i + 1, sets, taken: takenOf(ledger, i + 1, sets), ...(asNew === undefined ? {} : { earlier: asNew - sets[0]!.plane.centre - ours }) }]
  })
}

/**
 * The ledger with the depth of each flat cut that nobody measured as the head's heights before and after it tell, under
 * each chamber its own. A depth that somebody measured stays.
 */
export function withHeights(ledger: Ledger): Ledger {
  if (!ledger.live.entries.some(e => e.kind === 'headHeights')) return ledger
  const taken = new Map(ledger.layout.heads.flatMap((_, i) => takenOf(ledger, i + 1, setsOf(ledger, i + 1))).map(t => [t.cut, t]))
  const told = (op: OperationEntry): OperationEntry => {
    const by = taken.get(op.id)
    if (!by || !isOperation(op) || op.kind !== 'faceCut' || op.body.measured || op.body.slopeX || op.body.slopeY || op.body.flat) return op
    // Heights that say a cut added metal are of another moment than they say.
    if (by.under.some(({ depth }) => depth <= 0)) return op
    return { ...op, body: { ...op.body, measured: untyped(by.depth, 'mm'), under: by.under } }
  }
  return { ...ledger, done: ledger.done.map(told) }
}
