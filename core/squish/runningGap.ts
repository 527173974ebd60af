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

/** Linear expansion by material, 1/K (Shigley's Mechanical Engineering Design, table on thermal expansion; castings and pistons alike). */
export const BLOCK_EXPANSION = { iron: 11e-6, aluminium: 22e-6 } as const
export type BlockMaterial = keyof typeof BLOCK_EXPANSION
const ROD_EXPANSION = { steel: 11.7e-6, aluminium: 23e-6, titanium: 8.9e-6 } as const
const PISTON_EXPANSION = 21e-6

/** How much warmer each part runs than it was measured, K, and how sure that is (k = 1). */
const WARMER = { rod: { by: 90, u: 15 }, piston: { by: 180, u: 30 }, crank: { by: 80, u: 15 }, block: { by: 70, u: 10 } } as const

/** Sizes that heat grows, mm, and what they are made of; a block of which nobody said it may be either. */
export interface HeatedParts { rodLength: number, crankRadius: number, compressionHeight: number, rod: RodMaterial, block?: BlockMaterial }

/**
 * How much heat takes from a gap over the piston: crank, rod and piston grow upwards, and the block with the head on it.
 *
 * @param parts see {@link HeatedParts}
 * @returns mm that the gap closes by, below 0 where it opens, and its standard uncertainty from the temperatures and from
 *   a block that nobody named
 * @throws RangeError when a length is not above 0
 * Source: ΔL = α·L·ΔT of each, with the usual running temperatures over 20 °C; a rectangular distribution between iron and
 *   aluminium (JCGM 100:2008 §4.3.7).
 * @example heatCloses({ rodLength: 150, crankRadius: 42.5, compressionHeight: 37, rod: 'steel', block: 'iron' }).value // 0.161 mm
 */
export function heatCloses({ rodLength, crankRadius, compressionHeight, rod, block }: HeatedParts): { value: number, u: number } {
  above('rodLength', rodLength, 0)
  above('crankRadius', crankRadius, 0)
  above('compressionHeight', compressionHeight, 0)
  const tall = rodLength + crankRadius + compressionHeight
  const blocks = block ? [BLOCK_EXPANSION[block]] : Object.values(BLOCK_EXPANSION)
  const [least, most] = [Math.min(...blocks), Math.max(...blocks)]
  const perK = {
    rod: rodLength * ROD_EXPANSION[rod], piston: compressionHeight * PISTON_EXPANSION,
    crank: crankRadius * ROD_EXPANSION.steel, block: -tall * (least + most) / 2
  }
  const parts = Object.keys(WARMER) as (keyof typeof WARMER)[]
  return {
    value: parts.reduce((sum, part) => sum + perK[part] * WARMER[part].by, 0),
    u: Math.hypot(...parts.map(part => perK[part] * WARMER[part].u), tall * (most - least) / 2 * WARMER.block.by / Math.sqrt(3))
  }
}

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
