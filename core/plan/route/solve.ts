import { NO_VALVE, seatsGive, WORTH_CUTTING, WORTH_OPENING, type Figures, type Way } from './way'
import { KNOT, takenAt, ratioAt, readingAt, type Column, type TakenTable } from './columns'
import { clearanceForRatio } from '../../engine'
import type { RouteLimits } from './ask'
import { mayGo, type Reading } from './judge'
import { MOST_POCKET, POCKET_STEP, both, pocketsHold } from './pockets'
import { targetBand, valveOf, type ClearanceName, type Replay, type TargetBand } from '../../standing'
import type { Valve } from '../../ledger'

/** What a seat job leaves between the new seat and the face, mm. */
const NEW_SEAT = 0.1
/** What it leaves over the least of a clearance, mm: the depth still moves by some hundredths when it is solved on the shape. */
const NEW_CLEARANCE = 0.05
/** Deeper than any limit may be set, mm: as far as a depth is looked for without its limits. */
const DEEPEST = 6
/** Rounds at most in which a cut and what follows it, seats or pockets, settle on each other: as many as the deepest pocket has steps, and some. */
const ROUNDS = 40

/** `held`: heads whose cut stops at a limit short of, or past, the target: it is not to be brought there; `most`: how deep a limit lets each be cut, to the hundredth that is set. */
export interface Solved { figures: Figures, readings: Reading[], held: boolean[], most?: number[] }

/** What a way is solved for: the target with every limit kept; the target whatever it breaks; or only just inside the band. */
export type Aim = 'inside' | 'target' | 'edge'

/** Of a rising function the place where it is nothing, within bounds: false position with Illinois' halving (Dowell & Jarratt 1971), to a millionth. It takes the fewer steps the straighter the function is. */
export function rootOf(f: (x: number) => number, low: number, high: number): number {
  let [below, above] = [f(low), f(high)]
  if (below >= 0) return low
  if (above <= 0) return high
  let side = 0
  for (let i = 0; i < 60 && high - low > 1e-6; i++) {
    const x = (low * above - high * below) / (above - below)
    const y = f(x)
    if (Math.abs(y) < 1e-10) return x
    if (y < 0) {
      [low, below] = [x, y]
      if (side < 0) above /= 2
      side = -1
    } else {
      [high, above] = [x, y]
      if (side > 0) below /= 2
      side = 1
    }
  }
  return (low + high) / 2
}

/** Lowest and highest ratio of several cylinders. */
export interface Extremes { low: number, high: number }

/** @returns the range of what each comes to; no number where one of them is none */
export function rangeOf<T>(list: readonly T[], ratio: (one: T) => number): Extremes {
  const range = { low: Infinity, high: -Infinity }
  for (const one of list) {
    const r = ratio(one)
    range.low = Math.min(range.low, r)
    range.high = Math.max(range.high, r)
  }
  return range
}

/** Clearance over swept volume, Vc/Vs = 1/(rc − 1) (Heywood §2.2), which every mm of a cut takes about as much of; nothing left is a ratio beyond any bound. */
const shareOf = (ratio: number) => 1 / (ratio - 1)

/** How far the middle between highest and lowest ratio lies over the target, in clearance over swept volume: a cut of several cylinders is aimed by it. */
export const offTarget = ({ low, high }: Extremes, target: number) => shareOf(target) - shareOf((high + low) / 2)

const clamp = (x: number, low: number, high: number) => Math.max(low, Math.min(high, x))

/** The same for a way that only has to come inside the band: how far the lowest ratio lies over its low end, or the highest over its high one. */
const offEdge = (range: Extremes, band: TargetBand, down: boolean) => down ? shareOf(band.low) - shareOf(range.low) : shareOf(band.high) - shareOf(range.high)

const MOVES = ['cam', 'pushrod', 'flange'] as const

/** The deepest that leaves anything of a chamber, to a knot of its table. */
const roofOf = ({ through }: TakenTable) => through === undefined ? DEEPEST : through - KNOT

/** What a squish has over its least, running where that is known. */
const spareSquish = ({ squish, squishStill }: Column['before'], { squishLeast = -Infinity }: RouteLimits) => (squish ?? squishStill ?? Infinity) - squishLeast

/** What a way's pockets, or its seat job, give a clearance back at most. */
const givenBack = (name: ClearanceName, perMm: number, perUp: Column['perUp'], limits: RouteLimits, way: Way) =>
  isPocketed(name, way) ? MOST_POCKET * perMm - NEW_CLEARANCE : way.seats ? Math.max(0, limits.seatsUp * (perUp.get(name) ?? 0) - NEW_CLEARANCE) : 0

/** How deep a head may be cut before it meets what it has to keep; `down` is what its cylinders come down besides. A seat job takes what it can out of its way. */
function faceLimit(columns: readonly Column[], limits: RouteLimits, way: Way, down: number): number {
  let most = limits.faceMost
  // Asked for every way there is: a loop, where lists of lists would take most of a search's time.
  const upTo = (depth: number) => {
    if (depth < most) most = depth
  }
  for (const { before, perDrop, perUp, table, recess, lean } of columns) {
    upTo(roofOf(table))
    // A recessed pad comes nearer until it lies in the face.
    const spare = spareSquish(before, limits) - down
    if (spare < recess) upTo(spare)
    for (const { kind, left, valve } of before.edges) if (isRecut(kind, limits, way)) upTo(Math.max(left, left + limits.seatsUp * lean[valve] - NEW_SEAT))
    else if (!mayGo(kind, limits, way)) upTo(left)
    for (const { name, left, least, perMm } of before.rooms) if (perMm > 0) upTo((left + givenBack(name, perMm, perUp, limits, way) - least) / perMm - down)
    if (before.deckLeft !== undefined && limits.deckLeft !== undefined) upTo(before.deckLeft - limits.deckLeft)
    for (const name of MOVES) {
      const bound = name === 'cam' ? limits.camRetard : limits[name]
      if (bound !== undefined && before[name] !== undefined && perDrop[name] > 0) upTo((bound - before[name]) / perDrop[name] - down)
    }
  }
  return Math.max(limits.faceLeast, most)
}

/** How far a bank may come down before something is too near. */
function deckLimit(columns: readonly Column[], limits: RouteLimits, way: Way, faces: readonly number[]): number {
  let most = limits.deckMost
  for (const { before, head, recess, perUp } of columns) {
    most = Math.min(most, spareSquish(before, limits) - Math.min(faces[head]!, recess))
    for (const { name, left, least, perMm } of before.rooms) if (perMm > 0) most = Math.min(most, (left + givenBack(name, perMm, perUp, limits, way) - least) / perMm - faces[head]!)
  }
  return Math.max(0, most)
}

/** How much may be put under a bank, in hundredths: no squish gets wider by it than it may be. */
const spacerLimit = (columns: readonly Column[], { spacerMost, squishMost }: RouteLimits) =>
  inSteps(Math.max(0, Math.min(spacerMost, ...columns.flatMap(({ before: { squish } }) => squish !== undefined && squishMost !== undefined ? [squishMost - squish] : []))), 0.01, Math.floor)

/** The least a bank has to come down so that no squish is wider than it may be. */
const deckForSquish = (columns: readonly Column[], limits: RouteLimits) =>
  Math.max(0, ...columns.flatMap(({ before }) => before.squish !== undefined && limits.squishMost !== undefined ? [before.squish - limits.squishMost] : []))

/**
 * How many cc chambers and crowns are opened by, so that every cylinder comes to its ratio: the chamber as far as its limits let
 * it, be it the line, and the crown for the rest. What is opened last goes past its limit where it is asked what that would take.
 *
 * @param at what comes off each face anyway, and under each bank, below 0
 * @returns undefined where one of them has nothing to do
 * Source: Vc = Vs/(rc − 1) (Heywood §2.2), less what is there.
 */
function openings({ held }: Replay, way: Way, columns: readonly Column[], limits: RouteLimits, aim: Aim, band: TargetBand, at: { face: number, decks: readonly number[] }, toLine?: ReadonlyMap<number, number>): Pick<Figures, 'ground' | 'crowned'> | undefined {
  const ground = new Map<number, number>()
  const crowned = new Map<number, number>()
  const opened = (c: Column, last: boolean, more: number, most: number) => {
    const short = clearanceForRatio(c.swept.value, last && aim === 'edge' ? band.high : c.target) - c.clearance.value + takenAt(c.table, at.face) + c.area * at.decks[c.bank]! + more
    return Math.max(0, last && aim !== 'inside' ? inSteps(short, 0.01, aim === 'edge' ? Math.ceil : Math.round) : Math.min(short, inSteps(most, 0.01, Math.floor)))
  }
  for (const c of columns) {
    const { cylinder } = c
    if (way.grinding === 'open' && !held.has(cylinder)) ground.set(cylinder, opened(c, !way.crowns, limits.past, Math.min(limits.groundMost, toLine?.get(cylinder) ?? Infinity)))
    if (way.crowns) crowned.set(cylinder, opened(c, true, -(ground.get(cylinder) ?? 0), limits.crownMost))
  }
  const none = (cc: ReadonlyMap<number, number>) => ![...cc.values()].some(one => one > WORTH_OPENING)
  return (way.grinding === 'open' && none(ground)) || (way.crowns && none(crowned)) ? undefined : { ground, ...way.crowns ? { crowned } : {} }
}

/**
 * The figures of a way: each depth solved so that the middle of its cylinders comes to the target, or as far as the limits let
 * it; of face and deck together, or of spacer, chambers and crowns, the one to its limit and the other for the rest.
 *
 * @param toLine how many cc each drawn chamber has up to the scribed line
 * @param aim what it is solved for: `inside` keeps the limits, the others are what it would take without them
 * @returns undefined where a way comes to the same as a shorter one
 * Source: closed forms on the columns; the ends of what the limits leave are the cheapest, as cost is a set-up and metal a sum.
 */
export function solveWay(standing: Replay, way: Way, columns: readonly Column[], limits: RouteLimits, aim: Aim = 'inside', toLine?: ReadonlyMap<number, number>): Solved | undefined {
  const { layout } = standing
  const band = targetBand(standing.target)!
  const opens = way.down === 'spacer' && (way.grinding === 'open' || way.crowns === true)
  const off = (list: readonly Column[], face: (c: Column) => number, deck: (c: Column) => number) => {
    const range = rangeOf(list, c => ratioAt(c, { face: face(c), deck: deck(c), gives: gives(c) }))
    // What is opened afterwards brings up the others: the loosest is all that a spacer has to leave.
    if (opens) return shareOf(aim === 'edge' ? band.low : list[0]!.target) - shareOf(range.low)
    return aim === 'edge' ? offEdge(range, band, way.down !== 'spacer') : offTarget(range, list[0]!.target)
  }
  const deckMost = (i: number) => aim === 'inside' ? deckLimit(onBank[i]!, limits, way, faces) : DEEPEST
  const onHead = layout.heads.map((_, i) => columns.filter(c => c.head === i))
  const onBank = layout.banks.map((_, i) => columns.filter(c => c.bank === i))
  const cuts = layout.engine?.head !== 'blind'
  const least = cuts ? limits.faceLeast : 0
  let opened: Pick<Figures, 'ground' | 'crowned'> = { ground: new Map() }
  let sunk: Record<Valve, number> = NO_VALVE
  let pockets: Record<Valve, number> = NO_VALVE
  const gives = (c: Column) => (opened.ground.get(c.cylinder) ?? 0) + (opened.crowned?.get(c.cylinder) ?? 0) + (way.seats ? seatsGive(c.cones, sunk) : 0) + (way.pockets ? both(pocketsHold(c, pockets)) : 0)
  const faceFor = (i: number, decks: readonly number[]) => rootOf(d => off(onHead[i]!, () => d, c => decks[c.bank]!), 0, DEEPEST)
  const deckFor = (i: number, faces: readonly number[], low: number, high: number) => rootOf(k => off(onBank[i]!, c => faces[c.head]!, () => k), low, high)
  let faces = layout.heads.map(() => least)
  let decks = layout.banks.map(() => 0)
  // What is put under a barrel takes no metal: it goes as far as it may before anything is opened.
  const under = layout.banks.map((_, i) => {
    if (way.down !== 'spacer') return 0
    const most = opens || aim === 'inside' ? spacerLimit(onBank[i]!, limits) : DEEPEST
    const depth = clamp(-deckFor(i, faces, -most, 0), 0, most)
    return -(opens ? inSteps(depth, 0.01, Math.floor) : depth)
  })
  if (way.grinding === 'open' || way.crowns) {
    const found = openings(standing, way, columns, limits, aim, band, { face: least, decks: under }, toLine)
    if (!found) return undefined
    opened = found
  }
  let held = layout.heads.map(() => true)
  const mostFace = (i: number) => aim !== 'inside' ? Math.min(...onHead[i]!.map(c => roofOf(c.table))) : faceLimit(onHead[i]!, limits, way, Math.max(0, ...onHead[i]!.map(c => decks[c.bank]!)))
  // Where each would have to stop, as it stood when it was cut.
  let [faceStops, deckStops] = [layout.heads.map(() => DEEPEST), layout.banks.map(() => DEEPEST)]
  const cutFaces = () => {
    const wanted = layout.heads.map((_, i) => faceFor(i, decks))
    // Where no depth is enough, what the limit leaves is told, and what that comes to.
    faceStops = wanted.map((depth, i) => Math.max(least, depth < DEEPEST ? mostFace(i) : Math.min(mostFace(i), limits.faceMost)))
    faces = wanted.map((depth, i) => clamp(depth, least, faceStops[i]!))
    held = wanted.map((depth, i) => aim === 'edge' || Math.abs(depth - faces[i]!) > WORTH_CUTTING / 2)
  }
  const cutDecks = () => {
    deckStops = layout.banks.map((_, i) => deckMost(i))
    decks = layout.banks.map((_, i) => clamp(deckFor(i, faces, 0, DEEPEST), 0, deckStops[i]!))
  }
  /** Whether the first of two cuts comes there alone; said of the last round, for what follows a cut may ask for more of it. */
  let alone = false
  for (let round = 0; round < ROUNDS; round++) {
    // What is cut first goes as far as what the last round gave back lets it, and the rest follows.
    faces = layout.heads.map(() => least)
    decks = layout.banks.map(() => 0)
    switch (way.down) {
      case 'face': case 'roll':
        cutFaces()
        break
      case 'deck':
        cutDecks()
        break
      case 'spacer':
        decks = under
        break
      case 'faceDeck': {
        cutFaces()
        const stopped = layout.heads.some((_, i) => faces[i]! >= mostFace(i) - WORTH_CUTTING)
        cutDecks()
        alone = !stopped || decks.every(k => k < WORTH_CUTTING)
        held = held.map(() => true)
        break
      }
      case 'deckFace': case 'squishFace': {
        deckStops = layout.banks.map((_, i) => deckLimit(onBank[i]!, limits, way, faces))
        decks = deckStops.map((stop, i) => way.down === 'deckFace' ? stop : Math.min(stop, deckForSquish(onBank[i]!, limits)))
        alone = decks.every(k => k < WORTH_CUTTING) || layout.banks.every((_, i) => deckFor(i, faces, 0, DEEPEST) <= decks[i]! + WORTH_CUTTING)
        cutFaces()
        break
      }
      default: break
    }
    const before = [sunk, pockets]
    if (way.seats) sunk = valvesUp(columns, limits, way, faces, decks)
    // Cut in steps, they might go up and down with the depth for ever: they only get deeper.
    if (way.pockets) pockets = pocketsFor(columns, c => faces[c.head]! + decks[c.bank]!, sunk, pockets)
    if ([sunk, pockets].every((now, i) => now.intake === before[i]!.intake && now.exhaust === before[i]!.exhaust)) break
  }
  if (alone || (way.seats && both(sunk) === 0) || (way.pockets && both(pockets) === 0)) return undefined
  if (way.down === 'none' ? false : [...faces.map(d => d - least), ...decks.map(Math.abs)].every(d => d < WORTH_CUTTING)) return undefined
  // Nothing is rounded past the limit that it stops at, nor out of the band again where it is only to come inside.
  const set = (depth: number, limit: number) => aim === 'edge' ? Math.sign(depth) * inSteps(Math.abs(depth), 0.01, Math.ceil) : Math.min(hundredth(depth), limit)
  const most = faceStops.map(stop => Math.max(inSteps(least, 0.01, Math.ceil), inSteps(stop, 0.01, Math.floor)))
  faces = faces.map((depth, i) => set(depth, most[i]!))
  decks = decks.map((depth, i) => set(depth, inSteps(deckStops[i]!, 0.01, Math.floor)))
  const readings = columns.map(c => readingAt(c, { face: faces[c.head]!, deck: decks[c.bank]!, gives: gives(c) }, sunk, pockets))
  const ofPockets = () => ({ depth: pockets, cc: new Map(columns.map(c => [c.cylinder, pocketsHold(c, pockets)])) })
  return { figures: { faces, slope: 0, decks, ...opened, sunk, ...way.pockets ? { pockets: ofPockets() } : {} }, readings, held, ...aim === 'inside' ? { most } : {} }
}

/** In steps that somebody sets or orders by: a figure that is a step already stays, whichever way it is rounded. */
export const inSteps = (x: number, step: number, round = Math.round) => Math.round(round(Math.round(x / step * 1e6) / 1e6) * step * 100) / 100

/** A machine is set to a hundredth of a mm. */
export const hundredth = (mm: number) => Math.round(mm * 100) / 100

/** Whether a way's seat job has to bring an edge clear of the cut face: every seat, and a top cut that may not be touched. */
const isRecut = (kind: 'seat' | 'topCut', limits: RouteLimits, { seats }: Way) => seats !== undefined && (kind === 'seat' || !mayGo(kind, limits, { seats }))

/** Whether a way's pockets give this clearance back. */
const isPocketed = (name: ClearanceName, { pockets }: Way) => pockets === true && name !== 'domeToChamber'

/** How deep the pockets of each kind of valve have to be cut, the same on every cylinder, so that no valve comes too near; no less than `before`, and no more than is cut at all. */
function pocketsFor(columns: readonly Column[], drop: (c: Column) => number, sunk: Record<Valve, number>, before: Record<Valve, number>): Record<Valve, number> {
  const of = (valve: Valve) => Math.min(MOST_POCKET, Math.max(before[valve], ...columns.flatMap(c => c.before.rooms.flatMap(({ name, left, least, perMm }) => {
    const short = least - left + perMm * drop(c) - (c.perUp.get(name) ?? 0) * sunk[valve]
    // What was as near before is no reason to cut a crown.
    return valveOf(name) === valve && name !== 'domeToChamber' && perMm > 0 && short > 0 && drop(c) > 0 ? [inSteps((short + NEW_CLEARANCE) / perMm, POCKET_STEP, Math.ceil)] : []
  }))))
  return { intake: of('intake'), exhaust: of('exhaust') }
}

/** How far the valves of each kind go up in a seat job, so that every edge of it stands clear of the cut face and no piston is too near; no less than planned at Ports. */
function valvesUp(columns: readonly Column[], limits: RouteLimits, way: Way, faces: readonly number[], decks: readonly number[]): Record<Valve, number> {
  const of = (valve: Valve) => Math.max(0, ...columns.flatMap(c => [
    ...c.cones.flatMap(cone => cone.valve === valve ? [cone.up] : []),
    ...c.before.rooms.flatMap(({ name, left, least, perMm }) => {
      const per = valveOf(name) === valve && !isPocketed(name, way) ? c.perUp.get(name) ?? 0 : 0
      const drop = faces[c.head]! + decks[c.bank]!
      const short = least - left + perMm * drop
      // What was as near before is no reason to sink a valve.
      return per > 0 && short > 0 && drop > 0 ? [(short + NEW_CLEARANCE) / per] : []
    }),
    ...c.before.edges.flatMap(e => e.valve === valve && isRecut(e.kind, limits, way) && e.left < faces[c.head]! ? [(faces[c.head]! - e.left + NEW_SEAT) / c.lean[valve]] : [])
  ]))
  return { intake: hundredth(of('intake')), exhaust: hundredth(of('exhaust')) }
}
