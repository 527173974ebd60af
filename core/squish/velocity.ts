import { above, atLeast, finite } from '../domain'
import { cylinderVolume, pistonTravel, topDeadCentre, type CrankTrain } from '../engine'

export interface SquishBand extends CrankTrain {
  /** mm */
  bore: number
  /** Engine speed, rpm, greater than 0. */
  rpm: number
  /** Area of the band over the piston, mm², greater than 0 and less than the bore circle. */
  squishArea: number
  /** Length of the band's inner edge, mm, over which the gas leaves. */
  bandEdge: number
  /** Gap between band and piston at top dead centre, mm, greater than 0. */
  clearanceAtTdc: number
  /** Whole clearance volume at top dead centre less bore area × clearance, cc, greater than 0. */
  bowlVolume: number
}

const RADIANS = Math.PI / 180

/** Piston speed in m/s at a crank angle: the slider-crank with offset, differentiated. */
function pistonSpeed({ stroke, rodLength, pinOffset = 0 }: CrankTrain, rpm: number, crankAngle: number): number {
  const r = stroke / 2
  const theta = crankAngle * RADIANS
  const side = r * Math.sin(theta) - pinOffset
  const perRadian = r * Math.sin(theta) + side * r * Math.cos(theta) / Math.sqrt(rodLength * rodLength - side * side)
  return perRadian * rpm * Math.PI / 30 / 1000
}

function checkBand(band: SquishBand): void {
  above('bore', band.bore, 0)
  above('rpm', band.rpm, 0)
  above('squishArea', band.squishArea, 0)
  above('bore area − squishArea', Math.PI / 4 * band.bore ** 2 - band.squishArea, 0)
  above('bandEdge', band.bandEdge, 0)
  above('clearanceAtTdc', band.clearanceAtTdc, 0)
  above('bowlVolume', band.bowlVolume, 0)
}

/**
 * Speed of the gas that the squish band drives inward, at the band's inner edge.
 *
 * @param band lengths mm, areas mm², volumes cc, rpm; see {@link SquishBand}
 * @param crankAngle degrees, negative before top dead centre
 * @returns m/s, 0 or more: inward before top dead centre, drawn back outward after it
 * @throws RangeError when a value leaves its domain
 * Source: Heywood §8.4, eq. 8.26 written for a band of any outline (ideal, no leakage):
 * |Up| · As/(P·x) · Vb/(Ac·x + Vb), x = travel + clearance.
 * @example squishVelocity({ bore: 92, stroke: 85, rodLength: 150, rpm: 5000, squishArea: 1998, bandEdge: 87.6,
 *   clearanceAtTdc: 1.26, bowlVolume: 57.3271 }, -10) // 43.493 m/s
 */
export function squishVelocity(band: SquishBand, crankAngle: number): number {
  checkBand(band)
  const x = pistonTravel(band, finite('crankAngle', crankAngle)) + band.clearanceAtTdc
  const speed = Math.abs(pistonSpeed(band, band.rpm, crankAngle))
  const overBand = cylinderVolume(band.bore, x)
  return speed * band.squishArea / (band.bandEdge * x) * band.bowlVolume / (overBand + band.bowlVolume)
}

/**
 * The highest squish velocity on the way up, and where it falls.
 *
 * @param band see {@link squishVelocity}
 * @returns value in m/s, to better than 0.001; atCrankAngle in degrees, before top dead centre, to better than 0.01
 * @throws RangeError when a value leaves its domain
 * Source: Heywood §8.4; the maximum by golden section (Press et al., Numerical Recipes, §10.2) within half a degree
 * of the best of a scan, for the curve has one hump.
 * @example peakSquishVelocity(band) // { value: 43.521, atCrankAngle: -10.32 }
 */
export function peakSquishVelocity(band: SquishBand): { value: number, atCrankAngle: number } {
  checkBand(band)
  const top = topDeadCentre(band)
  let best = top - 0.5
  for (let angle = top - 90; angle < top; angle += 0.5) {
    if (squishVelocity(band, angle) > squishVelocity(band, best)) best = angle
  }
  const golden = (Math.sqrt(5) - 1) / 2
  let [low, high] = [best - 0.5, Math.min(best + 0.5, top)]
  while (high - low > 1e-4) {
    const [a, b] = [high - golden * (high - low), low + golden * (high - low)]
    if (squishVelocity(band, a) < squishVelocity(band, b)) low = a
    else high = b
  }
  const at = (low + high) / 2
  return { value: squishVelocity(band, at), atCrankAngle: at }
}

/**
 * What of the whole clearance volume is not over the band's gap: the bowl that the gas is driven into.
 *
 * @param clearance whole clearance volume, cc
 * @param bore mm
 * @param clearanceAtTdc gap between band and piston at top dead centre, mm
 * @returns cc
 * @throws RangeError when nothing is left
 * Source: contract, clearance − π/4·B²·gap.
 * @example bowlVolume(65.7031, 92, 1.26) // 57.3271 cc
 */
export function bowlVolume(clearance: number, bore: number, clearanceAtTdc: number): number {
  above('clearance', clearance, 0)
  above('bore', bore, 0)
  atLeast('clearanceAtTdc', clearanceAtTdc, 0)
  return above('bowl', clearance - cylinderVolume(bore, clearanceAtTdc), 0)
}

/**
 * Share of the bore that the squish band covers.
 *
 * @param squishArea mm²
 * @param bore mm
 * @returns 0 to 1
 * @throws RangeError when the band is larger than the bore
 * Source: definition, As/(π/4·B²).
 * @example squishShare(1998, 92) // 0.3006
 */
export function squishShare(squishArea: number, bore: number): number {
  above('bore', bore, 0)
  above('squishArea', squishArea, 0)
  return 1 - atLeast('bore area − squishArea', Math.PI / 4 * bore * bore - squishArea, 0) / (Math.PI / 4 * bore * bore)
}

/**
 * Squish area that a chamber's mouth leaves of the bore.
 *
 * @param bore mm
 * @param opening open area of the chamber at the face, mm², 0 or more
 * @returns mm², 0 where the mouth is as large as the bore
 * @throws RangeError when a value leaves its domain
 * Source: definition, π/4·B² − opening.
 * @example squishAreaOver(92, 4650) // 1998 mm²
 */
export function squishAreaOver(bore: number, opening: number): number {
  return Math.max(0, Math.PI / 4 * above('bore', bore, 0) ** 2 - atLeast('opening', opening, 0))
}
