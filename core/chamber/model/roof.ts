import { domeHeight, type Dome, type TurnedShape } from '../../lathe'
import type { ChamberSpec, ChamberValve, Roof } from './spec'

const RADIANS = Math.PI / 180

/** How far from a seat's machined edge the ceiling takes to become its own again, mm. */
const FADE = 5

export interface ValveFrame {
  /** Unit vector along the stem, up into the head. */
  axis: [number, number, number]
  /** Middle of the seat's outer edge, as it stands now: sunk with the valve. */
  seat: [number, number, number]
  /** Middle of the top cut's outer edge, as it stands now. */
  topCut: [number, number, number]
  /** Radii of both edges, mm. */
  seatRadius: number
  topCutRadius: number
  /** How far out the top cut's cone runs in a ceiling that the valve was sunk into. */
  edgeRadius: number
  /** Where the top cut's edge was before the valve was sunk: there the ceiling meets it. */
  form: [number, number, number]
  formRadius: number
}

/**
 * Where a valve's machined edges lie in the chamber frame.
 *
 * @param valve see {@link ChamberValve}
 * @returns middles, axis and radii of seat and top cut, mm
 * Source: plane geometry: a circle of radius R whose axis leans by τ reaches R·sinτ below its middle; a top cut of
 *   radial width w at α from the valve head's plane lies w·tanα below the seat, and sinking it whole by s carries it
 *   along the axis and widens it in the ceiling by s/tanα.
 * @example valveFrame({ x: 23.5, y: 3.5, diameter: 36.4, tilt: 26, leans: 270, seatHeight: 0.7, sunk: 0, … }).seat // [23.5, 3.5, 8.678]
 */
export function valveFrame(valve: ChamberValve): ValveFrame {
  const tilt = valve.tilt * RADIANS
  const leans = valve.leans * RADIANS
  const axis: ValveFrame['axis'] = [Math.sin(tilt) * Math.cos(leans), Math.sin(tilt) * Math.sin(leans), Math.cos(tilt)]
  const along = (from: [number, number, number], by: number): [number, number, number] =>
    [from[0] + axis[0] * by, from[1] + axis[1] * by, from[2] + axis[2] * by]
  const R = valve.diameter / 2
  const original: [number, number, number] = [valve.x, valve.y, valve.seatHeight + R * Math.sin(tilt)]
  const down = valve.topCutWidth * Math.tan(valve.topCutAngle * RADIANS)
  const seat = along(original, valve.sunk)
  return {
    axis, seat, topCut: along(seat, -down), seatRadius: R, topCutRadius: R + valve.topCutWidth,
    edgeRadius: R + valve.topCutWidth + valve.sunk / Math.tan(valve.topCutAngle * RADIANS),
    form: along(original, -down), formRadius: R + valve.topCutWidth
  }
}

export interface HeadPlane { centre: [number, number, number], u: [number, number, number], v: [number, number, number], axis: [number, number, number], radius: number }

/**
 * The plane of a valve's head at a lift, and directions in it: u lies over +x, v towards +y.
 *
 * @param valve see {@link ChamberValve}
 * @param lift mm along the valve, 0 when shut
 * @returns middle of the seat's outer edge moved down by the lift, unit vectors, the seat's outer radius
 * Source: u = y × axis made a unit vector, v = axis × u.
 */
export function headPlane(valve: ChamberValve, lift: number): HeadPlane {
  const { axis, seat, seatRadius } = valveFrame(valve)
  const long = Math.hypot(axis[2], axis[0])
  const u: HeadPlane['u'] = [axis[2] / long, 0, -axis[0] / long]
  const v: HeadPlane['v'] = [axis[1] * u[2] - axis[2] * u[1], axis[2] * u[0] - axis[0] * u[2], axis[0] * u[1] - axis[1] * u[0]]
  return { centre: [seat[0] - axis[0] * lift, seat[1] - axis[1] * lift, seat[2] - axis[2] * lift], u, v, axis, radius: seatRadius }
}

/** A direction in the plane of a valve's head, from its azimuth in degrees. */
export function directionIn({ u, v }: HeadPlane, azimuth: number): [number, number, number] {
  const [cos, sin] = [Math.cos(azimuth * Math.PI / 180), Math.sin(azimuth * Math.PI / 180)]
  return [u[0] * cos + v[0] * sin, u[1] * cos + v[1] * sin, u[2] * cos + v[2] * sin]
}

/** Height of the lowest edge of a valve's top cut over the face, mm, from that of its seat. */
export function topCutHeight(valve: ChamberValve): number {
  const { topCut, topCutRadius } = valveFrame(valve)
  return topCut[2] - topCutRadius * Math.sin(valve.tilt * RADIANS)
}

/**
 * Radial width of a top cut, from how far its low edge lies below that of the seat.
 *
 * @param below seat height less top-cut height, mm, 0 or more
 * @param tilt of the valve and `angle` of the top cut, degrees
 * @returns mm
 * Source: the reverse of {@link topCutHeight}: w·(tanα·cosτ + sinτ) lies between the two edges.
 * @example topCutWidth(0.45, 24, 30) // 0.482 mm
 */
export function topCutWidth(below: number, tilt: number, angle: number): number {
  return below / (Math.tan(angle * RADIANS) * Math.cos(tilt * RADIANS) + Math.sin(tilt * RADIANS))
}

function bare({ roof }: ChamberSpec): (x: number, y: number) => number {
  switch (roof.shape) {
    case 'plane': {
      const [ux, uy] = [Math.cos(roof.rises * RADIANS), Math.sin(roof.rises * RADIANS)]
      const k = Math.tan(roof.slope * RADIANS)
      return (x, y) => roof.height + k * (x * ux + y * uy)
    }
    case 'ridge': {
      const [ux, uy] = [Math.cos(roof.rises * RADIANS), Math.sin(roof.rises * RADIANS)]
      const k = Math.tan(roof.slope * RADIANS)
      return (x, y) => roof.height - k * Math.abs(x * ux + y * uy)
    }
    case 'sphere': return (x, y) => roof.height - roof.radius + Math.sqrt(Math.max(0, roof.radius ** 2 - x * x - y * y))
    case 'turned': throw new Error('a turned roof is known by its own profile')
  }
}

/**
 * The ceiling of a chamber over each place of its mouth, apart from walls. Round a valve it is the plane of the
 * machined edge, which stays; away from it the roof stretches with what the pour says.
 *
 * @param spec see {@link ChamberSpec}
 * @param stretch factor on the roof between the seats, 1 as drawn
 * @returns height over the face in mm at x, y
 */
export function ceiling(spec: ChamberSpec, stretch: number): (x: number, y: number) => number {
  const { roof } = spec
  if (roof.shape === 'turned') return turnedCeiling(spec, stretch)
  const free = bare(spec)
  const planes = spec.valves.map((valve) => {
    const { axis: [ax, ay, az], form: [fx, fy, fz], formRadius } = valveFrame(valve)
    return { ax, ay, az, fx, fy, fz, formRadius, out2: (formRadius + FADE) ** 2 }
  })
  return (x, y) => {
    let weight = 0
    let held = 0
    for (let i = 0; i < planes.length; i++) {
      const { ax, ay, az, fx, fy, fz, formRadius, out2 } = planes[i]!
      const [dx, dy] = [x - fx, y - fy]
      const flat2 = dx * dx + dy * dy
      // In plan the form reaches no further than its radius.
      if (flat2 > out2) continue
      const rise = -(ax * dx + ay * dy) / az
      const s = 1 - (Math.sqrt(flat2 + rise * rise) - formRadius) / FADE
      const w = s >= 1 ? 1 : s <= 0 ? 0 : s * s * (3 - 2 * s)
      weight += w
      held += w * (fz + rise)
    }
    if (weight >= 1) return held / weight
    return held + (1 - weight) * stretch * free(x, y)
  }
}

/** Outer radius of a turned chamber: its outline is a circle about the bore's centre. */
export const turnedRadius = ({ outline }: ChamberSpec): number => outline.reduce((sum, [x, y]) => sum + Math.hypot(x, y), 0) / outline.length

/** A turned roof's dome as the lathe knows it. */
function domeOf({ toroid, section, domeRadius, height, corner = 0 }: Extract<Roof, { shape: 'turned' }>, stretch: number): Dome {
  const depth = height * stretch
  return { form: toroid ? 'torus' : section ?? 'sphere', mouth: domeRadius, depth, corner: section === 'flat' ? Math.min(corner, domeRadius, depth) : corner }
}

/**
 * A turned chamber as it stands over a seat face that was lowered, for the lathe.
 *
 * @param spec as drawn
 * @param off mm off its face since; a band that was recut to the new face starts at it
 * @returns undefined for a chamber that was not turned, or whose dome is as wide as its bore
 * @example turnedShape(skerryChamber(), 0.85)?.recess // 0.25, of 1.10
 */
export function turnedShape(spec: ChamberSpec, off: number): TurnedShape | undefined {
  const { roof } = spec
  const bore = 2 * turnedRadius(spec)
  return roof.shape === 'turned' && 2 * roof.domeRadius < bore ? { bore, recess: Math.max(0, roof.recess - off), band: roof.band, dome: domeOf(roof, 1) } : undefined
}

function turnedCeiling(spec: ChamberSpec, stretch: number): (x: number, y: number) => number {
  const { roof } = spec
  if (roof.shape !== 'turned') throw new Error('only a turned roof is turned')
  const R = turnedRadius(spec)
  const k = Math.tan(roof.band * RADIANS)
  const atDome = roof.recess + Math.max(0, R - roof.domeRadius) * k
  const over = domeHeight(domeOf(roof, stretch))
  return (x, y) => {
    const r = Math.hypot(x, y)
    return r >= roof.domeRadius ? roof.recess + Math.max(0, R - r) * k : atDome + over(r)
  }
}

/**
 * Height over the face at a distance in from the mouth's edge: the leaning wall, a radius, the ceiling.
 *
 * @param away mm in from the edge, 0 or more
 * @param roof height of the ceiling there, mm
 * @param draft lean of the wall from upright, degrees
 * @param floorRadius mm; never more than four fifths of the height
 * Source: a circle of radius r tangent to a line leaning by δ and to a level one: its middle lies (h − r)·tanδ + r/cosδ in.
 */
export function underWall(away: number, roof: number, draft: number, floorRadius: number): number {
  const r = Math.min(floorRadius, 0.8 * roof)
  const lean = draft * RADIANS
  const middle = (roof - r) * Math.tan(lean) + r / Math.cos(lean)
  if (away >= middle) return roof
  if (away <= middle - r * Math.cos(lean)) return lean > 0 ? away / Math.tan(lean) : roof - r
  return roof - r + Math.sqrt(Math.max(0, r * r - (away - middle) ** 2))
}
