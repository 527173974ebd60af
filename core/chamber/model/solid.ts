import type { Manifold, ManifoldToplevel } from 'manifold-3d'
import { DomainError } from '../../domain'
import { madeClosed, type Mesh } from '../mesh'
import { clipByChord, curveThrough, type Point } from './outline'
import { FINE, lifted, ringsOf, type Fineness, type Rings } from './rings'
import { ceiling, headPlane, valveFrame } from './roof'
import { specFaults, type ChamberSpec, type ChamberValve, type Relief, type SpecFault } from './spec'

/** The solids package, loaded by whoever calls: the core does no loading. */
export type SolidKit = ManifoldToplevel

/** A spec that is no chamber, with every reason. */
export class SpecError extends DomainError {
  readonly faults: SpecFault[]
  constructor(faults: SpecFault[]) {
    super(faults[0]!.path, faults[0]!.kind, 'a chamber that can be made')
    this.faults = faults
  }
}

/** The outline as its curve runs, without what the pads take. */
export const runOf = ({ outline }: ChamberSpec): Point[] => curveThrough(outline, Math.max(4, Math.ceil(240 / outline.length)))

/** The mouth on the face: the outline less the pads that lie in the face. */
export function mouthOf(spec: ChamberSpec): Point[] {
  return spec.pads.filter(pad => pad.recess <= 0).reduce((points, pad) => clipByChord(points, pad.towards, pad.chord, false), runOf(spec))
}

/** Walls lean more as the ceiling between the seats comes down, and less as it goes up: 20° to the whole. */
export function draftAt({ draft }: ChamberSpec, stretch: number): number {
  return Math.min(60, Math.max(0, draft - 20 * (stretch - 1)))
}

/** How far in from the mouth's edge walls and radii reach, with room for what a pour may move them by. */
function wallZone(spec: ChamberSpec, mouth: Point[]): number {
  const over = ceiling(spec, 1)
  const tallest = mouth.reduce((most, [x, y]) => Math.max(most, over(x, y)), 1)
  const lean = Math.min(60, spec.draft + 6) * Math.PI / 180
  return Math.min(14, tallest * Math.tan(lean) + spec.floorRadius / Math.cos(lean))
}

/** Mouth and rings of a spec: all of a chamber that neither a pour nor the drag of a valve moves. */
export interface Plan { mouth: Point[], rings: Rings }

/**
 * Sets a chamber's plan out.
 *
 * @throws SpecError with every fault when the spec is no chamber
 */
export function planOf(kit: SolidKit, spec: ChamberSpec, fine: Fineness = FINE): Plan {
  const faults = specFaults(spec, mouthOf)
  if (faults.length > 0) throw new SpecError(faults)
  const mouth = mouthOf(spec)
  const open = spec.pads.filter(pad => pad.recess > 0).reduce((points, pad) => clipByChord(points, pad.towards, pad.chord, false), mouth)
  if (open.length < 3) throw new SpecError([{ path: 'outline', kind: 'nothingLeft' }])
  const corner = spec.roof.shape === 'turned' ? spec.outline.reduce((m, [x, y]) => Math.max(m, Math.hypot(x, y)), 0) - spec.roof.domeRadius : undefined
  return { mouth, rings: ringsOf(kit, open, fine, wallZone(spec, open), corner) }
}

/** What seat and top cut of a valve leave as air, down to the face, within the mouth. */
function machined(kit: SolidKit, valve: ChamberValve, prism: Manifold, around: number): Manifold {
  // Sunk whole, the cone of the top cut runs on until it meets the ceiling where the valve was before.
  const { seat, seatRadius, edgeRadius: edge } = valveFrame(valve)
  const down = (edge - seatRadius) * Math.tan(valve.topCutAngle * Math.PI / 180)
  const section = new kit.CrossSection([[[0, -130], [edge, -130], [edge, -down], [seatRadius, 0], [0, 0]]])
  const upright = section.revolve(around)
  // The valve leans towards an azimuth: first over about y, then round to it.
  const form = upright.rotate([0, valve.tilt, 0]).rotate([0, 0, valve.leans]).translate(seat)
  const air = form.intersect(prism)
  for (const old of [section, upright, form]) old.delete()
  return air
}

/** Steps a cutter's corner is rounded in. */
const CORNER_STEPS = 12

/**
 * A cutter's form on end, from far below up to z = 0: the same star all the way, drawn in by the corner's radius where it
 * ends. Where nothing is cut it stays at `inner`, inside the valve's own edge, where there is air already.
 */
function cutterForm(kit: SolidKit, radii: number[], inner: number, corner: number): Manifold {
  const n = radii.length
  const levels = [{ z: -130, less: 0 }, ...Array.from({ length: corner > 0 ? CORNER_STEPS + 1 : 1 }, (_, k) => {
    const t = corner > 0 ? Math.PI / 2 * k / CORNER_STEPS : 0
    return { z: corner > 0 ? corner * (Math.sin(t) - 1) : 0, less: corner * (1 - Math.cos(t)) }
  })]
  const at = levels.flatMap(({ z, less }) => radii.flatMap((radius, i) => {
    const far = radius > 0 ? Math.max(inner, radius - less) : inner
    return [far * Math.cos(2 * Math.PI * i / n), far * Math.sin(2 * Math.PI * i / n), z]
  }))
  const [bottom, top] = [levels.length * n, levels.length * n + 1]
  at.push(0, 0, -130, 0, 0, 0)
  const sides: number[] = []
  for (let i = 0; i < n; i++) {
    const k = (i + 1) % n
    const last = (levels.length - 1) * n
    sides.push(bottom, k, i, top, last + i, last + k)
    for (let up = 0; up < last; up += n) sides.push(up + i, up + k, up + n + k, up + i, up + n + k, up + n + i)
  }
  return solidOf(kit, { positions: Float64Array.from(at), triangles: Uint32Array.from(sides) })
}

/** Metal taken off round a valve, as air: the cutter's form along its axis, within the scribed line, down to the face. */
function relieved(kit: SolidKit, relief: Relief, valve: ChamberValve): Manifold | undefined {
  const { centre: seat, u, v, axis, radius: seatRadius } = headPlane(valve, 0)
  if (relief.radii.every(radius => radius <= 0)) return undefined
  const form = cutterForm(kit, relief.radii, seatRadius * 0.6, relief.corner ?? 0)
  const upright = form.translate([0, 0, -relief.below])
  const placed = upright.transform([...u, 0, ...v, 0, ...axis, 0, ...seat, 1])
  const line = kit.Manifold.cylinder(200, relief.line, relief.line, 360)
  const air = placed.intersect(line)
  for (const old of [form, upright, placed, line]) old.delete()
  return air
}

const solidOf = (kit: SolidKit, { positions, triangles }: Mesh) =>
  new kit.Manifold(new kit.Mesh({ numProp: 3, vertProperties: Float32Array.from(positions), triVerts: triangles }))

/** A solid as the core's own mesh. The package closes what it makes, so it is not looked at again. */
function meshOf(solid: Manifold): Mesh {
  const { vertProperties, triVerts } = solid.getMesh()
  return madeClosed({ positions: Float64Array.from(vertProperties), triangles: Uint32Array.from(triVerts) })
}

/**
 * The solid on a chamber's plan: walls and ceiling, the machined forms of its valves, pads and plug.
 *
 * @param kit the solids package
 * @param plan from {@link planOf} of the same spec, its valves apart
 * @param stretch factor on the ceiling between the seats; the walls go with it, see {@link draftAt}
 * @throws SpecError when nothing is left of it
 */
export function solidOn(kit: SolidKit, plan: Plan, spec: ChamberSpec, stretch: number, fine: Fineness = FINE): Mesh {
  const area = new kit.CrossSection([plan.mouth])
  const prism = area.extrude(200)
  const rings = solidOf(kit, lifted(plan.rings, spec, stretch, draftAt(spec, stretch), false))
  // What lies in one plane is one face: less than half the triangles, and a third of the time that the unions take.
  const parts: Manifold[] = [rings.simplify()]
  for (const valve of spec.valves) parts.push(machined(kit, valve, prism, fine.around))
  for (const pad of spec.pads.filter(p => p.recess > 0)) {
    // A hair into the chamber, so that the two are one.
    const under = clipByChord(plan.mouth, pad.towards, pad.chord - 0.01, true)
    if (under.length > 2) parts.push(kit.Manifold.extrude([under], pad.recess))
  }
  for (const relief of spec.reliefs ?? []) {
    const air = relieved(kit, relief, spec.valves[relief.valve]!)
    if (air) parts.push(air)
  }
  if (spec.plug && spec.plug.recess > 0) {
    const { x, y, diameter, recess } = spec.plug
    const z = ceiling(spec, stretch)(x, y)
    const into = Math.min(5, z * 0.8)
    parts.push(kit.Manifold.cylinder(recess + into, diameter / 2, diameter / 2, 48).translate([x, y, z - into]))
  }
  const whole = kit.Manifold.union(parts)
  const mesh = whole.isEmpty() ? undefined : meshOf(whole)
  for (const old of [area, prism, rings, whole, ...parts]) old.delete()
  if (!mesh || mesh.triangles.length < 12) throw new SpecError([{ path: 'roof.height', kind: 'nothingLeft' }])
  return mesh
}

/**
 * A chamber's spec as a solid of air, valves shut.
 *
 * @param kit the solids package
 * @param spec see {@link ChamberSpec}
 * @param stretch factor on the ceiling between the seats, 1 as drawn
 * @returns a closed mesh in the chamber frame, mouth on z = 0
 * @throws SpecError with every fault when the spec is no chamber
 * @example meshVolume(chamberMesh(kit, startingSpec('wedge', { bore: 92, intake: 44.5, exhaust: 37 }))) // some 50 cc
 */
export function chamberMesh(kit: SolidKit, spec: ChamberSpec, stretch = 1, fine: Fineness = FINE): Mesh {
  return solidOn(kit, planOf(kit, spec, fine), spec, stretch, fine)
}
