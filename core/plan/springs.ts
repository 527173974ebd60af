import { differ } from '../domain'
import { fromSource, DEFAULT_U } from '../estimate'
import { NOW, ofKind, operationsOn, scopeName, sunkBy, type EntryOf } from '../ledger'
import type { ShopRules } from '../shop'
import { portsIn, quantityOf, remembered, valveScope, type Part, type PortName, type Replay } from '../standing'
import { floatSpeed, retainerClearance, springLoad, springTravel } from '../valvetrain'
import { highestLift } from './shaping'

/** What a minimum is about: travel left before a coil is solid, or the way left from retainer to seal. */
export type SpringRoom = 'travel' | 'seal'

/** A valve's springs as they stand, shut and open. Lengths mm, loads N. */
export interface SpringStanding {
  port: PortName
  entry?: EntryOf<'installed'>
  lift: number
  /** Installed height and the way to the seal as they are: read, and what the valve went up since. */
  now?: { height: Part, seal?: number }
  /** The same with what is planned too: what follows is reckoned with these. */
  height?: Part
  seal?: number
  /** What it went up since it was read, done and planned, and the shim that gives the height back; nothing where nobody read it. */
  sunk: { done: number, planned: number }
  /** Loads shut and, where the lift is known, fully open; and what is left with it open: of the tightest coil. */
  loads?: { shut: number, open?: number }
  travel?: number
  sealLeft?: number
  /** What is under the shop's minimum, the worst first; `planned`: only with what is planned. */
  faults: { room: SpringRoom, left: number, least: number, planned: boolean }[]
}

/** Springs of one kind of valve, the last that were entered. */
export const springsOf = (r: Replay, valve: PortName['valve']): EntryOf<'spring'> | undefined =>
  remembered(r.ledger, 'springs', () => new Map(ofKind(r.live.entries, 'spring').map(e => [e.body.valve, e]))).get(valve)

/** How far seat work took a valve up since a place in the order of things, mm. */
function sunkSince(r: Replay, { cylinder, valve, n }: PortName, place: number) {
  const of = (list: Parameters<typeof operationsOn>[0]) => operationsOn(list, r.layout, cylinder, ['seatWork'])
    .reduce((sum, op) => sum + (op.kind === 'seatWork' ? sunkBy(op.body, valve, n) : 0), 0)
  return { done: of(r.done.filter(op => (r.ledger.place.get(op.id) ?? NOW) > place)), planned: of(r.planned) }
}

/**
 * A valve's springs: what they carry, and what is left of their travel, with everything done since the height was read and all
 * that is planned.
 *
 * @param rules the shop's minimums
 * @returns without loads where nobody entered the springs, without rooms where nobody read the height or the seal
 * Source: {@link springLoad}, {@link springTravel}, {@link retainerClearance}; a valve that goes up by s takes its retainer up by s.
 * @example springStanding(standing, STARTING_RULES, { cylinder: 1, valve: 'exhaust', n: 1 }).travel // 1.5 mm
 */
export function springStanding(r: Replay, rules: ShopRules, port: PortName): SpringStanding {
  const entry = remembered(r.ledger, 'installed', () => new Map(ofKind(r.live.entries, 'installed').map(e => [scopeName(e.scope), e]))).get(scopeName(valveScope(r.layout, port)))
  const { most: lift } = highestLift(r, port.cylinder, { valve: port.valve, diameter: 0 })
  const sunk = entry ? sunkSince(r, port, r.ledger.place.get(entry.id) ?? NOW) : { done: 0, planned: 0 }
  const coils = springsOf(r, port.valve)?.body.coils
  const at = (up: number) => {
    const height = entry && entry.body.height.value + up
    const seal = entry?.body.seal && entry.body.seal.value + up
    return {
      height, seal,
      travel: height === undefined || !coils || lift <= 0 ? undefined : Math.min(...coils.map(c => springTravel({ installedHeight: height, lift, solidHeight: c.solid.value }))),
      sealLeft: seal === undefined || lift <= 0 ? undefined : retainerClearance({ retainerToSeal: seal, lift }),
      loads: height === undefined || !coils ? undefined : { shut: loadOf(coils, height), ...lift > 0 ? { open: loadOf(coils, Math.max(0, height - lift)) } : {} }
    }
  }
  const [now, then] = [at(sunk.done), at(sunk.done + sunk.planned)]
  const under = (room: SpringRoom, was: number | undefined, left: number | undefined, least: number) => left !== undefined && differ(left, least) < 0 ? [{ room, left, least, planned: was === undefined || differ(was, least) >= 0 }] : []
  const part = (height: number, moved: number): Part => ({ estimate: fromSource(height, DEFAULT_U.valveHeight, `entry:${entry!.id}`), provenance: moved === 0 ? 'measured' : 'derived', entries: [entry!.id] })
  return {
    port, lift, sunk, ...entry ? { entry } : {},
    ...now.height !== undefined ? { now: { height: part(now.height, sunk.done), ...now.seal !== undefined ? { seal: now.seal } : {} } } : {},
    ...then.height !== undefined ? { height: part(then.height, sunk.done + sunk.planned) } : {},
    ...then.seal !== undefined ? { seal: then.seal } : {}, ...then.loads ? { loads: then.loads } : {}, ...then.travel !== undefined ? { travel: then.travel } : {}, ...then.sealLeft !== undefined ? { sealLeft: then.sealLeft } : {},
    faults: [...under('travel', now.travel, then.travel, rules.springs.travelLeast), ...under('seal', now.sealLeft, then.sealLeft, rules.springs.sealLeast)].sort((a, b) => a.left - a.least - (b.left - b.least))
  }
}

/** Load of all coils at one height, N. */
const loadOf = (coils: EntryOf<'spring'>['body']['coils'], height: number) => coils.reduce((sum, c) => sum + springLoad({ rate: c.rate.value, freeLength: c.free.value }, height), 0)

/** Every valve's springs, in the engine's order. */
export const allSprings = (r: Replay, rules: ShopRules): SpringStanding[] => portsIn(r.layout).map(port => springStanding(r, rules, port))

/** Thinner than this no shim is cut, mm. */
export const THINNEST_SHIM = 0.02

/**
 * The shim that brings a valve's shut load to that of the strongest of its kind that has its room, so that all carry the same.
 *
 * @param all springs of the engine's valves of one kind, of which each is to carry as much
 * @returns mm under its spring, 0 for the strongest; undefined where its height is not known, or it is short of room and wants a shim less
 * Source: loads fall with the height alone: the shim is the difference of installed heights.
 * @example shimToEven(all, all[2]) // 0.4 mm
 */
export function shimToEven(all: readonly SpringStanding[], one: SpringStanding): number | undefined {
  const short = (s: SpringStanding) => s.faults.some(f => f.room === 'travel')
  const heights = all.flatMap(s => s.height && !short(s) ? [s.height.estimate.value] : [])
  return one.height && !short(one) && heights.length > 1 ? one.height.estimate.value - Math.min(...heights) : undefined
}

/**
 * No higher than this may the engine turn before a valve of a kind leaves its cam: the first of them to, each by its own height, cam and mass.
 *
 * @returns rpm; undefined where the cam's table, the springs, a height or what moves is not known, or the table's steps are uneven
 * Source: {@link floatSpeed}.
 */
function floatBound(r: Replay, rules: ShopRules, valve: PortName['valve']): number | undefined {
  const springs = springsOf(r, valve)?.body.coils.map(c => ({ rate: c.rate.value, freeLength: c.free.value }))
  if (!springs) return undefined
  return leastOf(allSprings(r, rules).filter(s => s.port.valve === valve).map(({ port: { cylinder }, height }) => {
    const mass = quantityOf(r, `${valve}MovingMass`, cylinder)?.estimate.value
    const rows = highestLift(r, cylinder, { valve, diameter: 0 }).entry?.body.rows
    if (!height || mass === undefined || !rows || rows.length < 5) return undefined
    const step = rows[1]!.angle - rows[0]!.angle
    if (rows.some((row, i) => i > 0 && Math.abs(row.angle - rows[i - 1]!.angle - step) > 1e-6)) return undefined
    return floatSpeed({ liftTable: rows, movingMass: mass * 1000, springs, installedHeight: height.estimate.value })?.rpm
  }))
}

/** The least of what is known; nothing where nothing is. */
const leastOf = (list: readonly (number | undefined)[]): number | undefined => {
  const known = list.filter(x => x !== undefined)
  return known.length > 0 ? Math.min(...known) : undefined
}

/**
 * Where valves of a kind leave their cam, rpm: as it was seen, else the bound that the springs give. `over`: the engine is built to turn
 * faster. `before`: as it was seen with other springs, which says nothing of these.
 */
export interface FloatStanding { rpm: number, seen: boolean, over?: { revs: number }, before?: number }

/** Whether other springs were entered after their valves were seen to float. */
function springsChangedSince(r: Replay, valve: PortName['valve'], seen: string): boolean {
  const at = r.ledger.place.get(seen) ?? NOW
  const all = ofKind(r.live.entries, 'spring').filter(e => e.body.valve === valve)
  const then = all.filter(e => r.ledger.place.get(e.id)! < at).at(-1)
  return then !== undefined && JSON.stringify(then.body.coils) !== JSON.stringify(all.at(-1)!.body.coils)
}

/**
 * The speed at which valves of a kind float.
 *
 * @returns what was first seen on the engine, at whichever of its valves, before what is worked out of its springs: surge and flex are in the one and not in the other
 * @example floatOf(standing, STARTING_RULES, 'intake') // { rpm: 7430, seen: false }
 */
export function floatOf(r: Replay, rules: ShopRules, valve: PortName['valve']): FloatStanding | undefined {
  // One camshaft or not, the engine turns no faster than the first of its valves lets it.
  const known = (name: 'revs' | 'intakeFloat' | 'exhaustFloat') => r.layout.cylinders.flatMap(cylinder => quantityOf(r, name, cylinder) ?? []).sort((a, b) => a.estimate.value - b.estimate.value)
  const [ever, revs] = [known(`${valve}Float`)[0], known('revs').at(-1)?.estimate.value]
  const other = ever !== undefined && springsChangedSince(r, valve, ever.entries[0]!)
  const seen = other ? undefined : ever?.estimate.value
  const rpm = seen ?? floatBound(r, rules, valve)
  return rpm === undefined ? undefined : { rpm, seen: seen !== undefined, ...revs !== undefined && revs > rpm ? { over: { revs } } : {}, ...other ? { before: ever.estimate.value } : {} }
}
