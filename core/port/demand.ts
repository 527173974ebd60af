import { above, atLeast } from '../domain'

/** Mach index at which filling begins to fall away: Taylor's curve bends between these two. */
export const FILLING_FALLS = { from: 0.5, to: 0.6 } as const

/** What an inlet has to let through. mm, rpm; `meanFlowCoefficient` over the opening, on π/4·Dv²; speed of sound in m/s. */
export interface GasDemand {
  bore: number
  stroke: number
  rpm: number
  valveDiameter: number
  /** Intake valves a cylinder. */
  valves: number
  meanFlowCoefficient: number
  soundSpeed: number
}

/**
 * Taylor's inlet Mach index: how near the inlet valves' mean speed comes to that of sound.
 *
 * @param demand see {@link GasDemand}
 * @returns no unit; filling falls away past {@link FILLING_FALLS}
 * @throws RangeError when a figure is not above 0, revs below 0
 * Source: Taylor, The Internal-Combustion Engine, vol. 1; Heywood's chapter on gas exchange, under valve flow:
 *   Z = Ap·Sp/(n·π/4·Dv²·Ci·c), Sp the mean piston speed.
 * @example machIndex({ bore: 92, stroke: 85, rpm: 6000, valveDiameter: 44.5, valves: 1, meanFlowCoefficient: 0.35, soundSpeed: 345 }) // 0.601752
 */
export function machIndex({ bore, stroke, rpm, valveDiameter, valves, meanFlowCoefficient, soundSpeed }: GasDemand): number {
  const open = above('valves', valves, 0) * above('valveDiameter', valveDiameter, 0) ** 2 * above('meanFlowCoefficient', meanFlowCoefficient, 0)
  const meanSpeed = 2 * above('stroke', stroke, 0) / 1000 * atLeast('rpm', rpm, 0) / 60
  return above('bore', bore, 0) ** 2 / open * meanSpeed / above('soundSpeed', soundSpeed, 0)
}

/**
 * Revs at which {@link machIndex} comes to a figure.
 *
 * @param demand all but the revs
 * @param index the figure, above 0
 * @returns rpm
 * @throws RangeError as {@link machIndex}
 * Source: the same, linear in the revs.
 * @example revsAtMach({ bore: 92, stroke: 85, valveDiameter: 44.5, valves: 1, meanFlowCoefficient: 0.35, soundSpeed: 345 }, 0.5) // 4985 rpm
 */
export function revsAtMach(demand: Omit<GasDemand, 'rpm'>, index: number): number {
  return above('index', index, 0) / machIndex({ ...demand, rpm: 1 })
}

/**
 * Speed of sound in dry air.
 *
 * @param temperature °C, above −273.15
 * @returns m/s
 * @throws RangeError when the temperature is not above −273.15
 * Source: √(γ·R·T), γ 1.4, R 287.05 J/(kg·K).
 * @example speedOfSound(20) // 343.2
 */
export function speedOfSound(temperature: number): number {
  return Math.sqrt(1.4 * 287.05 * (above('temperature', temperature, -273.15) + 273.15))
}

/**
 * Greatest speed of a piston on its way, without pin offset.
 *
 * @param crank stroke and rod in mm, the rod longer than half of the stroke; rpm
 * @returns m/s
 * @throws RangeError when a length leaves its domain or revs are below 0
 * Source: Heywood §2.2, eq. 2.11: ω·r·sinθ·(1 + cosθ/√((l/r)² − sin²θ)); its greatest where acceleration is nothing, by halving.
 * @example peakPistonSpeed({ stroke: 85, rodLength: 150, rpm: 6000 }) // 27.7606 m/s
 */
export function peakPistonSpeed({ stroke, rodLength, rpm }: { stroke: number, rodLength: number, rpm: number }): number {
  const r = above('stroke', stroke, 0) / 2
  const ratio = above('rodLength', rodLength, r) / r
  const omega = atLeast('rpm', rpm, 0) * 2 * Math.PI / 60
  const root = (theta: number) => Math.sqrt(ratio * ratio - Math.sin(theta) ** 2)
  const speed = (theta: number) => Math.sin(theta) * (1 + Math.cos(theta) / root(theta))
  const gains = (theta: number) => Math.cos(theta) + Math.cos(2 * theta) / root(theta) + (Math.sin(2 * theta) / 2) ** 2 / root(theta) ** 3
  let [low, high] = [0, Math.PI / 2]
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2
    if (gains(middle) > 0) low = middle
    else high = middle
  }
  return omega * r * speed(low) / 1000
}

/**
 * What a cylinder draws at most, if air followed the piston.
 *
 * @param engine bore, stroke and rod in mm, rpm
 * @returns L/s
 * @throws RangeError when a length leaves its domain or revs are below 0
 * Source: bore area × greatest piston speed ({@link peakPistonSpeed}).
 * @example peakDemand({ bore: 92, stroke: 85, rodLength: 150, rpm: 6000 }) // 184.541 L/s
 */
export function peakDemand({ bore, ...crank }: { bore: number, stroke: number, rodLength: number, rpm: number }): number {
  return Math.PI / 4 * above('bore', bore, 0) ** 2 * peakPistonSpeed(crank) / 1000
}
