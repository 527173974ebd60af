import { above, atLeast, atMost, differ, DomainError, finite } from '../domain'
import type { Cut } from './cut'

/** A seat's or a top cut's edge: a circle in the chamber frame, its axis a unit vector along the valve. */
export interface SeatCircle { centre: [number, number, number], axis: [number, number, number], diameter: number }

/**
 * Whether an edge is cut into.
 *
 * @param margin from the new face, mm, as {@link seatMargin} has it: one that the face just meets is whole
 * @example
 * // Meant as 0.3 − 0.1 − 0.2 mm, which a computer takes as −3e-17:
 * isCutInto(0.3 - 0.1 - 0.2) // false
 * isCutInto(-0.01) // true
 */
export const isCutInto = (margin: number): boolean => differ(margin, 0) < 0

/**
 * How far a face cut stays from a seat's or a top cut's edge.
 *
 * @param circle see {@link SeatCircle}, mm
 * @param cut see {@link Cut}
 * @returns firstTouch: depth at which a cut of these slopes first meets it; margin: least distance square to the new
 *   face, negative once it is cut; arcLost: degrees of the circle that are gone, 360 at most
 * @throws RangeError when a value leaves its domain or the axis is no unit vector
 * Source: contract; n = (−slopeX, −slopeY, 1), k = D/2·√(|n|² − (n·a)²): first touch n·C − k, margin
 *   (n·C − k − depth)/|n|, arc 2·acos(1 − (depth − first touch)/k).
 * @example seatMargin({ diameter: 36.4, axis: [0, -0.438371, 0.898794], centre: [23.5, 3.5, 8.67835] },
 *   { depth: 1.05, slopeX: 0, slopeY: 0 }) // firstTouch 0.700, margin −0.350, arcLost 34.07
 */
export function seatMargin({ centre, axis, diameter }: SeatCircle, { depth, slopeX, slopeY }: Cut): { firstTouch: number, margin: number, arcLost: number } {
  ;[...centre, ...axis].forEach((value, i) => finite(i < 3 ? `centre[${i}]` : `axis[${i - 3}]`, value))
  above('diameter', diameter, 0)
  finite('cut.depth', depth)
  finite('cut.slopeX', slopeX)
  finite('cut.slopeY', slopeY)
  const size = Math.hypot(...axis)
  if (Math.abs(size - 1) > 1e-4) throw new DomainError('|axis|', size, '1, a unit vector')
  const n = [-slopeX, -slopeY, 1] as const
  const dot = (v: [number, number, number]) => n[0] * v[0] + n[1] * v[1] + n[2] * v[2]
  const nn = 1 + slopeX ** 2 + slopeY ** 2
  const along = dot(axis) / size
  const k = diameter / 2 * Math.sqrt(Math.max(0, nn - along * along))
  const firstTouch = dot(centre) - k
  const into = depth - firstTouch
  const arcLost = !isCutInto(-into) ? 0 : into >= 2 * k ? 360 : 2 * Math.acos(1 - into / k) * 180 / Math.PI
  return { firstTouch, margin: -into / Math.sqrt(nn), arcLost }
}

/**
 * What sinking a valve adds to the chamber when its whole machined form is moved up with it.
 *
 * @param form outer diameter of the machined form in mm, topCut: angle of its top cut from the head's plane, degrees,
 *   above 0 and below 90
 * @param sunk mm along the valve, 0 or more
 * @returns added: cc; diameter: mm across the form then
 * @throws RangeError when a value leaves its domain
 * Source: frustum of a cone, V = π·s/12·(D1² + D1·D2 + D2²) with D2 = D1 + 2s/tanα.
 * @example sinking({ diameter: 38, topCut: 30 }, 0.5) // { added: 0.593, diameter: 39.732 }
 */
export function sinking({ diameter, topCut }: { diameter: number, topCut: number }, sunk: number): { added: number, diameter: number } {
  above('diameter', diameter, 0)
  above('topCut', topCut, 0)
  if (topCut >= 90) throw new DomainError('topCut', topCut, 'below 90')
  atLeast('sunk', sunk, 0)
  const wide = diameter + 2 * sunk / Math.tan(topCut * Math.PI / 180)
  return { added: Math.PI * sunk / 12 * (diameter ** 2 + diameter * wide + wide ** 2) / 1000, diameter: wide }
}

/**
 * What blending the rim of a sunk form into the ceiling adds to the chamber.
 *
 * @param form diameter across the form at the ceiling in mm, topCut: angle of its cone from the head's plane, degrees
 * @param width mm that are taken off on either side of the rim, 0 or more
 * @returns cc
 * @throws RangeError when a value leaves its domain
 * Source: the rim's corner is a triangle of sides b, b and the angle 180° − α between them, ½·b²·sinα, carried round by
 *   Pappus' theorem at its centroid, D/2 + b·(1 − cosα)/3.
 * @example blending({ diameter: 39.732, topCut: 30 }, 2) // 0.125 cc
 */
export function blending({ diameter, topCut }: { diameter: number, topCut: number }, width: number): number {
  above('diameter', diameter, 0)
  above('topCut', topCut, 0)
  if (topCut >= 90) throw new DomainError('topCut', topCut, 'below 90')
  atLeast('width', width, 0)
  const alpha = topCut * Math.PI / 180
  return 2 * Math.PI * (diameter / 2 + width * (1 - Math.cos(alpha)) / 3) * width * width * Math.sin(alpha) / 2 / 1000
}

/**
 * What a ridge holds that a cutter left round a valve: the cc that blending it away gives the chamber.
 *
 * @param ridge height over the ceiling and width of its foot, diameter it stands at, mm; the arc it runs over, degrees
 * @returns cc
 * @throws RangeError when a length is not above 0 or the arc not above 0 and up to 360
 * Source: a triangle ½·w·h carried round by Pappus' theorem at its middle: ½·w·h·π·D·arc/360.
 * @example ridgeVolume({ height: 0.8, width: 1.5, across: 42, arc: 120 }) // 0.0264 cc
 */
export function ridgeVolume({ height, width, across, arc }: { height: number, width: number, across: number, arc: number }): number {
  above('height', height, 0)
  above('width', width, 0)
  above('across', across, 0)
  above('arc', arc, 0)
  atMost('arc', arc, 360)
  return height * width / 2 * Math.PI * across * arc / 360 / 1000
}

/**
 * How far a seat's outer edge grows when the seat alone is re-cut under its top cut: the ledge.
 *
 * @param seatAngle and topCut in degrees from the head's plane, the seat the steeper
 * @param sunk mm, 0 or more
 * @returns mm on the radius
 * @throws RangeError when a value leaves its domain
 * Source: contract, s/(tanβ − tanα).
 * @example seatLedge(45, 30, 0.5) // 1.183 mm
 */
export function seatLedge(seatAngle: number, topCut: number, sunk: number): number {
  above('topCut', topCut, 0)
  above('seatAngle', seatAngle, topCut)
  if (seatAngle >= 90) throw new DomainError('seatAngle', seatAngle, 'below 90')
  const tan = (degrees: number) => Math.tan(degrees * Math.PI / 180)
  return atLeast('sunk', sunk, 0) / (tan(seatAngle) - tan(topCut))
}
