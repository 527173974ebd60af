import { DomainError, above, atLeast } from '../domain'
import { directionIn, headPlane, type ChamberValve, type Pad } from '../chamber'
import type { Shroud } from './shroud'

/** How far to relieve: to the need over a range of lifts, to a pin gauge at one lift, to the scribed line, or not at all. */
export const SCHOOLS = ['match', 'pin', 'line', 'leave'] as const
export type School = (typeof SCHOOLS)[number]

/** An arc round a valve, degrees counter-clockwise; `to` may pass 360. */
export interface Arc { from: number, to: number }

/** What a wall may never pass. */
export interface WallLimits {
  /** Radius of the scribed line about the bore's centre, mm: the gasket's less its margin, or the bore where that is less. */
  line: number
  /** Squish pads, where they are kept. */
  pads: Pad[]
  /** Most metal that may come off a wall, mm, where somebody knows what is behind it. */
  into?: number
  /** A ray that passes a neighbouring valve's machined edge nearer than this faces that valve: nothing is taken there. mm. */
  fromSeat: number
}

/**
 * Radius of the scribed line: a gasket's ring less a margin, and never outside the bore.
 *
 * @param gasketBore and `bore` in mm, greater than 0; `margin` 0 or more
 * @returns mm
 * @throws RangeError when a value leaves its domain
 * @example scribedLine(94, 92, 0.5) // 46, the bore
 */
export function scribedLine(gasketBore: number, bore: number, margin: number): number {
  return Math.min(above('gasketBore', gasketBore, 0) / 2 - atLeast('margin', margin, 0), above('bore', bore, 0) / 2)
}

/**
 * How far from a valve's edge a wall may go at each azimuth, at a lift.
 *
 * @param valves of the chamber, `open` which of them, `lift` mm
 * @param limits see {@link WallLimits}
 * @param now gaps as they are, mm, and which of them end at the ceiling, where nothing can be taken
 * @returns mm from the valve's edge, −Infinity … where nothing may be taken the gap as it is
 * Source: the ray met with the line's circle and with each kept pad's chord; tangents from the valve's middle to a circle
 *   round each neighbour.
 * @example limitGaps([valve], 0, 6, { line: 25, pads: [], fromSeat: 1 }, shroud)[0] // 10, from an edge at 15 to the line at 25
 */
export function limitGaps(valves: ChamberValve[], open: number, lift: number, limits: WallLimits, { gap: now, roof }: Pick<Shroud, 'gap'> & { roof?: boolean[] }): number[] {
  const valve = valves[open]
  if (!valve) throw new DomainError('open', open, `the number of one of ${valves.length} valves`)
  const plane = headPlane(valve, lift)
  const { centre, radius: r } = plane
  return now.map((gap, i) => {
    if (roof?.[i]) return gap
    const d = directionIn(plane, i * 360 / now.length)
    const [px, py, dx, dy] = [centre[0], centre[1], d[0], d[1]]
    const a = dx * dx + dy * dy
    const b = px * dx + py * dy
    const c = px * px + py * py - limits.line ** 2
    let least = a < 1e-12 || b * b - a * c < 0 ? 0 : (-b + Math.sqrt(b * b - a * c)) / a
    for (const { towards, chord } of limits.pads) {
      const [nx, ny] = [Math.cos(towards * Math.PI / 180), Math.sin(towards * Math.PI / 180)]
      const rate = dx * nx + dy * ny
      if (rate > 1e-9) least = Math.min(least, (chord - px * nx - py * ny) / rate)
    }
    for (const [k, other] of valves.entries()) {
      if (k === open) continue
      // The neighbour's edge in plan, drawn round.
      const reach = other.diameter / 2 + other.topCutWidth + limits.fromSeat
      const [wx, wy] = [px - other.x, py - other.y]
      const along = wx * dx + wy * dy
      if (along < 0 && along * along > a * (wx * wx + wy * wy - reach * reach)) return gap
    }
    const room = least - r
    return Math.max(gap, limits.into === undefined ? room : Math.min(room, gap + limits.into))
  })
}

/** A valve's walls at one lift: gaps as they are, what is needed, and how far they may go. */
export interface WallAt { lift: number, shroud: Shroud, limit: number[] }

export interface WallProposal {
  /** Gap each lift is given, mm, in the order of the walls. */
  gaps: number[][]
  /** Radius about the valve's axis to cut to, by azimuth; 0 where nothing is taken. */
  radii: number[]
  /** Where metal comes out. */
  arcs: Arc[]
  /** Most that comes off a wall anywhere, mm. */
  deepest: number
  /** What stays short of the need, by the limits or because the school leaves it: where, and how much is missing there, per cent. */
  unmet: (Arc & { percent: number })[]
}

/** A wall further off than this share of the valve's radius is not on its side: across a neighbour, or the chamber's far end. */
const FAR = 0.75

/** Less than this is no metal worth taking, mm. */
const WORTH = 0.05

/**
 * The wall a school asks for.
 *
 * @param school see {@link School}; `pin` wants the walls at its one lift
 * @param radius of the valve, mm
 * @param walls at one lift or more, azimuths alike
 * @param pinDiameter mm, for the pin gauge
 * @returns see {@link WallProposal}
 * @throws RangeError when a value leaves its domain
 * Source: match: at each azimuth the largest gap any lift needs; pin: the pin's own diameter where it does not pass;
 *   line: all there is on the valve's own side. Each no further than its limit.
 * @example proposeWall('pin', 20, walls, 4).arcs // where a pin of 4 mm does not pass
 */
export function proposeWall(school: School, radius: number, walls: WallAt[], pinDiameter?: number): WallProposal {
  above('radius', radius, 0)
  if (walls.length === 0) throw new DomainError('walls', 0, 'one lift or more')
  const steps = walls[0]!.shroud.gap.length
  // Near its seat a tilted valve's plane meets the ceiling, which is no wall.
  const open = walls.filter(w => w.lift >= 0.3 * walls.at(-1)!.lift)
  const stopped = school === 'pin' ? walls.map(w => pinBlocked(radius, w.shroud.gap, above('pinDiameter', pinDiameter!, 0))) : []
  const wanted = Array.from({ length: steps }, (_, i): number => {
    switch (school) {
      case 'leave': return -Infinity
      case 'line': return open.some(w => w.shroud.gap[i]! < FAR * radius && w.limit[i]! > w.shroud.gap[i]!) ? Infinity : -Infinity
      case 'pin': {
        return stopped.some(places => places.has(i)) ? pinDiameter! : -Infinity
      }
      case 'match': return Math.max(...walls.map(w => w.shroud.gap[i]! < w.shroud.required - 1e-9 ? w.shroud.required : -Infinity))
    }
  })
  const gaps = walls.map(w => w.shroud.gap.map((now, i) => Math.max(now, Math.min(wanted[i]!, w.limit[i]!))))
  const radii = wanted.map((_, i) => {
    const most = Math.max(...walls.map((w, k) => gaps[k]![i]! > w.shroud.gap[i]! + WORTH ? gaps[k]![i]! : -Infinity))
    return most === -Infinity ? 0 : radius + most
  })
  // A sliver of a place or two is where the way just opens, not a wall.
  for (const arc of arcsOf(radii.map(ρ => ρ > 0))) {
    const span = inArc(arc, steps)
    if (span.length < Math.max(2, steps / 120)) for (const i of span) radii[i] = 0
  }
  const last = walls.at(-1)!
  const missing = last.shroud.gap.map((_, i) => {
    const have = gaps.at(-1)![i]!
    const need = last.shroud.required
    const passage = (g: number) => g <= 0 ? 0 : (radius + g) ** 2 - radius ** 2
    return have >= need - 1e-6 ? 0 : 100 * (1 - passage(have) / passage(need))
  })
  return {
    gaps, radii, arcs: arcsOf(radii.map(ρ => ρ > 0)),
    deepest: Math.max(0, ...walls.flatMap((w, k) => w.shroud.gap.map((now, i) => radii[i]! > 0 ? gaps[k]![i]! - now : 0))),
    unmet: arcsOf(missing.map(m => m > 1)).map((arc) => {
      const span = inArc(arc, steps).map(i => missing[i]!)
      return { ...arc, percent: span.reduce((a, b) => a + b, 0) / span.length }
    })
  }
}

/**
 * Neighbouring valves whose machined edge a cut would run into, in plan: whatever stands between is not asked.
 *
 * @param valves of the chamber, `open` the one that is cut round
 * @param radii about its axis at equal steps of azimuth, mm, 0 where nothing is cut
 * @returns each neighbour's number and how far past its edge the cut goes at most, mm
 * @throws RangeError when there is no such valve
 * Source: a cut runs out to its radius at each azimuth; past = edge radius − distance of that run from the neighbour's middle.
 * @example nicked([at(0, 30), at(40, 24)], 0, all(29)) // 12 and 0.5 mm of edge at 40: [{ valve: 1, past: 1.5 }]
 */
export function nicked(valves: ChamberValve[], open: number, radii: number[]): { valve: number, past: number }[] {
  const own = valves[open]
  if (!own) throw new DomainError('open', open, `the number of one of ${valves.length} valves`)
  const seat = headPlane(own, 0)
  return valves.flatMap((other, valve) => {
    if (valve === open) return []
    const edge = other.diameter / 2 + other.topCutWidth
    const [wx, wy] = [other.x - seat.centre[0], other.y - seat.centre[1]]
    const past = Math.max(...radii.map((radius, i) => {
      if (radius <= 0) return -Infinity
      const [dx, dy] = directionIn(seat, i * 360 / radii.length)
      const along = Math.min(radius, Math.max(0, (wx * dx + wy * dy) / (dx * dx + dy * dy)))
      return edge - Math.hypot(wx - along * dx, wy - along * dy)
    }))
    return past > 0.05 ? [{ valve, past }] : []
  })
}

/**
 * Places of an arc, as numbers into a round list.
 *
 * @example inArc({ from: 350, to: 10 + 360 }, 36) // [35, 0, 1]
 */
export function inArc({ from, to }: Arc, steps: number): number[] {
  const list: number[] = []
  for (let i = Math.round(from / 360 * steps); i <= Math.round(to / 360 * steps); i++) list.push(i % steps)
  return list
}

/**
 * Unbroken runs of a round list, as arcs from the first to the last place of each.
 *
 * @example arcsOf([true, true, false, true]) // one arc, from 270 to 450
 */
export function arcsOf(on: boolean[]): Arc[] {
  const n = on.length
  const step = 360 / n
  if (on.every(Boolean)) return [{ from: 0, to: 360 - step }]
  const begin = on.indexOf(false)
  const arcs: Arc[] = []
  let from = -1
  for (let k = 1; k <= n; k++) {
    const i = (begin + k) % n
    if (on[i] && from < 0) from = begin + k
    if (!on[i] && from >= 0) {
      arcs.push({ from: from % n * step, to: (from % n + (begin + k - 1 - from)) * step })
      from = -1
    }
  }
  return arcs
}

/**
 * Azimuths at which a round pin, rolled along a valve's edge, does not pass the wall.
 *
 * @param radius of the valve, `gap` from its edge to the wall at equal steps, `diameter` of the pin, mm
 * @returns numbers of the places where it is stopped: the first and last of a run are the two marks
 * @throws RangeError when the pin's diameter is not greater than 0
 * Source: the pin's middle runs at radius + d/2; it passes where no piece of the wall comes nearer to it than d/2.
 * @example pinBlocked(20, [3, 5, 5, 5], 4) // the first place: a pin of 4 does not pass 3 mm
 */
export function pinBlocked(radius: number, gap: number[], diameter: number): Set<number> {
  const half = above('diameter', diameter, 0) / 2
  const n = gap.length
  const at = (i: number, far: number): [number, number] => [far * Math.cos(2 * Math.PI * i / n), far * Math.sin(2 * Math.PI * i / n)]
  const wall = gap.map((g, i) => at(i, radius + Math.min(g, 1e4)))
  const blocked = new Set<number>()
  // A wall further off than the pin is wide plus this can't be met: only the places near it are looked at.
  const span = Math.ceil(n * Math.min(0.5, (diameter + 2) / (2 * Math.PI * radius) + 0.01))
  for (let i = 0; i < n; i++) {
    const [x, y] = at(i, radius + half)
    for (let k = -span; k < span; k++) {
      const [x1, y1] = wall[(i + k + n) % n]!
      const [x2, y2] = wall[(i + k + 1 + n) % n]!
      const [ex, ey] = [x2 - x1, y2 - y1]
      const s = Math.min(1, Math.max(0, ((x - x1) * ex + (y - y1) * ey) / (ex * ex + ey * ey || 1)))
      if (Math.hypot(x1 + s * ex - x, y1 + s * ey - y) < half - 1e-9 || gap[(i + n) % n]! < 0) {
        blocked.add(i)
        break
      }
    }
  }
  return blocked
}
