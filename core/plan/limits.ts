import { faceLeft, isCutInto, type Cut, type Roll } from '../chamber'
import { differ } from '../domain'
import { cylindersOf, placeAlong, type OperationEntry, type Valve } from '../ledger'
import { cautiousLeast, leastClearance, windowFor, type ShopRules, type SquishWindow } from '../shop'
import { againstTarget, clearancesOf, knownQuantity, quantityOf, rodMaterialOf, targetBand, type ClearanceName, type ClearanceStep, type Replay, type SquishStanding } from '../standing'
import type { CylinderAsIf } from './asIf'
import { CLOSE_ENOUGH } from './turned'

/**
 * What a clearance keeps over the least the shop lets out, with the operations done.
 *
 * @param standing what replay gives
 * @param rules the shop's table
 * @param cylinder its number
 * @param clearance its name, and what is left of it
 * @returns the least and what is left over it, mm; below 0 it is too near
 * Source: the shop's table, by the rods' material; steel where nobody said which.
 * @example overLeast(standing, STARTING_RULES, 1, step) // { least: 2.5, over: −1.48 }
 */
export function overLeast(standing: Replay | undefined, rules: ShopRules, cylinder: number, { name, then }: Pick<ClearanceStep, 'name' | 'then'>): { least: number, over: number } {
  const least = leastClearance(rules, name, rodMaterialOf(standing, cylinder) ?? 'steel')
  return { least, over: differ(then.value, least) }
}

/**
 * The squish that a cylinder is to keep when it runs.
 *
 * @param standing what replay gives
 * @param rules the shop's table
 * @param cylinder its number
 * @returns mm: the window of such an engine by its rods, bore and revs, and its least; where the table has none, or nobody said how fast
 *   it turns, the table's most cautious minimum alone, or what the builder wants where that is tighter
 * @example squishToKeep(standing, STARTING_RULES, 1).least // 0.6, and the window it is of
 */
export function squishToKeep(standing: Replay, rules: ShopRules, cylinder: number): { window?: SquishWindow, least?: number } {
  const of = (quantity: 'bore' | 'revs' | 'wantedSquish') => quantityOf(standing, quantity, cylinder)?.estimate.value
  const [bore, revs, wanted] = [of('bore'), of('revs'), of('wantedSquish')]
  const rod = rodMaterialOf(standing, cylinder) ?? 'steel'
  const window = bore !== undefined && revs !== undefined ? windowFor(rules, { rod, bore, revs }) : undefined
  if (window) return { window, least: window.least }
  const least = cautiousLeast(rules, { rod, bore })
  return least === undefined ? {} : { least: Math.min(least, wanted === undefined ? Infinity : Math.max(0, wanted - CLOSE_ENOUGH)) }
}

/**
 * What is left of a squish, by what runs of it, or by the engine at rest where nobody knows that; and what is to be kept.
 *
 * @param squish as it stands, or would
 * @returns mm; `tight` where less is left than is to be kept
 * @example squishLeft(standing, STARTING_RULES, 1, squish) // { left: 0.52, least: 0.75, tight: true }
 */
export function squishLeft(standing: Replay, rules: ShopRules, cylinder: number, { running, gap }: Pick<SquishStanding, 'running' | 'gap'>): { left?: number, least: number, tight: boolean } {
  const left = (running?.gap ?? gap)?.estimate.value
  const { least = 0 } = squishToKeep(standing, rules, cylinder)
  return { ...left === undefined ? {} : { left }, least, tight: left !== undefined && differ(left, least) < 0 }
}

/** How far out a face has to be cut anew where nobody says how wide the head is, in bores: a gasket seals some way outside its bore. */
const REACH_OF_BORE = 0.75

/**
 * How far the edges of a head's face are from its middle, the way it is laid over.
 *
 * @param standing what replay gives
 * @param head its number
 * @param roll about the crank: to its sides; across it: to its ends
 * @returns mm; undefined where nobody stated the bore
 * Source: three quarters of a bore outside a bore's middle; the outermost bores by their spacing.
 * @example reachOf(standing, 1, 'acrossCrank') // 329: six bores of 92 mm, 104 mm apart
 */
export function reachOf({ layout, ledger }: Replay, head: number, roll: Roll): number | undefined {
  const row = cylindersOf(layout, head)
  const [bore, spacing] = (['bore', 'boreSpacing'] as const).map(quantity => row[0] === undefined ? undefined : knownQuantity(ledger, quantity, row[0])?.estimate.value)
  if (bore === undefined) return undefined
  const outermost = roll === 'aboutCrank' ? 0 : Math.max(...row.map(c => Math.abs(placeAlong(layout, c, spacing ?? bore))))
  return outermost + REACH_OF_BORE * bore
}

/** Less of the old face than this is gone with the burr, mm. */
const BURR = 0.005

/**
 * How much of its old face a head would keep beside a cut that is laid over.
 *
 * @param cut over the face as it is
 * @param reach mm, see {@link reachOf}
 * @returns mm; 0 where all of it is cut anew, or where nobody knows how far it reaches
 * Source: {@link faceLeft}.
 * @example oldFace({ depth: 0.5, slopeX: 0, slopeY: 0.02 }, 60) // 0.7
 */
export function oldFace(cut: Cut, reach: number | undefined): number {
  const left = faceLeft(cut, reach ?? 0)
  return left > BURR ? left : 0
}

/** What a head's cut would be past, and at which cylinder. Figures in mm, a ratio for the target. */
export type CutLimit = { cylinder: number } & (
  /** Metal of a seat goes: how far past its lowest edge the face then is; whether that edge's height is only assumed. */
  | { kind: 'seat', valve: Valve, figure: number, assumed: boolean }
  /** The face is through the chamber's roof: nothing is left of it. */
  | { kind: 'chamber' }
  /** The squish comes under what it is to keep, or piston and head meet: what is left, running where that is known. */
  | { kind: 'squish', figure: number, least: number }
  | { kind: 'clearance', clearance: ClearanceName, figure: number, least: number }
  | { kind: 'target', figure: number, high: number }
)

type Seat = Extract<CutLimit, { kind: 'seat' }>

/** The cut itself: off a face, or off a closed barrel's foot. */
const isCut = (operation: OperationEntry) => operation.kind === 'faceCut' || (operation.kind === 'deckCut' && operation.body.foot === true)

/** Of a limit only what the cut itself takes counts: what was too near without it is no reason against it. */
const taken = (step: ClearanceStep) => step.planned.some(p => isCut(p.operation) && p.change.value < 0)

/**
 * The limits a cut of a head, or of a closed barrel's foot, would be past, for all its cylinders: what can't be put back first.
 *
 * @param standing what replay gives
 * @param rules what the shop lets out
 * @param then where the head's cylinders would stand with the cut among the operations
 * @returns none where the cut keeps inside all of them
 * Source: seats by their margins all round, or by a stated height; the chamber by whether it holds anything; clearances and the running gap by what is left of them;
 *   the target by its band; a pad in the face keeps its squish whatever is cut.
 * @example cutLimits(standing, STARTING_RULES, asIf(standing, cut, chambers).cylinders)[0] // { kind: 'seat', valve: 'exhaust', cylinder: 4, figure: 0.12, assumed: false }
 */
export function cutLimits(standing: Replay, rules: ShopRules, then: readonly CylinderAsIf[]): CutLimit[] {
  const band = targetBand(standing.target)
  const seats = then.flatMap(({ cylinder, room, valves }) => {
    const drawn = (room?.valves ?? []).filter(v => v.seat.arcLost > 0).map(({ valve: { valve }, seat }): Seat => (
      { kind: 'seat', cylinder, valve, figure: -seat.margin, assumed: room?.seats[valve] === 'assumed' }))
    const known = new Set((room?.valves ?? []).map(v => v.valve.valve))
    const stated = valves.flatMap(({ valve, seatLeft }): Seat[] => !known.has(valve) && seatLeft && isCutInto(seatLeft.value) ? [{ kind: 'seat', cylinder, valve, figure: -seatLeft.value, assumed: false }] : [])
    return [...drawn, ...stated]
  })
  // A flat head may hold nothing to begin with.
  const through = then.flatMap(({ cylinder, state }): CutLimit[] => (state.parts.chamber?.estimate.value ?? 1) <= 0 && (standing.asIs.find(s => s.cylinder === cylinder)?.parts.chamber?.estimate.value ?? 0) > 0 ? [{ kind: 'chamber', cylinder }] : [])
  const engine = standing.layout.engine?.head
  const squish = then.flatMap(({ cylinder, squish }): CutLimit[] => {
    const closes = engine === 'turned' || engine === 'blind' || (quantityOf(standing, 'squishRecess', cylinder)?.estimate.value ?? 0) > 0
    const { left, least, tight } = squishLeft(standing, rules, cylinder, squish)
    // One that the cut leaves as it is counts only where it is known to touch when it runs.
    const past = closes ? tight || (left ?? 1) <= 0 : (squish.running?.gap.estimate.value ?? 1) <= 0
    return left !== undefined && past ? [{ kind: 'squish', cylinder, figure: left, least }] : []
  })
  const clearances = then.flatMap(({ cylinder, clearances }) => clearances.filter(taken).flatMap((step): CutLimit[] => {
    const { least, over } = overLeast(standing, rules, cylinder, step)
    return over < 0 ? [{ kind: 'clearance', cylinder, clearance: step.name, figure: step.then.value, least }] : []
  }))
  const target = then.flatMap(({ cylinder, state }): CutLimit[] => state.ratio && band && againstTarget(state, band) === 'over'
    ? [{ kind: 'target', cylinder, figure: state.ratio.estimate.value, high: band.high }]
    : [])
  // What was measured comes before what is only assumed.
  return [...seats.sort((a, b) => Number(a.assumed) - Number(b.assumed)), ...through, ...squish, ...clearances, ...target]
}

/**
 * Whether a piston has a dome that nobody measured to its chamber, which a cut brings nearer by as much.
 *
 * @param standing what replay gives
 * @param cylinder its number
 * @returns false where no crown is known: nothing is claimed of it then
 * @example domeUnmeasured(standing, 1) // true, with a crown of −8 cc
 */
export const domeUnmeasured = (standing: Replay, cylinder: number): boolean =>
  (quantityOf(standing, 'crownVolume', cylinder)?.estimate.value ?? 0) < 0 && !clearancesOf(standing, cylinder).some(({ name }) => name === 'domeToChamber')

/** Nearer than this two depths are one, mm. */
const ALIKE = 0.005

/** What a flat cut meets on its way down, and at which cylinders at that depth: an edge of a seat or top cut, or a clearance down to its least. */
export type Met = { cylinders: number[], depth: number } & ({ kind: 'seat' | 'topCut', valve: Valve } | { kind: 'clearance', clearance: ClearanceName })

/**
 * What a flat cut of a head meets, and how deep: each edge and clearance where it comes first.
 *
 * @param standing what replay gives
 * @param rules what the shop lets out
 * @param then where the head's cylinders would stand with a cut of `depth`
 * @param depth from the face as it is, mm
 * @returns depths from the face as it is, mm, the first met first; what a drop of the head leaves alone is not among them
 * Source: edges of a drawn chamber where the plane first touches them, of others by their stated height; a clearance is used
 *   up after what it keeps over its least, divided by what each mm of drop takes of it (valveClearanceLost).
 * @example metOnTheWay(standing, STARTING_RULES, cylinders, 1.2)[0] // { kind: 'topCut', valve: 'exhaust', cylinders: [4], depth: 0.26 }
 */
export function metOnTheWay(standing: Replay, rules: ShopRules, then: readonly CylinderAsIf[], depth: number): Met[] {
  const all = then.flatMap(({ cylinder, room, valves, clearances }): Met[] => {
    const drawn = (room?.valves ?? []).flatMap(({ valve: { valve }, seat, topCut }): Met[] => [
      { kind: 'seat', valve, cylinders: [cylinder], depth: seat.firstTouch }, { kind: 'topCut', valve, cylinders: [cylinder], depth: topCut.firstTouch }
    ])
    const stated = valves.filter(v => !drawn.some(d => 'valve' in d && d.valve === v.valve)).flatMap(({ valve, seatLeft, topCutLeft }): Met[] => [
      ...seatLeft ? [{ kind: 'seat' as const, valve, cylinders: [cylinder], depth: seatLeft.value + depth }] : [],
      ...topCutLeft ? [{ kind: 'topCut' as const, valve, cylinders: [cylinder], depth: topCutLeft.value + depth }] : []
    ])
    const used = clearances.filter(step => step.perMm > 0).map((step): Met => (
      { kind: 'clearance', clearance: step.name, cylinders: [cylinder], depth: depth + overLeast(standing, rules, cylinder, step).over / step.perMm }))
    return [...drawn, ...stated, ...used]
  }).filter(met => Number.isFinite(met.depth))
  const name = (met: Met) => met.kind === 'clearance' ? met.clearance : `${met.valve} ${met.kind}`
  const first = new Map<string, Met>()
  for (const met of all.sort((a, b) => a.depth - b.depth)) {
    const before = first.get(name(met))
    if (!before) first.set(name(met), met)
    else if (met.depth - before.depth < ALIKE) first.set(name(met), { ...before, cylinders: [...before.cylinders, ...met.cylinders].sort((a, b) => a - b) })
  }
  return [...first.values()]
}
