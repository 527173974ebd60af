import { DomainError, above, atLeast, finite } from '../domain'

const RADIANS = Math.PI / 180

/**
 * What lowering the heads of a V engine does at the intake flanges.
 *
 * @param halfBank γ, half the angle between the banks, degrees, 0 or more and below 90
 * @param flange α, angle of the flange from horizontal, degrees, above 0 and below 180
 * @param drop mm each head comes down its bore, any sign
 * @returns keeping the ports in line: `offFlange` mm to take off each flange and `manifoldDown` mm the manifold sinks;
 *   leaving the manifold at its height: `gap` mm the flanges stand closer and `portsOff` mm the ports miss each other
 * @throws RangeError when an angle leaves its domain
 * Source: contract, plane geometry: t = d·sinγ/sinα, v = d·sin(γ + α)/sinα; d·cos(γ + α), d·sin(γ + α).
 * @example vFlange(45, 35, 0.6) // offFlange 0.740, manifoldDown 1.030
 */
export function vFlange(halfBank: number, flange: number, drop: number): { offFlange: number, manifoldDown: number, gap: number, portsOff: number } {
  atLeast('halfBank', halfBank, 0)
  if (halfBank >= 90) throw new DomainError('halfBank', halfBank, 'below 90')
  above('flange', flange, 0)
  if (flange >= 180) throw new DomainError('flange', flange, 'below 180')
  finite('drop', drop)
  const [gamma, alpha] = [halfBank * RADIANS, flange * RADIANS]
  return {
    offFlange: drop * Math.sin(gamma) / Math.sin(alpha), manifoldDown: drop * Math.sin(gamma + alpha) / Math.sin(alpha),
    gap: drop * Math.cos(gamma + alpha), portsOff: drop * Math.sin(gamma + alpha)
  }
}

/**
 * What a rolled cut leans what is square to the head's old face by: bolt seats, dowel holes, valves.
 *
 * @param slopeX and `slopeY` of the new face against the old, mm per mm
 * @param across width of a bolt's seat, mm, 0 or more
 * @returns `lean` in degrees, and `over`: mm from one side of the seat to the other
 * @throws RangeError when a value leaves its domain
 * Source: angle between two planes' normals, atan √(sx² + sy²); rise over a width.
 * @example rolledSeat(0, 0.02, 22) // lean 1.146°, over 0.44
 */
export function rolledSeat(slopeX: number, slopeY: number, across: number): { lean: number, over: number } {
  const slope = Math.hypot(finite('slopeX', slopeX), finite('slopeY', slopeY))
  return { lean: Math.atan(slope) / RADIANS, over: slope * atLeast('across', across, 0) }
}

/**
 * How far an overhead cam falls back when its head comes nearer the crank.
 *
 * @param drop mm, any sign
 * @param drive runAngle ζ between the tight run and the bore axis in degrees; pitch of chain or belt in mm; camTeeth
 * @returns crank degrees of retard
 * @throws RangeError when a value leaves its domain
 * Source: contract: 720·d·cosζ/(p·z).
 * @example camRetard(0.6, { runAngle: 5, pitch: 9.525, camTeeth: 38 }) // 1.189°
 */
export function camRetard(drop: number, { runAngle, pitch, camTeeth }: { runAngle: number, pitch: number, camTeeth: number }): number {
  finite('drop', drop)
  above('90 − |runAngle|', 90 - Math.abs(finite('runAngle', runAngle)), 0)
  above('pitch', pitch, 0)
  above('camTeeth', camTeeth, 0)
  return 720 * drop * Math.cos(runAngle * RADIANS) / (pitch * camTeeth)
}

/**
 * Change of pushrod length that keeps the lifter where it was.
 *
 * @param change mm: gasketGain (thicker +), headCut, deckCut, sunk (valve), baseCircleLost (radius of a reground cam)
 * @param gear pushrodAngle ψ to the bore in degrees, rockerRatio above 0
 * @returns mm, + for a longer pushrod
 * @throws RangeError when a value leaves its domain
 * Source: contract: (gasket gain − head cut − deck cut)·cosψ − s/R + base-circle radius lost.
 * @example pushrodChange({ gasketGain: -0.3, headCut: 1.08, deckCut: 0, sunk: 0, baseCircleLost: 0 },
 *   { pushrodAngle: 6, rockerRatio: 1.5 }) // −1.372 mm
 */
export function pushrodChange(
  change: { gasketGain: number, headCut: number, deckCut: number, sunk: number, baseCircleLost: number },
  { pushrodAngle, rockerRatio }: { pushrodAngle: number, rockerRatio: number }
): number {
  for (const [name, value] of Object.entries(change)) finite(name, value)
  above('90 − |pushrodAngle|', 90 - Math.abs(finite('pushrodAngle', pushrodAngle)), 0)
  above('rockerRatio', rockerRatio, 0)
  const { gasketGain, headCut, deckCut, sunk, baseCircleLost } = change
  return (gasketGain - headCut - deckCut) * Math.cos(pushrodAngle * RADIANS) - sunk / rockerRatio + baseCircleLost
}
