import { above, atLeast, finite } from '../domain'

/**
 * Depth a flat face cut must take for a chamber to lose a volume.
 *
 * @param toLose cc the chamber must lose, 0 or more
 * @param perMm cc lost per mm of depth, greater than 0: the open area at the face in mm² / 1000, or a head's lesson
 * @returns mm
 * @throws RangeError when a value leaves its domain
 * Source: dV/d(depth) = opening area, taken as constant over the cut.
 * @example flatCutDepth(7.088, 4.65) // 1.524 mm
 */
export function flatCutDepth(toLose: number, perMm: number): number {
  atLeast('toLose', toLose, 0)
  above('perMm', perMm, 0)
  return toLose / perMm
}

/** How a piston clearance was measured: upright over a flat crown, along the valve, or in a pocket cut parallel to it. */
export type ClearanceConvention = 'upright' | 'alongValve' | 'pocket'

/**
 * Piston-to-valve clearance lost when the head comes down.
 *
 * @param drop mm the head comes down (face cut + thinner gasket + deck cut), any sign
 * @param tilt degrees between valve and bore axis, 0 or more, below 90
 * @param convention how the clearance is measured
 * @returns mm off the measured clearance; `side` is what a parallel pocket loses sideways
 * @throws RangeError when the tilt leaves its domain
 * Source: plane geometry: upright d, along the valve d/cosτ, pocket d·cosτ with d·sinτ to its side.
 * @example valveClearanceLost(1.0, 24, 'alongValve') // { lost: 1.0946, side: 0 }
 */
export function valveClearanceLost(
  drop: number, tilt: number, convention: ClearanceConvention
): { lost: number, side: number } {
  finite('drop', drop)
  atLeast('tilt', tilt, 0)
  above('90 − tilt', 90 - tilt, 0)
  const t = tilt * Math.PI / 180
  if (convention === 'alongValve') return { lost: drop / Math.cos(t), side: 0 }
  if (convention === 'pocket') return { lost: drop * Math.cos(t), side: drop * Math.sin(t) }
  return { lost: drop, side: 0 }
}

/**
 * Piston-to-valve clearance that sinking the valve gives back.
 *
 * @param sunk mm along the valve, 0 or more
 * @param tilt degrees between valve and bore axis, 0 or more, below 90
 * @param convention how the clearance is measured
 * @returns mm
 * @throws RangeError when a value leaves its domain
 * Source: contract: s·cosτ upright, s along the valve (and in a pocket cut along it).
 * @example clearanceFromSinking(0.5, 24, 'upright') // 0.4568
 */
export function clearanceFromSinking(sunk: number, tilt: number, convention: ClearanceConvention): number {
  atLeast('sunk', sunk, 0)
  atLeast('tilt', tilt, 0)
  above('90 − tilt', 90 - tilt, 0)
  return convention === 'upright' ? sunk * Math.cos(tilt * Math.PI / 180) : sunk
}
