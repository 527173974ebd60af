import type { EntryOf } from '../ledger'
import type { CylinderState } from './replay'

/** Ratios inside these two are on target. */
export interface TargetBand { low: number, high: number }

/** Target and tolerance as bounds of the ratio, if the build has a target. */
export function targetBand(target: EntryOf<'target'> | undefined): TargetBand | undefined {
  if (!target) return undefined
  const { ratio, tolerance } = target.body
  return { low: ratio.value - tolerance.value, high: ratio.value + tolerance.value }
}

/**
 * The cylinder that lies furthest outside the target's band, whichever way: the build is as good as that one.
 *
 * @param states the cylinders, in any order; those without a ratio don't count
 * @returns its number; undefined where all that are known lie inside, or there is no target
 * Source: the ratio's distance outside the band, which compares a cylinder that is over with one that is under.
 * @example furthestOff(asIs, { low: 9.8, high: 10 }) // 4, at 9.01 where the others have more
 */
export function furthestOff(states: readonly CylinderState[], band: TargetBand | undefined): number | undefined {
  if (!band) return undefined
  const outside = states.flatMap(({ cylinder, ratio }) => ratio ? [{ cylinder, by: Math.max(band.low - ratio.value.value, ratio.value.value - band.high) }] : [])
  const [furthest] = outside.filter(({ by }) => by > 0).sort((a, b) => b.by - a.by)
  return furthest?.cylinder
}
