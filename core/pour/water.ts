import { DomainError, above, atLeast, finite } from '../domain'

/**
 * Density of air-free water.
 *
 * @param temperature °C, 0 to 40
 * @returns g/cc
 * @throws RangeError outside 0 to 40 °C
 * Source: Tanaka et al., Metrologia 38 (2001) 301, eq. 1 (the CIPM's formula).
 * @example waterDensity(20) // 0.998207 g/cc
 */
export function waterDensity(temperature: number): number {
  const t = atLeast('temperature', temperature, 0)
  if (t > 40) throw new DomainError('temperature', temperature, '40 or less')
  return 0.99997495 * (1 - (t - 3.983035) ** 2 * (t + 301.797) / (522528.9 * (t + 69.34881)))
}

/** Density of air at a bench, and of the weights a balance was set with, g/cc (ISO 4787). */
const AIR = 0.0012
const WEIGHTS = 8

/**
 * Volume of water from its mass as a balance in air shows it.
 *
 * @param mass g as shown, greater than 0
 * @param temperature of the water, °C, 0 to 40
 * @returns cc at that temperature
 * @throws RangeError when a value leaves its domain
 * Source: ISO 4787, V = m·(1 − ρair/ρweights)/(ρwater − ρair).
 * @example waterVolume(100, 20) // 100.285 cc, the table's Z of 1.0029
 */
export function waterVolume(mass: number, temperature: number): number {
  return above('mass', mass, 0) * (1 - AIR / WEIGHTS) / (waterDensity(temperature) - AIR)
}

/**
 * Volume a liquid takes in the head when it is warmer (or colder) there than it was in the glass. Being away from
 * 20 °C alone changes nothing: it is the same liquid in both.
 *
 * @param volume cc as measured in the glass, 0 or more
 * @param expansion the liquid's volume expansion per kelvin: about 1.1e-3 for alcohol, 2.1e-4 for water
 * @param warmer K the liquid is warmer in the head than in the glass; negative where it is colder
 * @returns cc in the head
 * @throws RangeError when a value leaves its domain
 * Source: definition of volume expansion, V·(1 + γ·ΔT).
 * @example warmedVolume(55, 1.1e-3, 4) // 55.242 cc
 */
export function warmedVolume(volume: number, expansion: number, warmer: number): number {
  atLeast('volume', volume, 0)
  atLeast('expansion', expansion, 0)
  return volume * (1 + expansion * finite('warmer', warmer))
}
