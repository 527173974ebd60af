import { above, atLeast, DomainError, finite } from '../domain'
import type { LiftRow } from '../shroud'

/** A coil spring: rate in N/mm, the length at which it carries nothing, mm. */
export interface Spring { rate: number, freeLength: number }

/**
 * Load of a spring at a height.
 *
 * @param spring rate in N/mm, free length in mm
 * @param height mm
 * @returns N, 0 past its free length
 * @throws RangeError when a figure is not above 0, the height below 0
 * Source: Hooke, rate·(free − height).
 * @example springLoad({ rate: 30, freeLength: 50 }, 40) // 300 N
 */
export function springLoad({ rate, freeLength }: Spring, height: number): number {
  return above('rate', rate, 0) * Math.max(0, above('freeLength', freeLength, 0) - atLeast('height', height, 0))
}

/** A spring's load at a height, as a spring tester shows it: mm, N. */
export interface SpringReading { height: number, load: number }

/**
 * A spring by its loads at two heights.
 *
 * @param readings in either order, at two heights; the higher one carries less
 * @returns rate in N/mm and the length at which it would carry nothing
 * @throws RangeError when a height is not above 0, a load below 0, or the lower height does not carry more
 * Source: Hooke, a straight line through both: rate = ΔF/Δh, free = h + F/rate. Past its straight part a spring stiffens, so
 *   the heights are those it works between.
 * @example springFromLoads([{ height: 40, load: 300 }, { height: 30, load: 600 }]) // { rate: 30, freeLength: 50 }
 */
export function springFromLoads(readings: readonly [SpringReading, SpringReading]): Spring {
  const [low, high] = [...readings].sort((a, b) => a.height - b.height) as [SpringReading, SpringReading]
  above('height', low.height, 0)
  above('the higher height', high.height, low.height)
  atLeast('load', high.load, 0)
  const rate = (above('load at the lower height', low.load, high.load) - high.load) / (high.height - low.height)
  return { rate, freeLength: high.height + high.load / rate }
}

/**
 * Travel left before a spring is solid, with its valve fully open.
 *
 * @returns mm, negative when it binds
 * @throws RangeError when a figure is not finite, or the lift is below 0
 * Source: definition.
 * @example springTravel({ installedHeight: 40, lift: 10.7, solidHeight: 27.8 }) // 1.5 mm
 */
export function springTravel({ installedHeight, lift, solidHeight }: { installedHeight: number, lift: number, solidHeight: number }): number {
  return finite('installedHeight', installedHeight) - atLeast('lift', lift, 0) - finite('solidHeight', solidHeight)
}

/**
 * What is left between retainer and stem seal with the valve fully open.
 *
 * @returns mm, negative when it touches
 * @throws RangeError when a figure is not finite, or the lift is below 0
 * Source: definition.
 * @example retainerClearance({ retainerToSeal: 12, lift: 10.7 }) // 1.3 mm
 */
export function retainerClearance({ retainerToSeal, lift }: { retainerToSeal: number, lift: number }): number {
  return finite('retainerToSeal', retainerToSeal) - atLeast('lift', lift, 0)
}

/** What moves with a valve: its mass in g at the valve, and its springs, each as it is installed, mm. */
export interface Floating { liftTable: readonly LiftRow[], movingMass: number, springs: readonly (Spring & { installedHeight?: number })[], installedHeight: number }

/** Places either side that curvature is fitted over. */
const SIDE = 2

/**
 * The lowest crank speed at which a valve leaves its cam: no higher than this, for surge and flex take more.
 *
 * @param moving lifts at even steps of crank degrees, five places or more, mm at the valve; mass in g; see {@link Floating}
 * @returns rpm of the crank, and where on the cam; undefined where the springs hold it at any speed
 * @throws RangeError for fewer than five places, uneven steps, or a mass that is not above 0
 * Source: Newton, m·|L″|·(6n)² = load(L) where L″ < 0, by a local quadratic fit over five places (Savitzky & Golay 1964), the ends left out.
 * @example floatSpeed({ liftTable, movingMass: 150, springs: [{ rate: 30, freeLength: 50 }], installedHeight: 40 })?.rpm // 5931, of 5·(1 + cos(2πθ/250))
 */
export function floatSpeed({ liftTable, movingMass, springs, installedHeight }: Floating): { rpm: number, atAngle: number } | undefined {
  above('movingMass', movingMass, 0)
  if (springs.length === 0) throw new DomainError('springs', 0, 'one or more')
  if (liftTable.length < 2 * SIDE + 1) throw new DomainError('liftTable', liftTable.length, 'five places or more')
  const step = above('liftTable step', liftTable[1]!.angle - liftTable[0]!.angle, 0)
  let lowest: { rpm: number, atAngle: number } | undefined
  for (const [i, { angle, lift }] of liftTable.entries()) {
    if (i > 0 && Math.abs(angle - liftTable[i - 1]!.angle - step) > 1e-6 * Math.max(1, Math.abs(angle))) throw new DomainError(`liftTable[${i}].angle`, angle, 'an even step on')
    if (i < SIDE || i >= liftTable.length - SIDE) continue
    const [a, b, c, d, e] = [-2, -1, 0, 1, 2].map(k => liftTable[i + k]!.lift) as [number, number, number, number, number]
    // Per degree of crank, squared.
    const curve = (2 * a - b - 2 * c - d + 2 * e) / (7 * step * step)
    if (curve >= 0) continue
    const load = springs.reduce((sum, s) => sum + springLoad(s, Math.max(0, (s.installedHeight ?? installedHeight) - lift)), 0)
    // 6n degrees a second at n rpm; 1 g·mm/s² is 1e-6 N.
    const rpm = Math.sqrt(load / (movingMass * 1e-6 * -curve)) / 6
    if (!lowest || rpm < lowest.rpm) lowest = { rpm, atAngle: angle }
  }
  return lowest
}
