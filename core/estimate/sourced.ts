import { Matrix, solve } from 'ml-matrix'
import { atLeast, finite } from '../domain'
import { slopes, type Estimate } from './propagate'

/**
 * A value that remembers where its doubt comes from: for each source (an instrument's scale, one reading, one
 * statement) the signed change of the value when that source is off by one standard uncertainty.
 *
 * One burette over six chambers is one source: it cancels in their differences and adds in their sum.
 */
export interface Sourced { value: number, by: ReadonlyMap<string, number> }

/** One source's share of a value's variance, 0 to 1. */
export interface Share { source: string, share: number, u: number }

/**
 * A value with a single source of doubt.
 *
 * @param value in its own unit
 * @param u standard uncertainty, 0 or more
 * @param source identity of the source
 * @throws RangeError when value or u leaves its domain
 * @example fromSource(0.34, 0.02, 'deck reading 1')
 */
export function fromSource(value: number, u: number, source: string): Sourced {
  return fromSources(value, [[source, u]])
}

/**
 * A value with several sources of doubt, each named once.
 *
 * @param value in its own unit
 * @param doubts pairs of a source's identity and the standard uncertainty it brings, 0 or more
 * @throws RangeError when a figure leaves its domain
 * Source: the sum of {@link fromSource} values (JCGM 100:2008 §5.1.2), made in one go: a mean of ten thousand readings has as many sources.
 * @example fromSources(52.6, [['scale', 0.3], ['reading', 0.4]]) // 52.6, u 0.5
 */
export function fromSources(value: number, doubts: readonly (readonly [source: string, u: number])[]): Sourced {
  finite('value', value)
  for (const [, u] of doubts) atLeast('u', u, 0)
  return { value, by: new Map(doubts.filter(([, u]) => u > 0)) }
}

/**
 * A number nobody doubts, such as a count or a target.
 *
 * @example exact(6).by.size // 0
 */
export function exact(value: number): Sourced {
  return { value: finite('value', value), by: new Map() }
}

/**
 * Carries sourced values through any function, source by source.
 *
 * @param f the function, throwing RangeError outside its domain
 * @param inputs sourced values; sources they share are combined with their signs
 * @returns the sourced result
 * @throws RangeError when f has no finite value there
 * Source: JCGM 100:2008 §5.2.2 with fully correlated inputs per source: u² = Σ over sources of (Σ ∂f/∂x·u)².
 * @example // one scale error in both pours: it is gone from the difference
 * carry(([a, b]) => a - b, [fromSource(55, 0.1, 'scale'), fromSource(50, 0.1, 'scale')]) // 5, u 0
 */
export function carry(f: (x: number[]) => number, inputs: Sourced[]): Sourced {
  const x = inputs.map(input => input.value)
  const value = finite('f(inputs)', f(x))
  return weighted(value, slopes(f, x, i => inputs[i]!.by.size > 0), inputs)
}

/**
 * Σ weight·value, the exact case of {@link carry} for sums, differences and means.
 *
 * @param terms pairs of weight and sourced value
 * @throws RangeError when a weight is not finite
 * @example linear([[1, after], [-1, before]])
 */
export function linear(terms: [number, Sourced][]): Sourced {
  const weights = terms.map(([weight], i) => finite(`terms[${i}].weight`, weight))
  const value = terms.reduce((sum, [weight, term]) => sum + weight * term.value, 0)
  return weighted(value, weights, terms.map(([, term]) => term))
}

function weighted(value: number, weights: number[], inputs: Sourced[]): Sourced {
  const by = new Map<string, number>()
  inputs.forEach((input, i) => {
    const weight = weights[i]!
    if (weight === 0) return
    for (const [source, du] of input.by) by.set(source, (by.get(source) ?? 0) + weight * du)
  })
  return { value, by }
}

/**
 * Standard uncertainty (k = 1) over all sources.
 *
 * @example uncertainty({ value: 9, by: new Map([['a', 0.3], ['b', 0.4]]) }) // 0.5
 */
export function uncertainty({ by }: Sourced): number {
  let variance = 0
  for (const du of by.values()) variance += du * du
  return Math.sqrt(variance)
}

/**
 * The value with its standard uncertainty, sources forgotten.
 *
 * @example estimate(fromSource(52.6, 0.12, 'scale')) // { value: 52.6, u: 0.12 }
 */
export function estimate(sourced: Sourced): Estimate {
  return { value: sourced.value, u: uncertainty(sourced) }
}

/**
 * Which sources make a value unsure, largest first: what to measure better.
 *
 * @param which of the sources only these; every one where it is left out
 * @returns shares of the whole variance, summing to 1 where none was left out; empty when nothing is unsure
 * @example shares(ratio)[0].source // the source to improve first
 */
export function shares(sourced: Sourced, which: (source: string) => boolean = () => true): Share[] {
  const variance = uncertainty(sourced) ** 2
  if (variance === 0) return []
  return [...sourced.by].filter(([source]) => which(source))
    .map(([source, du]) => ({ source, share: du * du / variance, u: Math.abs(du) }))
    .sort((a, b) => b.share - a.share || (a.source < b.source ? -1 : 1))
}

/** So little of the largest variance is added to each that two values with the very same errors can be told apart. */
const RIDGE = 1e-12

/**
 * Best single value of several for one thing: the mean with the smallest variance whose weights are none below 0, so that
 * it never leaves the range of what was found. Sources they share stay shared: six lessons out of one cut weigh hardly
 * more than one where the cut's depth is their doubt. Values nobody doubts (u = 0) win outright.
 *
 * @param values one or more
 * @throws RangeError when there are none
 * Source: generalised least squares for one unknown, weights C⁻¹·1/(1ᵀ·C⁻¹·1) (JCGM 102:2011 §7; Aitken's estimator); 1/u²
 *   where no two share a source (Bevington & Robinson, Data Reduction, eq. 4.17).
 * @example bestMean([fromSource(4.65, 0.05, 'mouth'), fromSource(4.6, 0.05, 'lesson')]).value // 4.625
 */
export function bestMean(values: Sourced[]): Sourced {
  atLeast('values.length', values.length, 1)
  const variances = values.map(value => uncertainty(value) ** 2)
  const sure = variances.some(v => v === 0)
  let weights = variances.map(v => sure ? (v === 0 ? 1 : 0) : 1 / v)
  if (!sure && values.length > 1 && shareSources(values)) weights = leastVariance(values, variances)
  const total = weights.reduce((sum, w) => sum + w, 0)
  return linear(values.map((value, i) => [weights[i]! / total, value]))
}

function shareSources(values: Sourced[]): boolean {
  const seen = new Set<string>()
  for (const { by } of values) {
    for (const source of by.keys()) {
      if (seen.has(source)) return true
      seen.add(source)
    }
  }
  return false
}

function covariance(a: Sourced, b: Sourced): number {
  let sum = 0
  for (const [source, du] of a.by) sum += du * (b.by.get(source) ?? 0)
  return sum
}

/** Weights of the mean with the smallest variance; whoever would be weighed below 0 is left out, the worst first. */
function leastVariance(values: Sourced[], variances: number[]): number[] {
  const ridge = RIDGE * Math.max(...variances)
  let kept = values.map((_, i) => i)
  for (;;) {
    const matrix = new Matrix(kept.map(i => kept.map(k => i === k ? variances[i]! + ridge : covariance(values[i]!, values[k]!))))
    const found = solve(matrix, Matrix.ones(kept.length, 1)).to1DArray()
    const worst = found.indexOf(Math.min(...found))
    if (found[worst]! >= 0 || kept.length === 1) return values.map((_, i) => kept.includes(i) ? found[kept.indexOf(i)]! : 0)
    kept = kept.filter((_, at) => at !== worst)
  }
}
