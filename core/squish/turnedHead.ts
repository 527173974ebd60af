import { DomainError, above, atLeast, finite } from '../domain'
import { clearanceForRatio, compressionRatio, cylinderVolume } from '../engine'

/**
 * How far the outer edge of a squish band moves inward when the seat face is lowered and the band is not yet re-cut.
 *
 * @param off mm taken off the seat face, 0 or more
 * @param bandAngle degrees between band and seat face, above 0 and below 90
 * @returns mm on the radius
 * @throws RangeError when a value leaves its domain
 * Source: plane geometry, e/tanα.
 * @example bandEdgeShift(0.85, 10) // 4.821 mm
 */
export function bandEdgeShift(off: number, bandAngle: number): number {
  atLeast('off', off, 0)
  above('bandAngle', bandAngle, 0)
  if (bandAngle >= 90) throw new DomainError('bandAngle', bandAngle, 'below 90')
  return off / Math.tan(bandAngle * Math.PI / 180)
}

export interface TurnedHead {
  /** mm */
  bore: number
  /** cc */
  swept: number
  /** Whole clearance volume as found, cc. */
  clearance: number
  /** Squish along the bore as found and as wanted, mm. */
  squish: number
  wantedSquish: number
  /** Full-stroke ratio that is wanted. */
  wantedRatio: number
}

export interface TurnedHeadPlan {
  /** mm off the seat face; 0 where the squish is tight already. */
  off: number
  /** mm the squish is short of what is wanted: a gasket or a spacer's work, no lathe's. */
  short: number
  /** cc the cut takes, the clearance and the ratio then. */
  taken: number
  clearanceAfter: number
  ratioAfter: number
  /** cc still to open in the dome; below 0 the ratio is short even with the dome left alone. */
  toOpen: number
  /** Whole clearance volume when both are done, cc. */
  clearanceDone: number
}

/**
 * The order a turned two-stroke head is worked in: squish first, then the dome until the ratio is right. With the
 * band re-cut at its angle the whole bore circle comes down by what is taken off the seat face.
 *
 * @param head see {@link TurnedHead}
 * @returns see {@link TurnedHeadPlan}
 * @throws RangeError when a value leaves its domain or the cut takes more than there is
 * Source: bore area × depth, and Vs/(r − 1).
 * @example turnedHeadPlan({ bore: 68, swept: 246.954, clearance: 26.27, squish: 1.95, wantedSquish: 1.10,
 *   wantedRatio: 11.2 }) // off 0.85, taken 3.087, ratioAfter 11.652, toOpen 1.028
 */
export function turnedHeadPlan(
  { bore, swept, clearance, squish, wantedSquish, wantedRatio }: TurnedHead
): TurnedHeadPlan {
  above('clearance', clearance, 0)
  finite('squish', squish)
  atLeast('wantedSquish', wantedSquish, 0)
  const off = Math.max(0, squish - wantedSquish)
  const taken = cylinderVolume(bore, off)
  const clearanceAfter = above('clearance after the cut', clearance - taken, 0)
  const clearanceDone = clearanceForRatio(swept, wantedRatio)
  return {
    off, short: Math.max(0, wantedSquish - squish), taken, clearanceAfter,
    ratioAfter: compressionRatio(swept, clearanceAfter), toOpen: clearanceDone - clearanceAfter, clearanceDone
  }
}
