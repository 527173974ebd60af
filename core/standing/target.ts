import { clearanceForRatio } from '../engine'
import type { EntryOf } from '../ledger'
import type { CylinderState } from './replay'

/** Ratios inside these two are on target. */
export interface TargetBand { low: number, high: number }

/**
 * Target and tolerance as bounds of the ratio, if the build has a target.
 *
 * @example targetBand({ body: { ratio: 9.9, tolerance: 0.1, … } }) // { low: 9.8, high: 10 }
 */
export function targetBand(target: EntryOf<'target'> | undefined): TargetBand | undefined {
  if (!target) return undefined
  const { ratio, tolerance } = target.body
  return { low: ratio.value - tolerance.value, high: ratio.value + tolerance.value }
}

/**
 * The band in cc of clearance: how much a cylinder may be over its target's clearance, and under it.
 *
 * @param state the cylinder; without a swept volume or a target clearance there is none
 * @returns over, above 0, and under, below 0; undefined where the band reaches down to a ratio of one
 * Source: Vc = Vs/(CR − 1) at the band's ends, less that at the target.
 * @example ccBand(state, { low: 9.8, high: 10 }) // { over: 0.72, under: −0.71 } for 565.05 cc swept
 */
export function ccBand({ swept, targetClearance }: CylinderState, band: TargetBand | undefined): { over: number, under: number } | undefined {
  const [vs, wanted] = [swept?.estimate.value, targetClearance?.estimate.value]
  if (!band || vs === undefined || wanted === undefined || band.low <= 1) return undefined
  return { over: clearanceForRatio(vs, band.low) - wanted, under: clearanceForRatio(vs, band.high) - wanted }
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
  const outside = states.flatMap(({ cylinder, ratio }) => ratio ? [{ cylinder, by: Math.max(band.low - ratio.estimate.value, ratio.estimate.value - band.high) }] : [])
  const [furthest] = outside.filter(({ by }) => by > 0).sort((a, b) => b.by - a.by)
  return furthest?.cylinder
}

/** Where a ratio stands against a target: `under` where metal may still come off, `over` where it has to be opened again. */
export type AgainstTarget = 'under' | 'on' | 'over'

/**
 * Where a cylinder's ratio stands against the target.
 *
 * @returns undefined where there is no ratio, or no target; a bound itself is on it
 * @example againstTarget(asIs[0], { low: 9.8, high: 10 }) // 'on', at 9.87
 */
export function againstTarget({ ratio }: Pick<CylinderState, 'ratio'>, band: TargetBand | undefined): AgainstTarget | undefined {
  if (!ratio || !band) return undefined
  const { value } = ratio.estimate
  return value < band.low ? 'under' : value > band.high ? 'over' : 'on'
}

/** Whether a cylinder's ratio is as wanted; not where it has none, or there is no target. */
export const isOnTarget = (state: Pick<CylinderState, 'ratio'>, band: TargetBand | undefined): boolean => againstTarget(state, band) === 'on'
