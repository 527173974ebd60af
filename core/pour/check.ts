import { DomainError, above, atLeast } from '../domain'
import { waterVolume } from './water'
import { combinePours, pourVolume } from './pour'
import type { Fill, Instrument } from './instrument'

/** What a check pour is measured against. Lengths in mm, each with its standard uncertainty. */
export type KnownVolume
  = | { kind: 'ball', diameter: number, u: number }
    | { kind: 'cylinder', diameter: number, height: number, u: number }
    | { kind: 'water', mass: number, temperature: number, u: number }

/**
 * A volume known from its size, or from the water it holds.
 *
 * @param known a ball (its size by a micrometer), a bored cylinder, or water on a scale (mass in g, u in g);
 *   `u` is the standard uncertainty of each length in mm, or of the mass in g
 * @returns value and u, cc
 * @throws RangeError when a size leaves its domain
 * Source: π/6·d³; π/4·d²·h; ISO 4787 for water. u by first order, GUM §5.1.2.
 * @example knownVolume({ kind: 'ball', diameter: 40, u: 0.005 }) // 33.510 cc, u 0.0126
 */
export function knownVolume(known: KnownVolume): { value: number, u: number } {
  atLeast('known.u', known.u, 0)
  if (known.kind === 'water') {
    const value = waterVolume(known.mass, known.temperature)
    return { value, u: value / known.mass * known.u }
  }
  const d = above('known.diameter', known.diameter, 0)
  if (known.kind === 'ball') {
    const value = Math.PI / 6 * d ** 3 / 1000
    return { value, u: value * 3 * known.u / d }
  }
  const h = above('known.height', known.height, 0)
  const value = Math.PI / 4 * d * d * h / 1000
  return { value, u: value * Math.hypot(2 * known.u / d, known.u / h) }
}

/** What check pours say about an instrument's scale. */
export interface CheckResult {
  known: number
  /** Mean of what the instrument read for it, cc, without any correction. */
  read: number
  /** Factor that makes the scale right at this volume. */
  correction: number
  /** Standard uncertainty of the factor. */
  u: number
  /** The tolerance the scale has at this volume from now on, cc: √3 times what is left of its doubt. */
  tolerance: number
}

/**
 * An instrument's own correction from one or more pours of a known volume.
 *
 * @param known see {@link knownVolume}
 * @param pours one or more lists of fills
 * @param instrument as bought: an older correction is set aside
 * @returns see {@link CheckResult}; it is good near the volume it was made at
 * @throws RangeError for no pours, a reading off the scale, or a scale that is out by more than a fifth
 * Source: correction = known/read; u² = (u_known/known)² + (own/read)² (GUM §5.1.6), own as {@link combinePours} has it.
 * @example checkPour({ kind: 'ball', diameter: 40, u: 0.005 }, [[{ start: 0, end: 33.4 }]], burette).correction
 *   // 1.0033
 */
export function checkPour(known: KnownVolume, pours: Fill[][], instrument: Instrument): CheckResult {
  if (!Array.isArray(pours) || pours.length === 0) throw new DomainError('pours', pours?.length ?? pours, 'one or more')
  const { value, u } = knownVolume(known)
  const each = pours.map(fills => pourVolume(fills, { ...instrument, correction: 1, check: undefined }))
  const { value: read, own } = combinePours(each.map(pour => ({ ...pour, source: 'this instrument' })))
  const correction = value / read
  if (correction < 0.8 || correction > 1.25) {
    throw new DomainError('correction', Number(correction.toPrecision(4)), 'between 0.8 and 1.25: that is no scale error, look for a wrong size or a missed fill')
  }
  const relative = Math.hypot(u / value, own / read)
  return { known: value, read, correction, u: correction * relative, tolerance: Math.sqrt(3) * value * relative }
}
