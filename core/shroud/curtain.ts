import { DomainError, above, atLeast } from '../domain'

/** A valve seat: outer diameter and radial width in mm, angle from the plane of the valve head in degrees. */
export interface Seat { diameter: number, seatWidth: number, seatAngle: number }

/** A seat with what lies behind it: throat and stem diameters, mm. */
export interface Passage extends Seat { throat: number, stem: number }

function checked({ diameter, seatWidth, seatAngle }: Seat): { D: number, w: number, beta: number } {
  above('diameter', diameter, 0)
  atLeast('seatWidth', seatWidth, 0)
  above('diameter − 2·seatWidth', diameter - 2 * seatWidth, 0)
  above('seatAngle', seatAngle, 0)
  if (seatAngle >= 90) throw new DomainError('seatAngle', seatAngle, 'below 90')
  return { D: diameter, w: seatWidth, beta: seatAngle * Math.PI / 180 }
}

/**
 * Least area between a valve and its seat at a lift.
 *
 * @param seat see {@link Seat}
 * @param lift mm, 0 or more
 * @returns mm²
 * @throws RangeError when a value leaves its domain
 * Source: Heywood §6.3.2, eqs. 6.7 and 6.8 with the radial seat width w: while L ≤ w/(sinβ·cosβ) the cone
 *   π·L·cosβ·(D − 2w + L/2·sin2β), beyond it π·(D − w)·√((L − w·tanβ)² + w²).
 * @example curtainArea({ diameter: 44.5, seatWidth: 1.4, seatAngle: 45 }, 8) // 913.541 mm²
 */
export function curtainArea(seat: Seat, lift: number): number {
  const { D, w, beta } = checked(seat)
  const L = atLeast('lift', lift, 0)
  if (L <= w / (Math.sin(beta) * Math.cos(beta))) return Math.PI * L * Math.cos(beta) * (D - 2 * w + L / 2 * Math.sin(2 * beta))
  return Math.PI * (D - w) * Math.hypot(L - w * Math.tan(beta), w)
}

/**
 * What a valve can pass at a lift: its curtain, or the throat less the stem once that is smaller.
 *
 * @param passage see {@link Passage}
 * @param lift mm, 0 or more
 * @returns mm²
 * @throws RangeError when a value leaves its domain
 * Source: Heywood §6.3.2, the lesser of the curtain and π/4·(Dp² − Ds²).
 * @example flowArea({ diameter: 44.5, seatWidth: 1.4, seatAngle: 45, throat: 39.383, stem: 8 }, 11) // 1167.90 mm²
 */
export function flowArea(passage: Passage, lift: number): number {
  above('stem', passage.stem, 0)
  above('throat', passage.throat, passage.stem)
  return Math.min(curtainArea(passage, lift), Math.PI / 4 * (passage.throat ** 2 - passage.stem ** 2))
}
