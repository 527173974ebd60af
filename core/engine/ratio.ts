import { above } from '../domain'

/**
 * Static compression ratio.
 *
 * @param swept cc, greater than 0
 * @param clearance cc at top dead centre, greater than 0
 * @returns the ratio, always above 1
 * @throws RangeError when a volume is not greater than 0
 * Source: Heywood §2.2, rc = (Vd + Vc)/Vc.
 * @example compressionRatio(565.0469, 65.70) // 9.60041
 */
export function compressionRatio(swept: number, clearance: number): number {
  above('swept', swept, 0)
  above('clearance', clearance, 0)
  return (swept + clearance) / clearance
}

/**
 * Clearance volume that gives a wanted ratio: what the whole stack over the piston must come to.
 *
 * @param swept cc, greater than 0
 * @param ratio greater than 1
 * @returns cc
 * @throws RangeError when swept is not greater than 0 or the ratio is 1 or less
 * Source: Heywood §2.2 solved for Vc: Vc = Vd/(rc − 1).
 * @example clearanceForRatio(565.0469, 9.6) // 65.7031 cc
 */
export function clearanceForRatio(swept: number, ratio: number): number {
  above('swept', swept, 0)
  above('ratio', ratio, 1)
  return swept / (ratio - 1)
}
