import { above, atLeast, finite } from '../domain'

export interface RodLoad {
  /** Piston, pin, rings and the rod's small end, kg. */
  mass: number
  /** The rod's beam between its ends, kg: half of it counts. */
  beamMass: number
  /** Half the stroke, mm. */
  crankRadius: number
  /** mm */
  rodLength: number
  rpm: number
  /** Least section of the beam, mm². */
  area: number
  /** Young's modulus of the rod, Pa. */
  modulus: number
}

/** Young's modulus by rod material, Pa (Shigley's Mechanical Engineering Design, table A-5). */
export const ROD_MODULUS = { steel: 206e9, aluminium: 71e9, titanium: 114e9 } as const
export type RodMaterial = keyof typeof ROD_MODULUS

/**
 * How far a rod stretches at top dead centre on the exhaust stroke.
 *
 * @param load masses kg, lengths mm, area mm², modulus Pa, rpm
 * @returns mm
 * @throws RangeError when a value leaves its domain
 * Source: Hooke, δ = F·l/(A·E) with the inertia force at top dead centre (Heywood §2.2, second order):
 * F = (m + m_beam/2)·r·ω²·(1 + r/l).
 * @example rodStretch({ mass: 0.62, beamMass: 0.25, crankRadius: 42.5, rodLength: 150, rpm: 5500, area: 150,
 *   modulus: 206e9 }) // 0.065 mm
 */
export function rodStretch({ mass, beamMass, crankRadius, rodLength, rpm, area, modulus }: RodLoad): number {
  above('mass', mass, 0)
  atLeast('beamMass', beamMass, 0)
  above('crankRadius', crankRadius, 0)
  above('rodLength', rodLength, crankRadius)
  atLeast('rpm', rpm, 0)
  above('area', area, 0)
  above('modulus', modulus, 0)
  const omega = rpm * Math.PI / 30
  const force = (mass + beamMass / 2) * (crankRadius / 1000) * omega ** 2 * (1 + crankRadius / rodLength)
  return force * rodLength / (area * 1e-6 * modulus)
}

export interface GapLosses {
  /** As measured cold over the bore's centre, mm. */
  cold: number
  /** All in mm, 0 or more (heat may also open the gap: below 0). */
  rodStretch: number
  bearings: number
  rock: number
  thermal: number
}

/**
 * What is left of a squish gap when the engine runs.
 *
 * @param losses see {@link GapLosses}
 * @returns mm; 0 or less touches
 * @throws RangeError when a value leaves its domain
 * Source: contract, cold − rod stretch − bearing clearances − rock − thermal.
 * @example runningGap({ cold: 1.26, rodStretch: 0.065, bearings: 0.09, rock: 0.04, thermal: 0.05 }) // 1.015 mm
 */
export function runningGap({ cold, rodStretch: stretch, bearings, rock, thermal }: GapLosses): number {
  finite('cold', cold)
  atLeast('rodStretch', stretch, 0)
  atLeast('bearings', bearings, 0)
  atLeast('rock', rock, 0)
  finite('thermal', thermal)
  return cold - stretch - bearings - rock - thermal
}
