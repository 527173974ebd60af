import type { CrossSection } from 'manifold-3d'
import { DomainError } from '../../domain'
import { madeClosed, type Mesh } from '../mesh'
import type { Point } from './outline'
import { ceiling, underWall, valveFrame } from './roof'
import type { SolidKit } from './solid'
import type { ChamberSpec, ChamberValve } from './spec'

/** How finely a chamber is meshed. `along`: longest edge along walls, `wall` and `roof`: steps inward, mm. */
export interface Fineness { along: number, wall: number, roof: number, around: number }
export const FINE: Fineness = { along: 0.78, wall: 0.29, roof: 0.51, around: 144 }

/**
 * The plan of a chamber cut into triangles, on rings that run at fixed distances from the mouth's edge: walls and
 * radii are then true wherever the ceiling goes, and a change of ceiling or walls only lifts corners.
 */
export interface Rings {
  /** xy of each corner; the first ones are the mouth's edge on the face. */
  plan: Float64Array
  /** Distance in from the mouth's edge of each corner, mm; −1 for those on the face. */
  away: Float64Array
  triangles: Uint32Array
  /** How far in the second ring runs, mm. */
  step: number
}

/** No edge longer than a length. */
function divided(points: Point[], longest: number): Point[] {
  return points.flatMap(([x, y], i): Point[] => {
    const [u, v] = points[(i + 1) % points.length]!
    const n = Math.max(1, Math.ceil(Math.hypot(u - x, v - y) / longest))
    return Array.from({ length: n }, (_, k): Point => [x + (u - x) * k / n, y + (v - y) * k / n])
  })
}

/** A triangle of less is one of rounding, mm². */
const SLIVER = 1e-9

/** Corner numbers of polygons in the order the triangulation counts them. */
function numbers(from: number, polygons: Point[][], turn: boolean): number[] {
  let n = from
  return polygons.flatMap((polygon) => {
    const own = polygon.map(() => n++)
    return turn ? own.reverse() : own
  })
}

/**
 * Triangles between a closed polygon and one within it that runs alongside: at each step on along the one whose next corner is nearer.
 *
 * @param outer, inner counter-clockwise, mm
 * @returns corner numbers counter-clockwise, outer's before inner's; undefined where some triangle would be turned over, which a polygon
 *   with spikes makes: one that covers the strip once turns none, for its edge is the strip's own
 * @example strip(square of 4, square of 2).length // 8 triangles, 24 corners
 */
export function strip(outer: Point[], inner: Point[]): number[] | undefined {
  const apart = (a: Point, b: Point) => (a[0] - b[0]) ** 2 + (a[1] - b[1]) ** 2
  const [n, m] = [outer.length, inner.length]
  const begin = inner.reduce((near, p, k) => apart(outer[0]!, p) < apart(outer[0]!, inner[near]!) ? k : near, 0)
  const corners: number[] = []
  for (let i = 0, j = 0; i < n || j < m;) {
    const [a, b, c, d] = [i % n, (i + 1) % n, (begin + j) % m, (begin + j + 1) % m]
    const along = j === m || (i < n && apart(outer[b]!, inner[c]!) <= apart(outer[a]!, inner[d]!))
    const [p, q, r] = [outer[a]!, along ? outer[b]! : inner[d]!, inner[c]!]
    if (!((q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0]) > SLIVER)) return undefined
    corners.push(a, along ? b : n + d, n + c)
    if (along) i++
    else j++
  }
  return corners
}

/**
 * Cuts the mouth of a chamber into rings.
 *
 * @param kit the solids package: its polygon offset and triangulation
 * @param mouth closed polygon, counter-clockwise, mm
 * @param fine how finely, `zone`: how far in the walls reach, `corner`: a distance at which the ceiling has an edge
 */
export function ringsOf(kit: SolidKit, mouth: Point[], fine: Fineness, zone: number, corner?: number): Rings {
  const section = new kit.CrossSection([mouth])
  const plan: number[] = []
  const away: number[] = []
  const triangles: number[] = []
  const put = (polygons: Point[][], at: number) => {
    const from = away.length
    for (const [x, y] of polygons.flat()) {
      plan.push(x, y)
      away.push(at)
    }
    return from
  }
  const fill = (polygons: Point[][], corners: number[], up: boolean) => {
    for (const [a, b, c] of kit.triangulate(polygons)) triangles.push(corners[a]!, corners[up ? b : c]!, corners[up ? c : b]!)
  }
  let ring = section.toPolygons().map(polygon => divided(polygon, fine.along))
  if (ring.length === 0) throw new DomainError('mouth', mouth.length, 'an outline round some area')
  const base = put(ring, -1)
  fill(ring, numbers(base, ring, false), false)
  let from = put(ring, 0)
  let first = 0
  for (const polygon of ring) {
    polygon.forEach((_, i) => {
      const next = (i + 1) % polygon.length
      const [a, b, c, d] = [base + first + i, base + first + next, from + first + next, from + first + i]
      triangles.push(a, b, c, a, c, d)
    })
    first += polygon.length
  }
  for (let at = 0; ;) {
    const step = at < zone ? fine.wall : fine.roof
    at = corner !== undefined && corner > at + 0.01 && corner <= at + step ? corner : at + step
    const shrunk: CrossSection = section.offset(-at, 'Miter', 3)
    const next = shrunk.toPolygons().filter(polygon => polygon.length > 2).map(polygon => divided(polygon, fine.along))
    shrunk.delete()
    if (next.length === 0) break
    const to = put(next, at)
    // The package's triangulation takes whatever there is, and most of the time that a plan takes.
    const between = ring.length === 1 && next.length === 1 ? strip(ring[0]!, next[0]!) : undefined
    if (between) for (const corner of between) triangles.push(from + corner)
    else fill([...ring, ...next.map(polygon => [...polygon].reverse())], [...numbers(from, ring, false), ...numbers(to, next, true)], true)
    ring = next
    from = to
  }
  fill(ring, numbers(from, ring, false), true)
  section.delete()
  return { plan: Float64Array.from(plan), away: Float64Array.from(away), triangles: Uint32Array.from(triangles), step: away.find(at => at > 0) ?? fine.wall }
}

/** The ceiling is held this far under the machined edge, so that the form's own solid cuts it cleanly, mm. */
const UNDER = 0.001

/** Top of what a valve's cutters leave over a place of the plan, mm; below any chamber where they never were. */
export function machinedTop(valve: ChamberValve): (x: number, y: number) => number {
  const { axis: [ax, ay, az], seat: [sx, sy, sz], seatRadius, edgeRadius: edge } = valveFrame(valve)
  const slope = Math.tan(valve.topCutAngle * Math.PI / 180)
  const down = (edge - seatRadius) * slope
  const within = (x: number, y: number, z: number) => {
    const dx = x - sx
    const dy = y - sy
    const dz = z - sz
    const t = dx * ax + dy * ay + dz * az
    if (t > 0) return false
    const rho2 = dx * dx + dy * dy + dz * dz - t * t
    const reach = t <= -down ? edge : seatRadius - t / slope
    return rho2 <= reach * reach
  }
  return (x, y) => {
    let high = sz - (ax * (x - sx) + ay * (y - sy)) / az
    if (within(x, y, high - 1e-6)) return high
    // Under the seat's plane the line through the place may still pass the cone or the cutter's side, most likely just
    // under it and in any case within what the tilt shifts them by.
    for (let step = 0.25, low = high - step; low > 0; step *= 1.5, low -= step) {
      if (!within(x, y, low)) {
        high = low
        continue
      }
      for (let i = 0; i < 14; i++) {
        const middle = (low + high) / 2
        if (within(x, y, middle)) low = middle
        else high = middle
      }
      return low
    }
    return -Infinity
  }
}

/** In how many places a wall that ends before the second ring is summed up. */
const WALL_SUMS = 24

/**
 * How high the wall stands on the mouth's edge itself, so that the strip up to the second ring holds what it holds under the
 * wall: 0 on a wall that reaches as far, the whole height on an upright one, and what lies between for one that leans less.
 * Source: the trapezium's rule turned round, edge = 2·∫h/step − h(step).
 */
function edgeHeight(step: number, roof: number, draft: number, floorRadius: number): number {
  let sum = 0
  for (let i = 0; i < WALL_SUMS; i++) sum += underWall(step * (i + 0.5) / WALL_SUMS, roof, draft, floorRadius)
  return Math.max(0, 2 * sum / WALL_SUMS - underWall(step, roof, draft, floorRadius))
}

/**
 * Lifts the rings of a chamber to its ceiling.
 *
 * @param rings from {@link ringsOf}
 * @param spec see {@link ChamberSpec}
 * @param stretch and `draft` of ceiling and walls
 * @param forms whether the valves' machined forms are drawn into the ceiling too, as well as the rings can follow
 *   them: what a drag is answered with until the solid itself is ready
 * @returns a closed mesh
 */
export function lifted(rings: Rings, spec: ChamberSpec, stretch: number, draft: number, forms: boolean): Mesh {
  const over = ceiling(spec, stretch)
  const tops = forms
    ? spec.valves.map((valve) => {
        const { seat: [x, y], edgeRadius } = valveFrame(valve)
        const r = valve.diameter / 2
        const cos = Math.cos(valve.tilt * Math.PI / 180)
        return { top: machinedTop(valve), x, y, in2: (r * cos - 0.5) ** 2, out2: (edgeRadius + 4) ** 2 }
      })
    : []
  const n = rings.away.length
  const positions = new Float64Array(3 * n)
  for (let i = 0; i < n; i++) {
    const x = rings.plan[2 * i]!
    const y = rings.plan[2 * i + 1]!
    const away = rings.away[i]!
    positions[3 * i] = x
    positions[3 * i + 1] = y
    if (away < 0) continue
    let z = 0.02
    let seated = false
    for (let k = 0; k < tops.length; k++) {
      const { top, x: vx, y: vy, out2, in2 } = tops[k]!
      const far2 = (x - vx) * (x - vx) + (y - vy) * (y - vy)
      if (far2 > out2) continue
      z = Math.max(z, top(x, y))
      // Well inside a seat there is only the valve's face: no ceiling is wanted there.
      seated ||= far2 < in2
    }
    if (seated) {
      positions[3 * i + 2] = z
      continue
    }
    const roof = Math.max(0.05, over(x, y))
    positions[3 * i + 2] = Math.max(z, (away > 0 ? underWall(away, roof, draft, spec.floorRadius) : edgeHeight(rings.step, roof, draft, spec.floorRadius)) - UNDER)
  }
  return madeClosed({ positions, triangles: rings.triangles })
}
