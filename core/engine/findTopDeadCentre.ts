import { DomainError, above, atLeast, finite } from '../domain'
import { pistonTravel, topDeadCentre, type CrankTrain } from './piston'

/** One pair of the two-sided method: the wheel where the dial shows the same drop, on the way up and on the way down. */
export interface DropPair { drop: number, before: number, after: number }

/**
 * Crank angle at which the piston has fallen by a given amount on the way down.
 *
 * @param train stroke, rod and pin offset, mm
 * @param drop mm below the highest point, 0 to the whole travel
 * @param side 'after' on the way down, 'before' on the way up
 * @returns degrees on the wheel whose zero is the throw parallel to the bore
 * @throws RangeError when the piston never falls that far
 * Source: {@link pistonTravel} solved by bisection.
 * @example crankAngleAtDrop({ stroke: 85, rodLength: 140 }, 7.31604, 'after') // 30°
 */
export function crankAngleAtDrop(train: CrankTrain, drop: number, side: 'before' | 'after'): number {
  atLeast('drop', drop, 0)
  const top = topDeadCentre(train)
  const sign = side === 'after' ? 1 : -1
  // Beyond the lowest point the piston comes up again; with an offset that point is not quite half a turn away.
  let [near, far] = [0, 175]
  if (pistonTravel(train, top + sign * far) < drop) {
    throw new DomainError('drop', drop, `${pistonTravel(train, top + sign * far).toFixed(3)} or less`)
  }
  while (far - near > 1e-9) {
    const middle = (near + far) / 2
    if (pistonTravel(train, top + sign * middle) < drop) near = middle
    else far = middle
  }
  return top + sign * (near + far) / 2
}

/**
 * Top dead centre on the wheel by the two-sided dial method. The piston hardly moves near the top, so it is found
 * from where it is on the move: half way between equal drops on both sides. Slack is then the same on both sides.
 *
 * @param pairs one or more, wheel readings in degrees with after greater than before, drops in mm above 0
 * @param train needed only with a pin offset, whose skew at each drop is taken out
 * @param resolution of the wheel, degrees
 * @returns value: what the wheel reads at top dead centre; u (k = 1); each pair's own answer
 * @throws RangeError for no pairs, or a pair the wrong way round
 * Source: symmetry of the slider-crank about top dead centre; mean and its standard uncertainty, GUM §4.2.3.
 * @example twoSidedTopDeadCentre([{ drop: 5, before: -23.4, after: 25.0 }]).value // 0.8
 */
export function twoSidedTopDeadCentre(
  pairs: DropPair[], train?: CrankTrain, resolution = 0.5
): { value: number, u: number, each: number[] } {
  if (!Array.isArray(pairs) || pairs.length === 0) throw new DomainError('pairs', pairs?.length ?? pairs, 'one or more')
  atLeast('resolution', resolution, 0)
  const each = pairs.map(({ drop, before, after }, i) => {
    above(`pairs[${i}].drop`, drop, 0)
    above(`pairs[${i}].after`, finite(`pairs[${i}].after`, after), finite(`pairs[${i}].before`, before))
    const skew = train?.pinOffset
      ? (crankAngleAtDrop(train, drop, 'before') + crankAngleAtDrop(train, drop, 'after')) / 2 - topDeadCentre(train)
      : 0
    return (before + after) / 2 - skew
  })
  const n = each.length
  const value = each.reduce((sum, v) => sum + v, 0) / n
  const scatter = n > 1 ? each.reduce((sum, v) => sum + (v - value) ** 2, 0) / (n - 1) : 0
  const own = resolution ** 2 / 12 / 2
  return { value, u: Math.sqrt(Math.max(scatter, own) / n), each }
}

/**
 * The error of finding top dead centre from one side only.
 *
 * @param train stroke, rod and pin offset, mm
 * @param resolution smallest move the dial shows, mm, greater than 0
 * @param slack play in bearings and pin, mm, 0 or more: on one side it is taken for a drop
 * @returns dwell: degrees either side of the top over which the dial stands still; fromSlack: degrees that the
 *   slack puts a reading off when it is taken at `drop`
 * @throws RangeError when a value leaves its domain
 * Source: {@link pistonTravel} solved for the drop the dial can't see, and for drop + slack.
 * @example oneSidedError({ stroke: 85, rodLength: 150 }, 0.01, 0.05, 5).dwell // 1.1°
 */
export function oneSidedError(
  train: CrankTrain, resolution: number, slack: number, drop: number
): { dwell: number, fromSlack: number } {
  above('resolution', resolution, 0)
  atLeast('slack', slack, 0)
  above('drop', drop, 0)
  const top = topDeadCentre(train)
  return {
    dwell: crankAngleAtDrop(train, resolution, 'after') - top,
    fromSlack: crankAngleAtDrop(train, drop + slack, 'after') - crankAngleAtDrop(train, drop, 'after')
  }
}
