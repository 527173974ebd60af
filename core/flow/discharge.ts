import { DomainError, above } from '../domain'

/** Ratio of specific heats and gas constant of air, J/(kg·K). */
const GAMMA = 1.4
const R_AIR = 287.05
const KELVIN = 273.15

/** Air before an opening, and how hard it is drawn: depression and absolute pressure upstream in Pa, °C. */
export interface Drawn { depression: number, temperature: number, pressure: number }

/**
 * A flow as it would be at another depression, by the square root.
 *
 * @param flow any unit of flow, 0 or more
 * @param measured depression it was measured at, Pa
 * @param wanted depression it is shown at, Pa
 * @returns the same unit as `flow`
 * @throws RangeError when a value leaves its domain
 * Source: Bernoulli, Q ~ √Δp: air taken as incompressible; {@link rootReadsHigh} says by how much that errs.
 * @example atDepression(80, 2490.89, 6974.49) // 133.8656
 */
export function atDepression(flow: number, measured: number, wanted: number): number {
  if (!(flow >= 0) || !Number.isFinite(flow)) throw new DomainError('flow', flow, '0 or more')
  return flow * Math.sqrt(above('wanted', wanted, 0) / above('measured', measured, 0))
}

/**
 * What an opening would pass without any loss, counted as it stands before the opening.
 *
 * @param area mm²
 * @param drawn see {@link Drawn}
 * @returns L/s
 * @throws RangeError when a value leaves its domain, or the flow is choked
 * Source: Heywood appendix C, eq. C.8, over the density upstream; γ 1.4, R 287.05 J/(kg·K).
 * @example idealFlow(1200, { depression: 6974.49, temperature: 20, pressure: 101325 }) // 124.3035 L/s
 */
export function idealFlow(area: number, { depression, temperature, pressure }: Drawn): number {
  above('area', area, 0)
  above('depression', depression, 0)
  above('pressure', pressure, 0)
  const kelvin = above('temperature', temperature, -KELVIN) + KELVIN
  const ratio = 1 - depression / pressure
  const choked = (2 / (GAMMA + 1)) ** (GAMMA / (GAMMA - 1))
  if (ratio <= choked) throw new DomainError('depression', depression, `below ${((1 - choked) * pressure).toFixed(0)}, where the flow is choked`)
  const speed = Math.sqrt(R_AIR * kelvin) * ratio ** (1 / GAMMA) * Math.sqrt(2 * GAMMA / (GAMMA - 1) * (1 - ratio ** ((GAMMA - 1) / GAMMA)))
  // mm² · m/s is cc/s.
  return area * speed / 1000
}

/**
 * How much of its ideal flow an opening passes. The area is always named with it: the curtain, the seat's flow area, the throat.
 *
 * @param flow L/s, as the air stands upstream
 * @returns a coefficient, 1 without any loss
 * @throws RangeError when a value leaves its domain, or the flow is choked
 * Source: Heywood §6.3.2, eq. 6.5.
 * @example dischargeCoefficient({ flow: 90, area: 1200, depression: 6974.49, temperature: 20, pressure: 101325 }) // 0.724034
 */
export function dischargeCoefficient({ flow, area, ...drawn }: Drawn & { flow: number, area: number }): number {
  if (!(flow >= 0) || !Number.isFinite(flow)) throw new DomainError('flow', flow, '0 or more')
  return flow / idealFlow(area, drawn)
}

/**
 * By how much the square root of {@link atDepression} reads too high: air thins as it is drawn harder.
 *
 * @returns a share, below 0 where it reads low (to a smaller depression)
 * @throws RangeError when a value leaves its domain, or the flow is choked
 * Source: √(wanted/measured) over the ratio of {@link idealFlow}s, the coefficient of discharge being one and the same.
 * @example rootReadsHigh(2490.89, 6974.49, { temperature: 20, pressure: 101325 }) // 0.0243
 */
export function rootReadsHigh(measured: number, wanted: number, air: Omit<Drawn, 'depression'>): number {
  return atDepression(1, measured, wanted) * idealFlow(1, { ...air, depression: measured }) / idealFlow(1, { ...air, depression: wanted }) - 1
}
