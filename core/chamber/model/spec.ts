import { distanceTo, insideOutline, outlineArea, type Point } from './outline'

export const CHAMBER_KINDS = ['wedge', 'bathtub', 'heart', 'pentRoof', 'hemispherical', 'open', 'flat', 'turnedDome'] as const
export type ChamberKind = (typeof CHAMBER_KINDS)[number]

/**
 * The ceiling of a chamber away from walls and seats. Heights in mm over the face as it was cast, angles in degrees.
 *
 * - plane (wedge, bathtub): `height` over the bore's centre, `slope` of the plane, rising towards azimuth `rises`
 * - ridge (pent-roof): `height` of the ridge, `slope` of either side, `rises` the direction across the ridge
 * - sphere (hemispherical): `height` of the crown, `radius` of the sphere
 * - turned: a band from the outline inward, `recess` deep at its outer edge and rising at `band` degrees, then from
 *   `domeRadius` inward a dome `height` high: an arc, or with `section` a cone or a flat roof rounded by `corner`; with
 *   `toroid` the arc is turned into a groove round the plug
 */
export type Roof
  = | { shape: 'plane', height: number, slope: number, rises: number }
    | { shape: 'ridge', height: number, slope: number, rises: number }
    | { shape: 'sphere', height: number, radius: number }
    | { shape: 'turned', recess: number, band: number, domeRadius: number, height: number, toroid: boolean, section?: 'cone' | 'flat', corner?: number }

/** A squish pad: metal of the head beyond a chord, `recess` mm back from the face (0: in the face). */
export interface Pad { towards: number, chord: number, recess: number }

/**
 * A valve as machined, in the chamber frame, before anybody sank it. `x`, `y`: where the axis meets the plane of the
 * seat's outer edge. `leans`: azimuth the stem leans towards. `seatHeight`: lowest edge of the seat over the face.
 */
export interface ChamberValve {
  valve: 'intake' | 'exhaust'
  x: number
  y: number
  diameter: number
  tilt: number
  leans: number
  seatHeight: number
  sunk: number
  seatWidth: number
  seatAngle: number
  topCutWidth: number
  topCutAngle: number
  throat?: number
  stem?: number
}

/** Which of its kind a drawn valve is, from 1. */
export const nthOfKind = (valves: readonly Pick<ChamberValve, 'valve'>[], i: number): number => valves.slice(0, i + 1).filter(other => other.valve === valves[i]!.valve).length

export interface Plug { x: number, y: number, diameter: number, recess: number }

/**
 * Metal taken off the walls round a valve: to `radii` about its axis at equal steps of azimuth in the valve head's plane
 * (from the direction over +x; 0 where nothing is taken), from the face up to `below` under the seat's plane, never outside
 * the circle `line` about the bore's centre. `corner`: radius the cutter leaves where it ends.
 */
export interface Relief { valve: number, radii: number[], below: number, corner?: number, line: number }

/** A chamber as somebody describes it: the closed curve of its mouth, its ceiling, walls, valves and plug. */
export interface ChamberSpec {
  kind: ChamberKind
  /** Points of the closed curve on the face, mm from the bore's centre, counter-clockwise seen from +z. */
  outline: Point[]
  pads: Pad[]
  roof: Roof
  /** Lean of the walls from upright, degrees, widest at the face. */
  draft: number
  /** Radius between wall and ceiling, mm. */
  floorRadius: number
  valves: ChamberValve[]
  plug?: Plug
  reliefs?: Relief[]
}

/** What is wrong with a spec, as a kind and its place; the interface says it. */
export interface SpecFault {
  path: string
  kind: 'notFinite' | 'tooSmall' | 'tooLarge' | 'fewPoints' | 'selfCrossing' | 'throughWall' | 'seatBelowFace' | 'zeroRoof' | 'valvesOverlap' | 'nothingLeft'
  /** The bound that was broken, or the distance by which. */
  by?: number
}

/** Bounds each figure of a spec must lie in, by the last word of its path. */
export const SPEC_BOUNDS: Record<string, [least: number, most: number]> = {
  x: [-150, 150], y: [-150, 150], towards: [-360, 720], rises: [-360, 720], leans: [-360, 720], chord: [-150, 150],
  height: [0.5, 150], slope: [0, 60], radius: [10, 500], band: [0, 45], domeRadius: [3, 150], draft: [0, 45], floorRadius: [0, 40],
  diameter: [3, 120], tilt: [0, 60], seatHeight: [-20, 100], sunk: [0, 6], seatWidth: [0, 8], seatAngle: [15, 75], topCutWidth: [0, 8], topCutAngle: [5, 60],
  throat: [3, 120], stem: [2, 20], recess: [0, 40], below: [0, 40], corner: [0, 40], line: [5, 200]
}

/** A mouth smaller than this, mm², is a slip of the hand. */
const LEAST_MOUTH = 50
const LEAST_POINTS = 3
const MOST_POINTS = 64

function boundFaults(value: unknown, path: string): SpecFault[] {
  if (Array.isArray(value)) return value.flatMap((item, i) => boundFaults(item, `${path}[${i}]`))
  if (typeof value === 'object' && value !== null) return Object.entries(value).flatMap(([key, item]) => boundFaults(item, path ? `${path}.${key}` : key))
  if (typeof value !== 'number') return []
  const name = path.split('.').at(-1)!
  const bounds = name.startsWith('outline[') ? SPEC_BOUNDS.x! : SPEC_BOUNDS[name]
  if (!Number.isFinite(value)) return [{ path, kind: 'notFinite' }]
  if (bounds && value < bounds[0]) return [{ path, kind: 'tooSmall', by: bounds[0] }]
  if (bounds && value > bounds[1]) return [{ path, kind: 'tooLarge', by: bounds[1] }]
  return []
}

const crosses = (a: Point, b: Point, c: Point, d: Point): boolean => {
  const side = (p: Point, q: Point, r: Point) => (q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0])
  return side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0
}

/** First pair of the curve's own points between which the outline crosses itself, or -1. */
export function selfCrossing(points: Point[]): number {
  for (let i = 0; i < points.length; i++) {
    for (let k = i + 2; k < points.length; k++) {
      if (i === 0 && k === points.length - 1) continue
      if (crosses(points[i]!, points[i + 1]!, points[k]!, points[(k + 1) % points.length]!)) return i
    }
  }
  return -1
}

/**
 * Everything that stops a spec from being a chamber.
 *
 * @param spec as typed or dragged
 * @param curve the outline as the curve runs, and the mouth with its pads taken out, once they are known
 * @returns faults with the path of the figure each belongs to; none when a solid can be made
 * @example specFaults({ ...wedge, roof: { ...wedge.roof, height: 0 } }, mouthOf(wedge)) // [{ path: 'roof.height', kind: 'tooSmall', by: 0.5 }]
 */
export function specFaults(spec: ChamberSpec, curve: (spec: ChamberSpec) => Point[]): SpecFault[] {
  const faults = boundFaults(spec, '')
  if (spec.outline.length < LEAST_POINTS || spec.outline.length > MOST_POINTS) faults.push({ path: 'outline', kind: 'fewPoints', by: LEAST_POINTS })
  if (faults.length > 0) return faults
  const run = curve(spec)
  const crossing = selfCrossing(run)
  if (crossing >= 0 || selfCrossing(spec.outline) >= 0) {
    return [{ path: `outline[${Math.min(spec.outline.length - 1, Math.max(0, crossing) * spec.outline.length / run.length | 0)}]`, kind: 'selfCrossing' }]
  }
  if (outlineArea(run) < LEAST_MOUTH) return [{ path: 'outline[0]', kind: 'nothingLeft' }]
  const { roof } = spec
  if (roof.shape === 'turned' && roof.section === 'flat' && (roof.corner ?? 0) > Math.min(roof.domeRadius, roof.height)) faults.push({ path: 'roof.corner', kind: 'tooLarge', by: Math.min(roof.domeRadius, roof.height) })
  spec.reliefs?.forEach((relief, i) => {
    if (!spec.valves[relief.valve]) faults.push({ path: `reliefs[${i}].valve`, kind: 'tooLarge', by: spec.valves.length })
    if (relief.radii.length < 8 || relief.radii.length > 720 || relief.radii.length % 2 || relief.radii.some(r => r < 0 || r > 150)) faults.push({ path: `reliefs[${i}].radii`, kind: 'tooLarge', by: 150 })
  })
  spec.valves.forEach((valve, i) => {
    const low = valve.seatHeight + valve.sunk * Math.cos(valve.tilt * Math.PI / 180)
    if (low <= 0) faults.push({ path: `valves[${i}].seatHeight`, kind: 'seatBelowFace', by: -low })
    if (valve.seatWidth * 2 >= valve.diameter) faults.push({ path: `valves[${i}].seatWidth`, kind: 'tooLarge', by: valve.diameter / 2 })
    const out = throughWall(valve, run)
    if (out > 0) faults.push({ path: `valves[${i}].x`, kind: 'throughWall', by: out })
    spec.valves.slice(0, i).forEach((other) => {
      const apart = Math.hypot(valve.x - other.x, valve.y - other.y) - (valve.diameter + other.diameter) / 2 * Math.cos(Math.min(valve.tilt, other.tilt) * Math.PI / 180)
      if (apart < 0) faults.push({ path: `valves[${i}].x`, kind: 'valvesOverlap', by: -apart })
    })
  })
  return faults
}

/** How far a valve's edge stands outside the outline, mm in plan; 0 where it does not. */
function throughWall({ x, y, diameter, tilt, leans }: ChamberValve, outline: Point[]): number {
  let most = 0
  const along = leans * Math.PI / 180
  const squeeze = Math.cos(tilt * Math.PI / 180)
  for (let i = 0; i < 72; i++) {
    const t = 2 * Math.PI * i / 72
    // The tilted circle in plan: shorter by cos(tilt) the way the stem leans.
    const [u, v] = [diameter / 2 * squeeze * Math.cos(t), diameter / 2 * Math.sin(t)]
    const p: Point = [x + u * Math.cos(along) - v * Math.sin(along), y + u * Math.sin(along) + v * Math.cos(along)]
    if (insideOutline(outline, p)) continue
    most = Math.max(most, distanceTo(outline, p))
  }
  return most
}

/**
 * Reliefs as they lie in a chamber of the other hand.
 *
 * @param reliefs radii at an even number of equal steps from +x, counter-clockwise
 * @returns the same metal, mirrored across the y axis
 * Source: azimuth φ becomes 180° − φ.
 * @example mirroredReliefs([{ valve: 0, radii, below: 0, line: 46 }])[0].radii[60] // radii[0], of 120
 */
export const mirroredReliefs = (reliefs: readonly Relief[]): Relief[] => reliefs.map(({ radii, ...rest }) => (
  { ...rest, radii: radii.map((_, i) => radii[((Math.round(radii.length / 2) - i) % radii.length + radii.length) % radii.length]!) }))

/** The same chamber on the other hand: mirrored across its own y axis, so that along the crank it runs the other way. */
export function mirrored(spec: ChamberSpec): ChamberSpec {
  const turn = (azimuth: number) => 180 - azimuth
  const { roof } = spec
  return {
    ...spec,
    outline: spec.outline.map(([x, y]): Point => [-x, y]).reverse(),
    pads: spec.pads.map(pad => ({ ...pad, towards: turn(pad.towards) })),
    roof: 'rises' in roof ? { ...roof, rises: turn(roof.rises) } : roof,
    valves: spec.valves.map(valve => ({ ...valve, x: -valve.x, leans: turn(valve.leans) })),
    ...(spec.plug ? { plug: { ...spec.plug, x: -spec.plug.x } } : {}),
    ...(spec.reliefs ? { reliefs: mirroredReliefs(spec.reliefs) } : {})
  }
}
