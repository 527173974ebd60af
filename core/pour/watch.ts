import { above, atLeast, finite } from '../domain'
import type { Instrument } from './instrument'

/** The slowest leak a watch is meant to find, cc per minute. */
export const LEAK_TO_FIND = 0.2

/** Least difference between two readings of one level that is more than reading them twice: 1.5 steps of the scale. */
const stillSame = (instrument: Instrument): number => 1.5 * instrument.resolution

/**
 * How long to watch a full chamber so that a slow leak shows on this scale.
 *
 * @param instrument whose scale is read
 * @param rate cc per minute to be found
 * @returns seconds: until the leak is a step beyond what two readings of one level may differ by
 * @throws RangeError when a value leaves its domain
 * Source: reading twice differs by up to a step (GUM §F.2.2.1); 1.5 steps are called a fall, 2.5 are waited for.
 * @example leakWatchTime({ kind: 'burette', capacity: 100, tolerance: 0.2, resolution: 0.1 }) // 75 s
 */
export function leakWatchTime(instrument: Instrument, rate = LEAK_TO_FIND): number {
  above('rate', rate, 0)
  return (stillSame(instrument) + instrument.resolution) / rate * 60
}

/**
 * What a second reading after a wait says: the level is topped up to the mark again, and what that took has leaked.
 *
 * @param first the reading when the chamber was full, cc on the scale
 * @param second the reading when it was topped up again
 * @param seconds between them, greater than 0
 * @param instrument whose scale it is
 * @returns lost: cc, 0 or more on a tight head; rate: cc per minute and its u; leaking: more than two readings of
 *   one level differ by
 * @throws RangeError when a value leaves its domain
 * Source: difference of two readings, u = resolution·√(2/12) (GUM §F.2.2.1).
 * @example leakWatch(55.4, 55.7, 75, burette) // lost 0.3, rate 0.24, leaking
 */
export function leakWatch(
  first: number, second: number, seconds: number, instrument: Instrument
): { lost: number, rate: number, u: number, leaking: boolean } {
  finite('first', first)
  finite('second', second)
  above('seconds', seconds, 0)
  atLeast('second', instrument.kind === 'burette' ? second : instrument.capacity - second, 0)
  const lost = instrument.kind === 'burette' ? second - first : first - second
  const perMinute = 60 / seconds
  return {
    lost, rate: lost * perMinute, u: instrument.resolution * Math.sqrt(2 / 12) * perMinute,
    leaking: lost > stillSame(instrument) - 1e-9
  }
}

/** What makes a pour wrong by more than its instrument. */
export type PourFault = 'bubble' | 'leak' | 'greaseInside' | 'plateBowed' | 'plateHoleFull' | 'wrongPlug' | 'glassNotDrained' | 'valveNotSeated' | 'misread'

/**
 * Why a later pour of the same thing may differ from an earlier one, likeliest first.
 *
 * @param change later less earlier, cc; 0 has no cause
 * @param encloses whether the pour was closed by a plate (not an assembled engine)
 * @returns kinds of fault, in order
 * Source: the trade's order of likelihood for each sign: what came in late reads larger, what was kept out smaller.
 * @example likelyFaults(-0.8, true)[0] // 'bubble'
 */
export function likelyFaults(change: number, encloses = true): PourFault[] {
  if (finite('change', change) === 0) return []
  const smaller: PourFault[] = ['bubble', 'greaseInside', ...(encloses ? ['plateBowed' as const] : []), 'misread', 'wrongPlug']
  const larger: PourFault[] = ['leak', ...(encloses ? ['plateHoleFull' as const] : []), 'valveNotSeated', 'glassNotDrained', 'misread', 'wrongPlug']
  return change < 0 ? smaller : larger
}
