import { DomainError, above, atLeast } from '../domain'
import { domeHeight, domeVolume, struck, type Dome, type Struck } from './dome'

/** A head turned about the bore: a band from the bore's edge inward, `recess` mm back from the seat face at its outer edge and rising at `band` degrees to the dome's mouth. */
export interface TurnedShape {
  bore: number
  recess: number
  band: number
  dome: Dome
}

/** How far the mouth's plane lies from the seat face, mm. */
const mouthPlane = ({ bore, recess, band, dome }: TurnedShape): number => recess + (bore / 2 - dome.mouth) * Math.tan(band * Math.PI / 180)

function checked(shape: TurnedShape): TurnedShape {
  above('bore', shape.bore, 0)
  atLeast('recess', shape.recess, 0)
  atLeast('band', shape.band, 0)
  if (shape.band >= 90) throw new DomainError('band', shape.band, 'below 90')
  if (shape.dome.mouth > shape.bore / 2) throw new DomainError('mouth', shape.dome.mouth, `at most the bore’s radius, ${shape.bore / 2}`)
  return shape
}

/**
 * Depth of a turned head from its seat face, by distance from the axis.
 *
 * @returns mm at a radius of up to half the bore
 * @throws RangeError when a length leaves its domain
 * @example turnedDepth({ bore: 68, recess: 1.1, band: 10, dome })(34) // 1.1
 */
export function turnedDepth(shape: TurnedShape): (r: number) => number {
  const { bore, recess, band, dome } = checked(shape)
  const over = domeHeight(dome)
  const [plane, k] = [mouthPlane(shape), Math.tan(band * Math.PI / 180)]
  return r => r >= dome.mouth ? recess + Math.max(0, bore / 2 - r) * k : plane + over(r)
}

/** Places along the radius that a profile is drawn by. */
const PROFILE_STEPS = 240

/**
 * Half a turned head in section, from its axis to the bore's edge, with the corner at the mouth kept sharp.
 *
 * @returns distance from the axis and depth from the seat face, mm, in order of the distance
 * @throws RangeError when a length leaves its domain
 * @example turnedProfile({ bore: 68, recess: 1.1, band: 10, dome }).at(-1) // [34, 1.1]
 */
export function turnedProfile(shape: TurnedShape): [r: number, depth: number][] {
  const at = turnedDepth(shape)
  const R = shape.bore / 2
  return [...Array.from({ length: PROFILE_STEPS }, (_, i) => i * R / PROFILE_STEPS), shape.dome.mouth - 1e-6, shape.dome.mouth, R].sort((a, b) => a - b).map(r => [r, at(r)])
}

/**
 * What a turned head holds over its seat face: recess, band and dome.
 *
 * @returns cc
 * @throws RangeError when a length leaves its domain
 * Source: cylinder, the ring under the band as a solid of revolution, π·tanβ·(R³/3 − R·a² + 2a³/3), the disc over it, the
 *   dome by {@link domeVolume}.
 * @example turnedVolume({ bore: 68, recess: 1.1, band: 10, dome: { form: 'sphere', mouth: 24, depth: 14, corner: 0 } }) // 22.87
 */
export function turnedVolume(shape: TurnedShape): number {
  const { bore, recess, band, dome } = checked(shape)
  const [R, a, k] = [bore / 2, dome.mouth, Math.tan(band * Math.PI / 180)]
  return Math.PI * (R * R * recess + k * (R ** 3 / 3 - R * a * a + 2 * a ** 3 / 3) + a * a * k * (R - a)) / 1000 + domeVolume(dome)
}

/**
 * A turned head whose dome is as deep as its volume says.
 *
 * @param shape as drawn
 * @param volume cc that it holds
 * @returns the same with another depth of dome; undefined where no depth holds that
 * @throws RangeError when a length leaves its domain
 * Source: halving; the volume grows with the depth.
 * @example broughtTo(shape, 23.5).dome.depth // 14.6
 */
export function broughtTo(shape: TurnedShape, volume: number): TurnedShape | undefined {
  const at = (depth: number): TurnedShape => ({ ...shape, dome: { ...shape.dome, depth } })
  const least = shape.dome.form === 'flat' ? Math.max(1e-3, shape.dome.corner) : 1e-3
  return turnedVolume(at(least)) < volume && volume < turnedVolume(at(shape.bore)) ? at(halved(least, shape.bore, depth => turnedVolume(at(depth)) < volume)) : undefined
}

/** Where a condition that holds from `low` on ceases to hold. */
function halved(low: number, high: number, holds: (x: number) => boolean): number {
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2
    if (holds(middle)) low = middle
    else high = middle
  }
  return (low + high) / 2
}

/** What may be taken: deeper first or wider first, and the limits of both. */
export interface LatheTask {
  /** cc to be opened. */
  add: number
  by: 'depth' | 'mouth'
  /** Radius of the tool's nose. */
  nose: number
  /** Width that the band must keep. */
  leastBand: number
  /** How much deeper the middle may get before the plug's thread shows; undefined where nobody said. */
  plugRoom?: number
}

/** The band's least width, the plug's thread, or a form that can't be wider without metal that is gone. */
export type LatheLimit = 'band' | 'plug' | 'form'

/** What is set at the lathe. Lengths in mm from the axis and from the seat face. */
export interface LatheSettings {
  to: TurnedShape
  mouthDiameter: number
  /** Depth of the deepest place, from the seat face. */
  depth: number
  /** The round part as it is struck, its `z` from the seat face, and the radius that the nose’s own middle runs on. */
  round: Struck & { path: number }
  /** Width of the band that is left. */
  bandLeft: number
  opened: number
  /** What can't be opened inside the limits, cc. */
  short: number
  /** Limits that were met. */
  limits: LatheLimit[]
}

const SAMPLES = 200
/** Whether one form lies nowhere under another: metal can't be put back. */
function liesOver(to: TurnedShape, from: TurnedShape): boolean {
  const [is, was] = [turnedDepth(to), turnedDepth(from)]
  return Array.from({ length: SAMPLES }, (_, i) => i * from.bore / 2 / SAMPLES).every(r => is(r) - was(r) > -1e-6)
}

/** A nose that does not get into the form, with the largest that does, mm. */
export class NoseTooLarge extends DomainError {
  readonly most: number
  constructor(nose: number, most: number) {
    super('nose', nose, `at most ${most}`)
    this.most = most
  }
}

/**
 * The dome that opens a head by so many cc, as figures for the lathe. Nowhere does it lie under the one that is there.
 *
 * @param shape as it is
 * @param task see {@link LatheTask}
 * @returns see {@link LatheSettings}; `short` above 0 where the limits leave less than was asked for
 * @throws RangeError when a length leaves its domain, {@link NoseTooLarge} when the nose does not get into its hollows
 * Source: {@link turnedVolume} of the new form less the old, by halving; deeper with the mouth as it is, or wider with the
 *   deepest place where it is, unless that would want metal that is gone: a torus by the plug, a dome flatter than its band.
 * @example latheSettings(shape, { add: 1.03, by: 'depth', nose: 0.8, leastBand: 8 }).depth // 0.8 mm more than it was
 */
export function latheSettings(shape: TurnedShape, { add, by, nose, leastBand, plugRoom }: LatheTask): LatheSettings {
  const before = turnedVolume(shape)
  above('add', add, 0)
  above('nose', nose, 0)
  atLeast('leastBand', leastBand, 0)
  const { form, mouth, depth } = shape.dome
  const most = Math.max(mouth, shape.bore / 2 - leastBand)
  const room = form === 'torus' ? shape.bore : atLeast('plugRoom', plugRoom ?? shape.bore, 0)
  const deepest = mouthPlane(shape) + depth
  // Wider, the mouth’s plane comes nearer the face: the deepest place stays where it is.
  const at = (a: number, deep: number): TurnedShape => {
    const wider = { ...shape, dome: { ...shape.dome, mouth: a } }
    return { ...wider, dome: { ...wider.dome, depth: deep - mouthPlane(wider) } }
  }
  const opens = (to: TurnedShape) => turnedVolume(to) - before
  const limits: LatheLimit[] = []
  let [a, deep] = [mouth, deepest]
  const deepen = () => {
    if (opens(at(a, deepest + room)) < add) {
      deep = deepest + room
      limits.push('plug')
    } else deep = halved(deepest, deepest + room, z => opens(at(a, z)) < add)
  }
  const widen = () => {
    const reaches = opens(at(most, deep)) >= add
    const wider = reaches ? halved(mouth, most, r => opens(at(r, deep)) < add) : most
    if (liesOver(at(wider, deep), shape)) {
      a = wider
      if (!reaches) limits.push('band')
    } else limits.push('form')
  }
  for (const step of by === 'depth' ? [deepen, widen] : [widen, deepen]) {
    step()
    if (add - opens(at(a, deep)) < 1e-6) break
  }
  const to = at(a, deep)
  const round = struck(to.dome)
  if (nose > round.radius + 1e-9) throw new NoseTooLarge(nose, round.radius)
  const opened = opens(to)
  return {
    to, mouthDiameter: 2 * a, depth: deep, round: { ...round, z: round.z + mouthPlane(to), path: round.radius - nose }, bandLeft: shape.bore / 2 - a,
    opened, short: Math.max(0, add - opened) < 1e-6 ? 0 : add - opened, limits
  }
}
