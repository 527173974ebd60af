import type { Valve } from '../../ledger'
import type { ShopRules } from '../../shop'
import { quantityOf, squishOf, type ClearanceName, type Replay, type TargetBand } from '../../standing'
import type { CylinderAsIf } from '../asIf'
import { overLeast } from '../limits'
import { CLOSE_ENOUGH } from '../turned'
import type { RouteLimits } from './ask'
import { both } from './pockets'
import { NO_VALVE, type Bill, type Figures, type Way } from './way'

/** What a limit is about. `ratio`: the target's band; `squishWanted`: what a turned head's squish is to be at least, for its dome is opened after it. */
export type LimitKind = 'ratio' | 'seat' | 'topCut' | 'clearance' | 'squishLeast' | 'squishMost' | 'squishWanted' | 'face' | 'deck' | 'spacer' | 'seatsUp' | 'ground' | 'line' | 'crown' | 'deckLeft' | 'cam' | 'pushrod' | 'flange' | 'spread' | 'hours' | 'money'

/** A limit, by how much a route is past it or what it leaves: `figure` as it comes out, `bound` what it may be. */
export interface AtLimit { kind: LimitKind, figure: number, bound: number, cylinders: number[], valve?: Valve, clearance?: ClearanceName }
/** A limit with what a way leaves of it, below 0 past it; and whether the way takes any of it. */
export interface RoomAtLimit extends AtLimit { room: number, taken: boolean }

/** A limit that is broken, and by how many grains. */
export interface Breach extends AtLimit { grains: number }

/** What a step past a limit is counted in: mm, degrees, cc, ratio; hours and money as a share. */
const GRAIN = { mm: 0.05, degrees: 1, cc: 0.1, ratio: 0.02, share: 0.1 } as const
const GRAIN_OF: Record<LimitKind, keyof typeof GRAIN> = {
  ratio: 'ratio', seat: 'mm', topCut: 'mm', clearance: 'mm', squishLeast: 'mm', squishMost: 'mm', squishWanted: 'mm', face: 'mm', deck: 'mm', spacer: 'mm', seatsUp: 'mm', ground: 'cc', line: 'cc', crown: 'cc', deckLeft: 'mm', cam: 'degrees',
  pushrod: 'mm', flange: 'mm', spread: 'ratio', hours: 'share', money: 'share'
}
/** Depths are set and read to a hundredth of a mm: what is past a limit by less is at it. The target's band is what it says everywhere; of the rest it is what arithmetic leaves. */
const barely = (kind: LimitKind) => kind === 'squishWanted' ? CLOSE_ENOUGH / GRAIN.mm : GRAIN_OF[kind] === 'mm' ? 0.2 : kind === 'ratio' ? 0 : 1e-6

/** Where one cylinder would stand, as far as limits ask. mm, degrees. */
export interface Reading {
  cylinder: number
  ratio: number
  /** What runs of the squish, where that can be told, and with the engine still. */
  squish?: number
  squishStill?: number
  /** What of the squish goes, standing still. */
  squishTaken: number
  /** What it is to be at least, on a turned head. */
  squishWanted?: number
  edges: { kind: 'seat' | 'topCut', valve: Valve, left: number }[]
  /** Clearances: what is left, the least, and what a mm of drop takes. */
  rooms: { name: ClearanceName, left: number, least: number, perMm: number, taken: number }[]
  deckLeft?: number
  cam?: number
  pushrod?: number
  flange?: number
}

/**
 * What the limits ask of a cylinder as it would stand.
 *
 * @param c from {@link asIf}
 * @returns undefined where there is no ratio
 */
export function readingOf(standing: Replay, rules: ShopRules, c: CylinderAsIf): Reading | undefined {
  const ratio = c.state.ratio?.estimate.value
  if (ratio === undefined) return undefined
  const { moves } = c
  const drawn = (c.room?.valves ?? []).flatMap(({ valve: { valve }, seat, topCut }): Reading['edges'] => [
    { kind: 'seat', valve, left: seat.margin }, { kind: 'topCut', valve, left: topCut.margin }])
  const stated = c.valves.filter(v => !drawn.some(d => d.valve === v.valve)).flatMap(({ valve, seatLeft, topCutLeft }): Reading['edges'] => [
    ...seatLeft ? [{ kind: 'seat' as const, valve, left: seatLeft.value }] : [], ...topCutLeft ? [{ kind: 'topCut' as const, valve, left: topCutLeft.value }] : []])
  return {
    cylinder: c.cylinder, ratio, edges: [...drawn, ...stated], squish: c.squish.running?.gap.estimate.value, squishStill: c.squish.gap?.estimate.value,
    squishTaken: (squishOf(standing, c.cylinder).gap?.estimate.value ?? 0) - (c.squish.gap?.estimate.value ?? 0),
    ...standing.layout.engine?.head === 'turned' ? { squishWanted: quantityOf(standing, 'wantedSquish', c.cylinder)?.estimate.value } : {},
    rooms: c.clearances.map(step => ({ name: step.name, left: step.then.value, least: overLeast(standing, rules, c.cylinder, step).least, perMm: step.perMm, taken: step.now.value - step.then.value })),
    deckLeft: moves.deckLeft?.left, cam: moves.cam, pushrod: moves.pushrod === undefined ? undefined : Math.abs(moves.pushrod), flange: moves.flange && Math.abs(moves.flange.portsOff)
  }
}

/** Whether an edge may be cut by a way: an arc of a top cut, or of a seat that is cut anew afterwards. */
export const mayGo = (kind: 'seat' | 'topCut', { edges }: RouteLimits, { seats }: Pick<Way, 'seats'>): boolean => kind === 'topCut' ? edges !== 'never' : edges === 'seatJob' && seats === 'after'

/** What is to be kept: the target's band, the limits, and how many cc each drawn chamber has up to the scribed line. */
export interface Kept { band: TargetBand, limits: RouteLimits, toLine?: ReadonlyMap<number, number> }

/** Everything that is to be kept, with what a way leaves of it: `room` below 0 is past it. */
export function atLimits(way: Way, { band, limits, toLine }: Kept, readings: readonly Reading[], figures: Figures, bill: Bill): RoomAtLimit[] {
  const list: RoomAtLimit[] = []
  const add = (kind: LimitKind, cylinders: number[], figure: number, bound: number, side: 'least' | 'most', taken = true, valve?: Valve, clearance?: ClearanceName) =>
    list.push({ kind, cylinders, figure, bound, room: side === 'least' ? figure - bound : bound - figure, taken, valve, clearance })
  const [face, deck] = [Math.max(0, ...figures.faces), Math.max(0, ...figures.decks)]
  for (const { cylinder, ratio, squish, squishStill, squishTaken, squishWanted, edges, rooms, deckLeft, cam, pushrod, flange } of readings) {
    const mine = [cylinder]
    add('ratio', mine, ratio, band.low, 'least')
    add('ratio', mine, ratio, band.high, 'most')
    for (const { kind, valve, left } of edges) if (!mayGo(kind, limits, way)) add(kind, mine, left, 0, 'least', face > 0, valve)
    // What was as near before is no reason against a way.
    for (const { name, left, least, taken } of rooms) if (taken > 1e-9) add('clearance', mine, left, least, 'least', true, undefined, name)
    // What runs is less than what stands: where it is not known the minimum holds for that.
    const gap = squish ?? squishStill
    if (gap !== undefined && limits.squishLeast !== undefined) add('squishLeast', mine, gap, limits.squishLeast, 'least', squishTaken > 1e-9)
    if (squishWanted !== undefined && squishStill !== undefined) add('squishWanted', mine, squishStill, squishWanted, 'least', squishTaken > 1e-9)
    if (squish !== undefined && limits.squishMost !== undefined) add('squishMost', mine, squish, limits.squishMost, 'most')
    if (deckLeft !== undefined && limits.deckLeft !== undefined) add('deckLeft', mine, deckLeft, limits.deckLeft, 'least', face > 0)
    if (cam !== undefined && limits.camRetard !== undefined) add('cam', mine, cam, limits.camRetard, 'most')
    if (pushrod !== undefined && limits.pushrod !== undefined) add('pushrod', mine, pushrod, limits.pushrod, 'most')
    if (flange !== undefined && limits.flange !== undefined) add('flange', mine, flange, limits.flange, 'most')
    const ground = figures.ground.get(cylinder)
    if (ground !== undefined) add('ground', mine, ground, limits.groundMost, 'most')
    const [crowned, pocketed] = [figures.crowned?.get(cylinder), figures.pockets?.cc.get(cylinder)]
    if (crowned !== undefined || pocketed) add('crown', mine, (crowned ?? 0) + both(pocketed ?? NO_VALVE), limits.crownMost, 'most')
    const line = toLine?.get(cylinder)
    if (ground !== undefined && line !== undefined && !figures.shaped) add('line', mine, ground, line, 'most')
  }
  if (face > 0) add('face', [], face, limits.faceMost, 'most')
  if (deck > 0) add('deck', [], deck, limits.deckMost, 'most')
  if (Math.min(0, ...figures.decks) < 0) add('spacer', [], -Math.min(...figures.decks), limits.spacerMost, 'most')
  if (way.seats) add('seatsUp', [], Math.max(figures.sunk.intake, figures.sunk.exhaust), limits.seatsUp, 'most')
  if (limits.spread !== undefined && readings.length > 1) add('spread', [], spreadOf(readings), limits.spread, 'most')
  if (limits.hours !== undefined) add('hours', [], bill.hours, limits.hours, 'most')
  if (limits.money !== undefined) add('money', [], bill.money, limits.money, 'most')
  return list
}

/** Ratio, widest less narrowest. */
export const spreadOf = (readings: readonly Reading[]): number => readings.length > 1 ? Math.max(...readings.map(r => r.ratio)) - Math.min(...readings.map(r => r.ratio)) : 0

const sameLimit = (a: AtLimit, b: AtLimit) => a.kind === b.kind && a.bound === b.bound && a.valve === b.valve && a.clearance === b.clearance

const grainsOf = ({ kind, room, bound }: RoomAtLimit) => -room / (GRAIN_OF[kind] === 'share' ? GRAIN.share * Math.max(bound, 1e-9) : GRAIN[GRAIN_OF[kind]])

/**
 * The limits that a way breaks, each once with the worst of its cylinders first.
 *
 * @returns none where all are kept
 * Source: grains of 0.05 mm, 1°, 0.1 cc, 0.02 of ratio, a tenth of hours or money.
 */
export function breachesOf(list: readonly RoomAtLimit[]): Breach[] {
  const broken = list.filter(one => one.room < 0 && grainsOf(one) > barely(one.kind)).sort((a, b) => grainsOf(b) - grainsOf(a))
  const found: Breach[] = []
  for (const one of broken) {
    const before = found.find(f => sameLimit(f, one))
    const { kind, figure, bound, cylinders, valve, clearance } = one
    // A cylinder has several valves of a kind.
    if (before) before.cylinders = [...new Set([...before.cylinders, ...cylinders])]
    else found.push({ kind, figure, bound, cylinders: [...cylinders], grains: grainsOf(one), ...valve ? { valve } : {}, ...clearance ? { clearance } : {} })
  }
  return found
}

/** Limits that more metal uses up: of these the one with the least room is what holds a way. */
const USED_UP: readonly LimitKind[] = ['seat', 'topCut', 'clearance', 'squishLeast', 'face', 'deck', 'seatsUp', 'deckLeft', 'cam', 'pushrod', 'flange']

/**
 * What limits a way: the nearest of what it takes from, and more metal would use up. A face cut takes nothing from a squish in the
 * face, however little that has.
 *
 * @param cuts whether it cuts at all; else nothing is used up
 */
export function heldBy(list: readonly RoomAtLimit[], cuts: boolean): RoomAtLimit | undefined {
  const near = cuts ? list.filter(l => l.taken && USED_UP.includes(l.kind)).sort((a, b) => a.room - b.room) : []
  const [first] = near
  // Cylinders at which it comes at the same depth are named together.
  return first && { ...first, cylinders: [...new Set(near.filter(l => sameLimit(l, first) && l.room - first.room < 0.01).flatMap(l => l.cylinders))].sort((a, b) => a - b) }
}

/** Fewer limits broken, then less past them, is nearer. */
export function nearer(a: readonly Breach[], b: readonly Breach[]): number {
  const total = (list: readonly Breach[]) => list.reduce((sum, { grains }) => sum + grains, 0)
  return a.length - b.length || total(a) - total(b)
}
