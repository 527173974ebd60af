import { DomainError, above, atLeast } from '../domain'
import { directionIn, distanceTo, headPlane, insideOutline, outlineArea, sectionLoops, sectionOf, thinned, valveFrame, type ChamberValve, type Mesh, type Point, type SectionLoop } from '../chamber'
import { passageOf, type Shroud } from './shroud'

/** What lies under the deck: the gasket's ring, then the bore. mm. */
export interface Below { bore: number, gasketBore: number, gasketThickness: number }

/** A chamber, and which of its valves is open. */
export interface SolidShroudCase {
  mesh: Mesh
  valves: ChamberValve[]
  /** Which of them opens. */
  open: number
  /** mm along the valve, above 0 */
  lift: number
  below: Below
  /** What has been cut off the face: the deck then lies at this height over the face as cast, in plan. */
  face?: { depth: number, slopeX: number, slopeY: number }
  /** mm² that are needed at this lift; the plain cylinder π·D·L when left out. */
  need?: number
  /** The mouth on the face as it is, from {@link mouthOn}, where many lifts are asked of one chamber. */
  mouth?: Point[]
}

/**
 * Walls as the solid has them: `roof` where the way ends at the ceiling, which no line on the face can move. A wall stands on
 * the mouth's edge and leans by less than 45°: a surface that lies flatter than that to the face, or further in from the
 * edge than it is high, is ceiling.
 */
export interface SolidShroud extends Shroud { roof: boolean[] }

const CEILING = Math.cos(45 * Math.PI / 180)

/**
 * The largest opening of a chamber on its face as it is, in plan, to 0.05 mm.
 *
 * @example mouthOn(mesh, { depth: 0.5, slopeX: 0, slopeY: 0 }).length // points of its outline, at most 0.05 mm off
 */
export function mouthOn(mesh: Mesh, face: NonNullable<SolidShroudCase['face']>): Point[] {
  const loops = sectionOf(mesh, { normal: [-face.slopeX, -face.slopeY, 1], offset: face.depth + 1e-6 })
    .map(loop => Array.from({ length: loop.length / 3 }, (_, i): Point => [loop[3 * i]!, loop[3 * i + 1]!]))
  return thinned(loops.sort((a, b) => outlineArea(b) - outlineArea(a))[0] ?? [], 0.05)
}

/** One place a degree. */
const STEPS = 360

/** The stretches of a ray that lie in air, as [from, to] pairs. */
type Stretches = [from: number, to: number][]

/** How far air reaches from the start of a ray without a break. A crack thinner than this is none. */
const CRACK = 1e-5
function reach(stretches: Stretches): number {
  let end = 0
  // The lists are short: a ray meets a handful of walls.
  for (let grew = true; grew;) {
    grew = false
    for (const [from, to] of stretches) {
      if (from <= end + CRACK && to > end + CRACK) {
        end = to
        grew = true
      }
    }
  }
  return end
}

/** Where a ray p + t·d lies within a cylinder round a line through c along a (a a unit vector), or nothing. */
function withinCylinder(p: number[], d: number[], c: number[], a: number[], radius: number): [number, number] | undefined {
  const w = [p[0]! - c[0]!, p[1]! - c[1]!, p[2]! - c[2]!]
  const dot = (u: number[], v: number[]) => u[0]! * v[0]! + u[1]! * v[1]! + u[2]! * v[2]!
  const [da, wa] = [dot(d, a), dot(w, a)]
  const A = dot(d, d) - da * da
  const B = dot(d, w) - da * wa
  const C = dot(w, w) - wa * wa - radius * radius
  if (A < 1e-12) return C <= 0 ? [-Infinity, Infinity] : undefined
  const root = B * B - A * C
  return root < 0 ? undefined : [(-B - Math.sqrt(root)) / A, (-B + Math.sqrt(root)) / A]
}

/**
 * How much a chamber's walls close the curtain of an open valve, in the valve head's own plane: walls of the solid, the
 * gasket's ring and the bore under the deck; a neighbouring valve that is shut is roof, not wall.
 *
 * @param of see {@link SolidShroudCase}
 * @returns see {@link SolidShroud}; azimuth in the valve head's plane, from the direction that lies over +x, towards +y
 * @throws RangeError when a value leaves its domain, or the valve's middle is not in air at this lift
 * Source: contract, core/shroud: rays in the valve head's plane at the lift; need per radian c, passage per radian
 *   ((r + g)² − r²)/2. Walls are the solid's own section by that plane.
 * @example shroudOnSolid({ mesh, valves, open: 0, lift: 8, below: { bore: 92, gasketBore: 94, gasketThickness: 1.2 } }).factor
 */
export function shroudOnSolid({ mesh, valves, open, lift, below, face, need, mouth }: SolidShroudCase): SolidShroud {
  const valve = valves[open]
  if (!valve) throw new DomainError('open', open, `the number of one of ${valves.length} valves`)
  above('lift', lift, 0)
  above('below.bore', below.bore, 0)
  above('below.gasketBore', below.gasketBore, 0)
  atLeast('below.gasketThickness', below.gasketThickness, 0)
  const plane = headPlane(valve, lift)
  const { centre, u, v, axis, radius: r } = plane
  const offset = axis[0] * centre[0]! + axis[1] * centre[1]! + axis[2] * centre[2]!
  const crossings = Array.from({ length: STEPS }, (): Crossing[] => [])
  for (const loop of sectionLoops(mesh, { normal: axis, offset })) cast(loop, centre, u, v, crossings)

  const deck = face ?? { depth: 0, slopeX: 0, slopeY: 0 }
  const up = [-deck.slopeX, -deck.slopeY, 1]
  const over = (p: number[]) => p[2]! - deck.depth - deck.slopeX * p[0]! - deck.slopeY * p[1]!
  const neighbours = valves.flatMap((other, i) => i === open ? [] : [{ frame: valveFrame(other), radius: other.diameter / 2 + other.topCutWidth }])
  const azimuth = Array.from({ length: STEPS }, (_, i) => i * 360 / STEPS)
  const rim = mouth ?? mouthOn(mesh, deck)
  const slant = axis[0] * up[0]! + axis[1] * up[1]! + axis[2]
  /** Whether a place, brought down to the face along the valve, lies further in from the mouth's edge than it is high. */
  const farIn = ([x, y]: number[], high: number) => {
    const foot: Point = [x! - axis[0] * high / slant, y! - axis[1] * high / slant]
    return insideOutline(rim, foot) && distanceTo(rim, foot) > high
  }
  const roof = azimuth.map(() => false)
  const gap = azimuth.map((degrees, i) => {
    const d = directionIn(plane, degrees)
    const air: Stretches = []
    const walls = crossings[i]!.map(c => c[0]).sort((a, b) => a - b)
    // From inside the first crossing goes out; from outside (under the deck) it comes in.
    const starts = walls.length % 2 === 1 ? [0, ...walls] : walls
    for (let k = 0; k + 1 < starts.length; k += 2) air.push([starts[k]!, starts[k + 1]!])
    underDeck(air, centre, d, over(centre), d[0]! * up[0]! + d[1]! * up[1]! + d[2]!, below)
    for (const { frame, radius } of neighbours) {
      const within = withinCylinder(centre, d, frame.seat, frame.axis, radius)
      if (within && within[1] > 0) air.push([Math.max(0, within[0]), within[1]])
    }
    const end = reach(air)
    const met = crossings[i]!.find(([away]) => Math.abs(away - end) <= CRACK)
    const place = centre.map((c, k) => c + d[k]! * end)
    const high = over(place)
    // Where no surface of the chamber ends it, it is the gasket's ring or the bore, or the far edge of a shut neighbour.
    roof[i] = high > 0 && (!met || lies(mesh, met[1]) > CEILING || farIn(place, high))
    return end - r
  })
  if (gap.every(g => g <= CRACK - r)) throw new DomainError('lift', lift, 'one at which the valve’s middle is in air')
  return { ...passageOf(r, azimuth, gap, need === undefined ? r * lift : atLeast('need', need, 0) / (2 * Math.PI)), roof }
}

/** How far along a ray it meets the solid, and in which triangle. */
type Crossing = [away: number, triangle: number]

/** Cosine of the angle a triangle makes with the face: 1 for a ceiling level with it, 0 for an upright wall. */
function lies({ positions: p, triangles: t }: Mesh, triangle: number): number {
  const [a, b, c] = [3 * t[3 * triangle]!, 3 * t[3 * triangle + 1]!, 3 * t[3 * triangle + 2]!]
  const [ux, uy, uz] = [p[b]! - p[a]!, p[b + 1]! - p[a + 1]!, p[b + 2]! - p[a + 2]!]
  const [vx, vy, vz] = [p[c]! - p[a]!, p[c + 1]! - p[a + 1]!, p[c + 2]! - p[a + 2]!]
  const [nx, ny, nz] = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx]
  return Math.abs(nz) / (Math.hypot(nx, ny, nz) || 1)
}

/** Distances from the middle at which the rays cross a loop of the section. */
function cast({ points: loop, triangles }: SectionLoop, centre: number[], u: number[], v: number[], crossings: Crossing[][]): void {
  const n = loop.length / 3
  const flat = (i: number): [number, number] => {
    const [x, y, z] = [loop[3 * i]! - centre[0]!, loop[3 * i + 1]! - centre[1]!, loop[3 * i + 2]! - centre[2]!]
    return [x * u[0]! + y * u[1]! + z * u[2]!, x * v[0]! + y * v[1]! + z * v[2]!]
  }
  let [x1, y1] = flat(n - 1)
  for (let i = 0; i < n; i++) {
    const [x2, y2] = flat(i)
    // Only the rays between the two ends' azimuths can cross this piece.
    const from = Math.atan2(y1, x1)
    let turn = Math.atan2(y2, x2) - from
    if (turn > Math.PI) turn -= 2 * Math.PI
    if (turn < -Math.PI) turn += 2 * Math.PI
    const step = 2 * Math.PI / STEPS
    const [low, high] = turn >= 0 ? [from, from + turn] : [from + turn, from]
    for (let k = Math.floor(low / step); k <= Math.ceil(high / step); k++) {
      const place = ((k % STEPS) + STEPS) % STEPS
      const t = place * step
      const [cx, cy] = [Math.cos(t), Math.sin(t)]
      // Which side of the ray either end lies on: a corner on the ray is on one side for both pieces it joins.
      if ((cx * y1 - cy * x1 >= 0) === (cx * y2 - cy * x2 >= 0)) continue
      const across = cx * (y2 - y1) - cy * (x2 - x1)
      const away = (x1 * (y2 - y1) - y1 * (x2 - x1)) / across
      if (away > 0) crossings[place]!.push([away, triangles[(i - 1 + n) % n]!])
    }
    ;[x1, y1] = [x2, y2]
  }
}

/** The stretch of a ray in the gasket's ring and in the bore. `height`: over the deck at its start, `rise`: of it for each mm. */
function underDeck(air: Stretches, centre: number[], d: number[], height: number, rise: number, { bore, gasketBore, gasketThickness }: Below): void {
  const between = (top: number, bottom: number): [number, number] | undefined => {
    // Where the ray's height over the deck lies between two levels.
    if (Math.abs(rise) < 1e-12) return height <= top && height >= bottom ? [0, Infinity] : undefined
    const [a, b] = [(top - height) / rise, (bottom - height) / rise]
    return [Math.max(0, Math.min(a, b)), Math.max(a, b)]
  }
  const add = (diameter: number, top: number, bottom: number) => {
    const level = between(top, bottom)
    const round = withinCylinder(centre, d, [0, 0, 0], [0, 0, 1], diameter / 2)
    if (!level || !round) return
    const [from, to] = [Math.max(level[0], round[0], 0), Math.min(level[1], round[1])]
    if (to > from) air.push([from, to])
  }
  add(gasketBore, 0, -gasketThickness)
  add(bore, -gasketThickness, -Infinity)
}
