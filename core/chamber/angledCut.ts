import { DomainError, finite } from '../domain'
import { cutAtChamber, cutDepthForVolume, thenFlat, volumeAboveCut, type Cut } from './cut'
import type { Mesh } from './mesh'

/** How a head is laid over: rolled about the crank line (more off one flange side) or across it (more off one end). */
export type Roll = 'aboutCrank' | 'acrossCrank'

/**
 * A cut of a whole head as it is set up: `depth` in mm at the head's origin (the bore line), `angle` in degrees the
 * head is rolled by, + taking more towards +y about the crank line or +x across it, and `flat` mm square off the new
 * face afterwards.
 */
export interface HeadSetup { roll: Roll, angle: number, depth: number, flat: number }

/** Which of the three is found from the target while the other two stay. */
export type Free = 'depth' | 'angle' | 'flat'

/**
 * The plane that a set-up cuts.
 *
 * @param setup see {@link HeadSetup}
 * @returns the cut in the head frame
 * @throws RangeError when the angle is not between −30° and 30° or a value is not finite
 * Source: contract, slope = tan(angle), an angled cut then a flat one.
 * @example cutOf({ roll: 'aboutCrank', angle: 1, depth: 0.5, flat: 0 }) // { depth: 0.5, slopeX: 0, slopeY: 0.01746 }
 */
export function cutOf({ roll, angle, depth, flat }: HeadSetup): Cut {
  if (!(Math.abs(finite('angle', angle)) <= 30)) throw new DomainError('angle', angle, 'between −30 and 30')
  const slope = Math.tan(angle * Math.PI / 180)
  return thenFlat({ depth, slopeX: roll === 'acrossCrank' ? slope : 0, slopeY: roll === 'aboutCrank' ? slope : 0 }, flat)
}

/**
 * The angle that a slope is laid over by.
 *
 * @param slope mm per mm
 * @returns degrees, with the slope's sign
 * Source: slope = tan(angle).
 * @example angleOf(0.0174551) // 1
 */
export const angleOf = (slope: number): number => Math.atan(finite('slope', slope)) * 180 / Math.PI

/**
 * How much of the old face a cut leaves standing at the edge where it takes least: a gasket does not seal on two faces.
 *
 * @param cut over the face as it is
 * @param reach mm from the middle of the head to that edge, 0 or more
 * @returns mm; 0 where all of the face is cut anew
 * @throws RangeError when a value leaves its domain
 * Source: a straight line down the plane's own slope.
 * @example faceLeft({ depth: 0.5, slopeX: 0, slopeY: 0.02 }, 60) // 0.7
 */
export function faceLeft({ depth, slopeX, slopeY }: Cut, reach: number): number {
  if (!(finite('reach', reach) >= 0)) throw new DomainError('reach', reach, '0 or more')
  return Math.max(0, Math.hypot(slopeX, slopeY) * reach - finite('depth', depth))
}

/** The face as it was cast: nothing cut yet. */
export const UNCUT: Cut = { depth: 0, slopeX: 0, slopeY: 0 }

/**
 * Face cuts one after another as one plane over the first face.
 *
 * @param cuts each over the face that the one before left
 * @returns the plane they end at. Slopes add up, which holds for the few degrees a head is rolled by
 * Source: a plane moved along its own normal, as {@link thenFlat}.
 * @example cutsTogether([{ depth: 0.5, slopeX: 0, slopeY: 0.02 }, { depth: 0.3, slopeX: 0, slopeY: 0 }]).depth // 0.80006
 */
export function cutsTogether(cuts: Cut[]): Cut {
  return cuts.reduce((sum, cut) => ({
    depth: sum.depth + cut.depth * Math.hypot(1, sum.slopeX, sum.slopeY), slopeX: sum.slopeX + cut.slopeX, slopeY: sum.slopeY + cut.slopeY
  }), UNCUT)
}

/**
 * Angle and depth from what is to come off at two edges of the head.
 *
 * @param low depth at the edge `−reach` from the bore line, `high` at `+reach`, mm
 * @param reach half the distance between the two edges, mm, greater than 0
 * @returns angle in degrees and depth at the bore line
 * @throws RangeError when a value leaves its domain
 * Source: a straight line through two depths.
 * @example fromEdges(0.2, 1.8, 80) // { angle: 0.573, depth: 1.0 }
 */
export function fromEdges(low: number, high: number, reach: number): { angle: number, depth: number } {
  finite('low', low)
  finite('high', high)
  if (!(finite('reach', reach) > 0)) throw new DomainError('reach', reach, 'greater than 0')
  return { angle: angleOf((high - low) / (2 * reach)), depth: (low + high) / 2 }
}

/**
 * What a set-up takes at two edges of the head: the reverse of {@link fromEdges}.
 *
 * @param angle degrees, `depth` mm at the bore line, `reach` mm from it to either edge
 * @returns mm at the edge `−reach` and at `+reach`
 * Source: a straight line through two depths.
 * @example atEdges({ angle: 0.573, depth: 1 }, 80) // low 0.2, high 1.8
 */
export function atEdges({ angle, depth }: { angle: number, depth: number }, reach: number): { low: number, high: number } {
  const rise = Math.tan(finite('angle', angle) * Math.PI / 180) * finite('reach', reach)
  return { low: finite('depth', depth) - rise, high: depth + rise }
}

/**
 * The one free figure of a set-up that leaves a chamber a wanted volume.
 *
 * @param mesh the chamber
 * @param at its bore centre in the head frame, mm
 * @param setup the other two figures; the free one is where the search begins
 * @param free which one is found
 * @param target cc to be left
 * @param done what was cut off the chamber's face before, as it sees it
 * @returns the figure: mm, or degrees for the angle
 * @throws RangeError when nothing within reach leaves that volume: ±30°, a flat cut of 0 or more
 * Source: {@link cutDepthForVolume} for depths; for the angle halving between the ends of its reach, as volume falls
 *   or rises with it all the way while the bore line keeps to one side of the chamber.
 * @example solveCut(mesh, { x: 0, y: 0 }, { roll: 'aboutCrank', angle: 1, depth: 0, flat: 0 }, 'depth', 49)
 */
export function solveCut(mesh: Mesh, at: { x: number, y: number }, setup: HeadSetup, free: Free, target: number, done: Cut = UNCUT): number {
  const slopes = cutOf({ ...setup, depth: 0, flat: 0 })
  const lean = Math.hypot(1, done.slopeX, done.slopeY)
  const together = { slopeX: done.slopeX + slopes.slopeX, slopeY: done.slopeY + slopes.slopeY }
  /** Depth over the face as it is now, where the whole plane leaves the target. */
  const whole = () => (cutDepthForVolume(mesh, target, together) - done.depth) / lean - shift
  const shift = slopes.slopeX * at.x + slopes.slopeY * at.y
  if (free === 'depth') {
    const lying = thenFlat({ ...slopes, depth: 0 }, setup.flat).depth
    return whole() - lying
  }
  if (free === 'flat') {
    const flat = (whole() - setup.depth) / Math.hypot(1, slopes.slopeX, slopes.slopeY)
    if (flat < -1e-9) throw new DomainError('flat', flat, '0 or more: the angled cut alone takes more than the target asks')
    return Math.max(0, flat)
  }
  const left = (angle: number) => volumeAboveCut(mesh, cutsTogether([done, cutAtChamber(cutOf({ ...setup, angle }), at)])) - target
  // From no angle outward in either direction: the smaller answer is the one to cut.
  const found = [1, -1].flatMap((sign) => {
    const from = left(0)
    for (let a = 0.25; a <= 30; a += 0.25) {
      if (from * left(sign * a) > 0) continue
      let [low, high] = [sign * (a - 0.25), sign * a]
      for (let i = 0; i < 50; i++) {
        const middle = (low + high) / 2
        if (from * left(middle) > 0) low = middle
        else high = middle
      }
      return [(low + high) / 2]
    }
    return []
  })
  if (found.length === 0) throw new DomainError('target', target, 'within what an angle of up to 30° leaves')
  return found.reduce((a, b) => Math.abs(b) < Math.abs(a) ? b : a)
}
