import { mean, sumNthPowerDeviations } from 'simple-statistics'
import { above, atLeast } from '../domain'

/** How far heads of one casting lie from each other, and cylinders of one head, as a share of the figure (one standard deviation). */
export interface Scatter { between: number, within: number, betweenDof: number, withinDof: number }

/** Where a shop has no castings to go by yet: sand castings as they come, counted as four degrees of freedom beside what it finds. */
export const USUAL_SCATTER: Readonly<Record<'chamber' | 'perMm' | 'throat' | 'port', Scatter>> = {
  chamber: { between: 0.01, within: 0.01, betweenDof: 4, withinDof: 4 },
  perMm: { between: 0.02, within: 0.02, betweenDof: 4, withinDof: 4 },
  throat: { between: 0.005, within: 0.005, betweenDof: 4, withinDof: 4 },
  port: { between: 0.015, within: 0.015, betweenDof: 4, withinDof: 4 }
}

/** t for 95.45 % by degrees of freedom. Source: JCGM 100:2008, table G.2. */
const T9545: readonly (readonly [dof: number, t: number])[] = [
  [1, 13.97], [2, 4.53], [3, 3.31], [4, 2.87], [5, 2.65], [6, 2.52], [7, 2.43], [8, 2.37], [9, 2.32], [10, 2.28], [11, 2.25], [12, 2.23], [13, 2.21], [14, 2.2], [15, 2.18], [16, 2.17], [17, 2.16], [18, 2.15],
  [19, 2.14], [20, 2.13], [25, 2.11], [30, 2.09], [35, 2.07], [40, 2.06], [45, 2.06], [50, 2.05], [100, 2.025], [Infinity, 2]
]

/**
 * By how much a standard uncertainty out of few values is multiplied to hold 95.45 %.
 *
 * @param dof degrees of freedom, 1 or more; not in the table: the next lower that is (JCGM 100:2008 §G.4.1)
 * @throws RangeError where there is less than one
 * @example coverageFactor(5.6) // 2.65
 */
export function coverageFactor(dof: number): number {
  if (dof !== Infinity) atLeast('degrees of freedom', dof, 1)
  return T9545.filter(([n]) => n <= dof).at(-1)![1]
}

const squares = (list: number[]) => sumNthPowerDeviations(list, 2)
const pooled = (usual: number, usualDof: number, sum: number, dof: number) => ({ s: Math.sqrt((usual ** 2 * usualDof + sum) / (usualDof + dof)), dof: usualDof + dof })

/**
 * How castings scatter, out of all that a shop has poured of them: relative deviations of heads from their casting's mean, and of cylinders
 * from their head's, pooled with what is usual.
 *
 * @param castings by casting, by head: a figure of each of its cylinders, > 0, in any one unit
 * @param usual what counts beside them
 * @returns shares of the figure, one standard deviation, and how many degrees of freedom each rests on
 * Source: one-way analysis of variance, pooled by degrees of freedom (JCGM 100:2008 §H.5; pooling §4.2.4).
 * @example scatterOf([[[55, 56], [54, 55]]], USUAL_SCATTER.chamber).within // 0.0114
 */
export function scatterOf(castings: readonly (readonly number[][])[], usual: Scatter): Scatter {
  let [between, betweenDof, within, withinDof] = [0, 0, 0, 0]
  for (const heads of castings.map(list => list.filter(values => values.length > 0)).filter(list => list.length > 0)) {
    for (const values of heads) values.forEach(value => above('a figure of a casting', value, 0))
    const means = heads.map(mean)
    between += squares(means) / mean(means) ** 2
    betweenDof += means.length - 1
    heads.forEach((values, i) => within += squares(values) / means[i]! ** 2)
    withinDof += heads.reduce((n, values) => n + values.length - 1, 0)
  }
  const [b, w] = [pooled(usual.between, usual.betweenDof, between, betweenDof), pooled(usual.within, usual.withinDof, within, withinDof)]
  return { between: b.s, betweenDof: b.dof, within: w.s, withinDof: w.dof }
}

/** What the next head of a casting is likely to have: one cylinder's figure; `u` so that twice it holds 95.45 %. */
export interface Likely { value: number, u: number, heads: number, dof: number }

/**
 * What one cylinder of a head that nobody has measured is likely to have, from the heads of its casting that were.
 *
 * @param heads a figure of each cylinder, by head, > 0; heads without any count for nothing
 * @param scatter see {@link scatterOf}
 * @returns undefined where no head was measured
 * Source: prediction from a one-way random model: var = s²(of head means)·(1 + 1/m) + s²(within)·(1 − 1/n), degrees of freedom by
 *   Welch–Satterthwaite (JCGM 100:2008 §G.4.1), n the mean number of cylinders, m of heads.
 * @example likelyOfNext([[55, 56, 54]], USUAL_SCATTER.chamber)?.value // 55
 */
export function likelyOfNext(heads: readonly number[][], scatter: Scatter): Likely | undefined {
  const measured = heads.filter(values => values.length > 0)
  if (measured.length === 0) return undefined
  const value = mean(measured.map(mean))
  const cylinders = mean(measured.map(values => values.length))
  const [b, w] = [scatter.between ** 2 * (1 + 1 / measured.length), scatter.within ** 2 * (1 - 1 / cylinders)]
  const dof = (b + w) ** 2 / (b ** 2 / scatter.betweenDof + w ** 2 / scatter.withinDof)
  return { value, u: value * Math.sqrt(b + w) * coverageFactor(dof) / 2, heads: measured.length, dof }
}
