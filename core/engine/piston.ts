import { DomainError, above, atLeast, finite } from '../domain'

export interface CrankTrain {
  /** mm, greater than 0 */
  stroke: number
  /** Centre to centre, mm, longer than half the stroke plus the pin offset. */
  rodLength: number
  /** mm, + on the side the throw moves to after θ = 0; the usual offset is negative. */
  pinOffset?: number
}

const RADIANS = Math.PI / 180

function checked({ stroke, rodLength, pinOffset = 0 }: CrankTrain) {
  above('stroke', stroke, 0)
  finite('pinOffset', pinOffset)
  above('rodLength', rodLength, stroke / 2 + Math.abs(pinOffset))
  return { r: stroke / 2, l: rodLength, e: pinOffset }
}

/**
 * How far the piston stands below its highest point.
 *
 * @param train stroke, rod length and pin offset in mm
 * @param crankAngle degrees from where the throw is parallel to the bore axis, negative before it
 * @returns mm, 0 or more
 * @throws RangeError when the rod can't turn with that stroke and offset
 * Source: Heywood §2.2, eq. 2.5 with pin offset:
 * √((l + r)² − e²) − (r·cosθ + √(l² − (r·sinθ − e)²)).
 * @example pistonTravel({ stroke: 85, rodLength: 140 }, 30) // 7.31604 mm
 */
export function pistonTravel(train: CrankTrain, crankAngle: number): number {
  const { r, l, e } = checked(train)
  const theta = finite('crankAngle', crankAngle) * RADIANS
  const side = r * Math.sin(theta) - e
  const travel = Math.sqrt((l + r) ** 2 - e * e) - (r * Math.cos(theta) + Math.sqrt(l * l - side * side))
  // At top dead centre the two roots differ by rounding only; a travel below zero has no meaning.
  return Math.max(0, travel)
}

/**
 * Crank angle at which the piston is highest.
 *
 * @param train stroke, rod length and pin offset in mm
 * @returns degrees, 0 without offset
 * @throws RangeError when the rod can't turn with that stroke and offset
 * Source: slider-crank with offset, throw and rod in one line: asin(e/(l + r)).
 * @example topDeadCentre({ stroke: 85, rodLength: 150, pinOffset: 1 }) // 0.29764°
 */
export function topDeadCentre(train: CrankTrain): number {
  const { r, l, e } = checked(train)
  return Math.asin(e / (l + r)) / RADIANS
}

/**
 * Compression ratio counted from where the intake valve shuts instead of from bottom dead centre.
 *
 * @param cylinder bore, stroke, rod and offset in mm, clearance in cc, intake closing in degrees after bottom
 *   dead centre (0 to 180, at whatever lift the cam card quotes)
 * @returns the ratio, 1 or more
 * @throws RangeError when a dimension leaves its domain
 * Source: Heywood §2.2 with the piston's place at θ = topDeadCentre + 180 + intakeClosing.
 * @example effectiveCompressionRatio({ bore: 92, stroke: 85, rodLength: 150, clearance: 65.7031, intakeClosing: 50 })
 *   // 8.42578
 */
export function effectiveCompressionRatio(
  cylinder: CrankTrain & { bore: number, clearance: number, intakeClosing: number }
): number {
  const { bore, clearance, intakeClosing } = cylinder
  above('bore', bore, 0)
  above('clearance', clearance, 0)
  atLeast('intakeClosing', intakeClosing, 0)
  if (intakeClosing > 180) throw new DomainError('intakeClosing', intakeClosing, '180 or less')
  const travel = pistonTravel(cylinder, topDeadCentre(cylinder) + 180 + intakeClosing)
  return (Math.PI / 4 * bore * bore * travel / 1000 + clearance) / clearance
}

/**
 * Two-stroke ratio counted from where the exhaust port is just shut.
 *
 * @param cylinder bore in mm, clearance in cc, exhaustPortTop: travel in mm from top dead centre to where the
 *   port is just shut, 0 or more
 * @returns the ratio, 1 or more
 * @throws RangeError when a value leaves its domain
 * Source: definition, (π/4·B²·h + Vc)/Vc.
 * @example trappedCompressionRatio({ bore: 68, clearance: 24.21, exhaustPortTop: 43.1 }) // 7.4653
 */
export function trappedCompressionRatio(
  { bore, clearance, exhaustPortTop }: { bore: number, clearance: number, exhaustPortTop: number }
): number {
  above('bore', bore, 0)
  above('clearance', clearance, 0)
  atLeast('exhaustPortTop', exhaustPortTop, 0)
  return (Math.PI / 4 * bore * bore * exhaustPortTop / 1000 + clearance) / clearance
}
