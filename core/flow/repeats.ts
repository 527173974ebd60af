import { above } from '../domain'
import { liftsOfBoth, type BenchErrors } from './change'
import type { FlowRow } from './underCurve'

/** Where a bench has no repeats of its own: the same head twice differs by one or two percent. Relative, k = 1. */
export const USUAL_BENCH: BenchErrors = { setup: 0.008, reading: 0.005 }

/** As many degrees of freedom the usual figures count for beside a bench's own: few repeats tell little of a scatter. */
const USUAL_COUNTS = 4

/** What repeats on a bench come to, as sums that add up over builds; `means`: of the runs' own means about theirs, `share` what of a reading's variance is in it. */
export interface RepeatSums { within: number, withinFree: number, means: number, share: number, betweenFree: number, runs: number }

const mean = (values: number[]) => values.reduce((a, b) => a + b, 0) / values.length

/**
 * Sums over runs that were repeated: the same head, mounted anew, and nothing touched in between.
 *
 * @param repeats groups of runs of one head each; lifts that not all of a group have are left out
 * @throws RangeError when a flow is not above 0
 * Source: two-way analysis of variance of the logarithms without interaction (Montgomery, Design and Analysis of Experiments, §4.1).
 * @example repeatSums([[[{ lift: 5, flow: 100 }], [{ lift: 5, flow: 101 }]]]).runs // 2
 */
export function repeatSums(repeats: readonly (readonly (readonly FlowRow[])[])[]): RepeatSums {
  const sums: RepeatSums = { within: 0, withinFree: 0, means: 0, share: 0, betweenFree: 0, runs: 0 }
  for (const group of repeats) {
    const lifts = group.slice(1).reduce((kept, run) => liftsOfBoth(kept, run).map(pair => pair.before), group[0] ?? [])
    const [r, l] = [group.length, lifts.length]
    if (r < 2 || l === 0) continue
    const logs = group.map(run => lifts.map(row => Math.log(above('flow', liftsOfBoth([row], run)[0]!.after.flow, 0))))
    const ofRun = logs.map(mean)
    const ofLift = lifts.map((_, j) => mean(logs.map(row => row[j]!)))
    const all = mean(ofRun)
    sums.within += logs.flatMap((row, i) => row.map((x, j) => (x - ofRun[i]! - ofLift[j]! + all) ** 2)).reduce((a, b) => a + b, 0)
    sums.withinFree += (r - 1) * (l - 1)
    sums.means += ofRun.reduce((sum, x) => sum + (x - all) ** 2, 0)
    sums.share += (r - 1) / l
    sums.betweenFree += r - 1
    sums.runs += r
  }
  return sums
}

/**
 * A bench's errors out of all that was repeated on it.
 *
 * @param all sums of each build; see {@link repeatSums}
 * @param usual what counts beside them, as {@link USUAL_COUNTS} degrees of freedom
 * @returns also how many runs it is from, 0 where there are no repeats: then it is the usual
 * Source: rows minus columns leave the reading's variance, the runs' means that of the mounting and a lift's share of the reading;
 *   pooled with the usual by degrees of freedom.
 * @example benchErrors([repeatSums([[[{ lift: 5, flow: 100 }], [{ lift: 5, flow: 101 }]]])]).runs // 2
 */
export function benchErrors(all: readonly RepeatSums[], usual: BenchErrors = USUAL_BENCH): BenchErrors & { runs: number } {
  const total = (name: keyof RepeatSums) => all.reduce((sum, one) => sum + one[name], 0)
  const [within, withinFree] = [total('within'), total('withinFree')]
  // What is left for the mounting once each run's mean has had its share of the readings' scatter.
  const between = Math.max(0, total('means') - total('share') * (withinFree > 0 ? within / withinFree : usual.reading ** 2))
  const pooled = (sum: number, free: number, own: number) => Math.sqrt((sum + USUAL_COUNTS * own ** 2) / (free + USUAL_COUNTS))
  return { setup: pooled(between, total('betweenFree'), usual.setup), reading: pooled(within, withinFree, usual.reading), runs: total('runs') }
}
