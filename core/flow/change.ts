import { DomainError, above, atLeast } from '../domain'
import { flowUnderCurve, type FlowRow } from './underCurve'

/** A bench's own errors, relative, k = 1: of mounting a head anew, which all lifts of a run share, and of one reading. */
export interface BenchErrors { setup: number, reading: number }

export type FlowVerdict = 'more' | 'less' | 'none'
export interface FlowChange { change: number, /** k = 1. */ u: number, verdict: FlowVerdict }

const verdictOf = (change: number, u: number): FlowVerdict => Math.abs(change) <= 2 * u ? 'none' : change > 0 ? 'more' : 'less'

/** How often each was mounted and run; 1 where not given. */
interface Runs { beforeRuns?: number, afterRuns?: number }

function runs({ beforeRuns = 1, afterRuns = 1 }: Runs): [number, number] {
  return [atLeast('beforeRuns', beforeRuns, 1), atLeast('afterRuns', afterRuns, 1)]
}

/**
 * Whether a flow at one lift changed.
 *
 * @param given before and after: means of as many runs as are given, each mounted anew, at one depression; see {@link BenchErrors}.
 *   Repeats in one mounting are one run with its reading over √n; both in one mounting have no setup
 * @returns change as a share of before; `none` within 2u
 * @throws RangeError when a value leaves its domain
 * Source: quotient of two means, JCGM 100:2008 §5.1.6: u = (after/before)·√((setup² + reading²)(1/n₁ + 1/n₂)).
 * @example flowChange({ before: 100, after: 103, setup: 0.005, reading: 0.005 }) // { change: 0.03, u: 0.0103, verdict: 'more' }
 */
export function flowChange({ before, after, setup, reading, ...many }: BenchErrors & Runs & { before: number, after: number }): FlowChange {
  above('before', before, 0)
  const ratio = atLeast('after', after, 0) / before
  const [n, m] = runs(many)
  const u = ratio * Math.sqrt((atLeast('setup', setup, 0) ** 2 + atLeast('reading', reading, 0) ** 2) * (1 / n + 1 / m))
  return { change: ratio - 1, u, verdict: verdictOf(ratio - 1, u) }
}

/** Two lifts nearer than this are one, mm. */
const SAME_LIFT = 0.02

/**
 * Lifts that two runs were both read at.
 *
 * @returns pairs of rows, lifts rising
 * @example liftsOfBoth([{ lift: 2, flow: 20 }, { lift: 4, flow: 40 }], [{ lift: 4.01, flow: 41 }]).length // 1
 */
export function liftsOfBoth(before: readonly FlowRow[], after: readonly FlowRow[]): { before: FlowRow, after: FlowRow }[] {
  return before.flatMap((row) => {
    const same = after.find(other => Math.abs(other.lift - row.lift) <= SAME_LIFT)
    return same ? [{ before: row, after: same }] : []
  })
}

/**
 * Whether a whole curve changed: the areas under both, between the first and the last lift they share.
 *
 * @param given rows at one depression; see {@link flowChange}
 * @returns also from and to, mm
 * @throws RangeError when they share fewer than two lifts, nothing flowed before, or a value leaves its domain
 * Source: quotient of two areas; the mounting's error counts once, for all lifts share it, and reading's by each lift's part in the
 *   area (JCGM 100:2008 §5.1.2).
 * @example // three lifts 1 mm apart, all 2 % up: parts ¼, ½, ¼
 * curveChange({ before: flat(100), after: flat(102), setup: 0.006, reading: 0.005 }) // { change: 0.02, u: 0.0096…, verdict: 'more' }
 */
export function curveChange({ before, after, setup, reading, ...many }: BenchErrors & Runs & { before: readonly FlowRow[], after: readonly FlowRow[] }): FlowChange & { from: number, to: number } {
  atLeast('setup', setup, 0)
  atLeast('reading', reading, 0)
  const [n, m] = runs(many)
  const shared = liftsOfBoth(before, after)
  if (shared.length < 2) throw new DomainError('lifts of both', shared.length, 'two or more')
  const [from, to] = [shared[0]!.before.lift, shared.at(-1)!.before.lift]
  const [was, is] = (['before', 'after'] as const).map((side) => {
    // Both over the same lifts, so that what differs is flow alone.
    const rows = shared.map(pair => ({ lift: pair.before.lift, flow: pair[side].flow }))
    const parts = rows.map(({ lift, flow }, i) => flow * ((rows[i + 1]?.lift ?? lift) - (rows[i - 1]?.lift ?? lift)) / 2)
    const area = above(side, flowUnderCurve(rows, from, to), 0)
    return { area, spread: Math.hypot(...parts) / area }
  }) as [{ area: number, spread: number }, { area: number, spread: number }]
  const ratio = is.area / was.area
  const u = ratio * Math.sqrt(setup ** 2 * (1 / n + 1 / m) + reading ** 2 * (was.spread ** 2 / n + is.spread ** 2 / m))
  return { change: ratio - 1, u, verdict: verdictOf(ratio - 1, u), from, to }
}
