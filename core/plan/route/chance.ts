import { errorFunction } from 'simple-statistics'
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { above, atLeast, finite } from '../../domain'
import type { Estimate, Sourced } from '../../estimate'

/** Bounds that a value is to lie in, both of them inside. */
export interface Band { low: number, high: number }

/**
 * The chance that a normal estimate lies inside a band.
 *
 * @param of value and standard uncertainty
 * @param low and `high`, the band's bounds, both inside; −∞ and ∞ for one that is open
 * @returns 0 to 1; with u = 0 exactly 0 or 1
 * @throws RangeError when the value is not finite, u below 0, or the bounds are crossed
 * Source: Φ((high − v)/u) − Φ((low − v)/u), Φ(z) = (1 + erf(z/√2))/2, to 1e-7.
 * @example chanceInBand({ value: 9.85, u: 0.06 }, 9.7, 9.9) // 0.791462
 */
export function chanceInBand({ value, u }: Estimate, low: number, high: number): number {
  finite('value', value)
  atLeast('u', u, 0)
  if (!(high >= low)) atLeast('high', high, low)
  if (u === 0) return value >= low && value <= high ? 1 : 0
  const below = (bound: number) => Number.isFinite(bound) ? (1 + errorFunction((bound - value) / (u * Math.SQRT2))) / 2 : bound > 0 ? 1 : 0
  return below(high) - below(low)
}

/** How a source of doubt spreads: a maker's tolerance is as likely anywhere inside its limits, all else is normal. */
const isTolerance = (source: string) => source.startsWith('scale:')

/** Draws of sources of doubt, in units of their standard uncertainty, each drawn once however many values share it. */
export interface Draws { count: number, of: (source: string) => Float64Array }

/** A number out of a name, so that a source is drawn alike whoever asks for it first (FNV-1a). */
const seedOf = (name: string, seed: number) => [...name].reduce((h, c) => Math.imul(h ^ c.codePointAt(0)!, 0x01000193), 0x811C9DC5 ^ seed)

/**
 * Draws for a whole comparison: what shares a source shares its draws, so that two ways differ by what differs in them.
 *
 * @param seed chosen by the caller; the same gives the same draws
 * @param count how many, 1 or more
 * Source: JCGM 101:2008 §6.4: rectangular for a maker's tolerance (a = √3·u), else normal by Box and Muller.
 * @example drawsOf(1, 4000).of('scale:long').length // 4000
 */
export function drawsOf(seed: number, count: number): Draws {
  atLeast('count', count, 1)
  const known = new Map<string, Float64Array>()
  const drawn = (source: string) => {
    const chance = xoroshiro128plus(seedOf(source, seed))
    const uniform = () => uniformFloat64(chance)
    // The first numbers out of a seed lie near each other for seeds that do.
    for (let i = 0; i < 8; i++) uniform()
    const list = new Float64Array(count)
    if (isTolerance(source)) for (let i = 0; i < count; i++) list[i] = Math.sqrt(3) * (2 * uniform() - 1)
    // Of each two numbers Box and Muller make two: the second falls off the end of an odd count.
    else for (let i = 0; i < count; i += 2) {
      const [far, round] = [Math.sqrt(-2 * Math.log(1 - uniform())), 2 * Math.PI * uniform()]
      list[i] = far * Math.cos(round)
      list[i + 1] = far * Math.sin(round)
    }
    return list
  }
  return {
    count,
    of: (source) => {
      let list = known.get(source)
      if (!list) known.set(source, list = drawn(source))
      return list
    }
  }
}

/** A value in every draw. */
function drawnOf({ value, by }: Sourced, draws: Draws): Float64Array {
  const list = new Float64Array(draws.count).fill(value)
  for (const [source, u] of by) {
    const z = draws.of(source)
    for (let i = 0; i < list.length; i++) list[i]! += u * z[i]!
  }
  return list
}

/**
 * The chance that all of several estimates lie inside their bands at once. Sources they share are drawn once.
 *
 * @param estimates one or more, by source
 * @param bands one for each
 * @returns 0 to 1, with a standard error of √(p·(1 − p)/count)
 * @throws RangeError when there are not as many bands as estimates
 * Source: JCGM 101:2008: the share of draws in which all of them do.
 * @example chanceOfAll([a, b], [band, band], drawsOf(1, 4000)) // 0.81, two at 0.9 that share nothing
 */
export function chanceOfAll(estimates: readonly Sourced[], bands: readonly Band[], draws: Draws): number {
  if (bands.length !== estimates.length) atLeast('bands.length', bands.length, estimates.length)
  const inside = new Uint8Array(draws.count).fill(1)
  estimates.forEach((one, i) => {
    const { low, high } = bands[i]!
    const drawn = drawnOf(one, draws)
    for (let k = 0; k < drawn.length; k++) if (drawn[k]! < low || drawn[k]! > high) inside[k] = 0
  })
  return inside.reduce((sum, one) => sum + one, 0) / draws.count
}

/** A cylinder that a first cut must not take past the far side: cc it is over that side before the cut, and cc each mm takes. */
export interface BeforeCut { over: Sourced, perMm: Sourced }

/**
 * The greatest depth of a cut that leaves at most a given chance that any cylinder ends past the far side of its band, the
 * side where the ratio is too high: metal can't be put back.
 *
 * @param cylinders one or more; over: clearance less the least it may be, cc
 * @param machine u of the depth as it comes out against what was set, mm, one source for the cut
 * @param chance at most this, above 0 and below 1
 * @returns mm; 0 where any cut at all would be too much
 * @throws RangeError when there is no cylinder, a cc per mm is not above 0, or the chance leaves its domain
 * Source: in each draw the depth at which the first cylinder passes, min (over/perMm) − error; of these the quantile at `chance`.
 * @example safeFirstCut([{ over: fromSource(4.65, 0.0465, 'a'), perMm: exact(4.65) }], 0, 0.05, drawsOf(1, 20000)) // 0.984, 1 − 1.645·0.01
 */
export function safeFirstCut(cylinders: readonly BeforeCut[], machine: number, chance: number, draws: Draws): number {
  atLeast('cylinders.length', cylinders.length, 1)
  atLeast('machine', machine, 0)
  if (!(chance > 0 && chance < 1)) above('chance', chance >= 1 ? Number.NaN : chance, 0)
  const passes = new Float64Array(draws.count).fill(Infinity)
  for (const { over, perMm } of cylinders) {
    above('perMm', perMm.value, 0)
    const [o, k] = [drawnOf(over, draws), drawnOf(perMm, draws)]
    // A rate that a wide doubt draws as next to nothing lets any depth through.
    for (let i = 0; i < passes.length; i++) passes[i] = Math.min(passes[i]!, o[i]! / Math.max(k[i]!, perMm.value / 20))
  }
  const error = draws.of('machine:first cut')
  for (let i = 0; i < passes.length; i++) passes[i]! -= machine * error[i]!
  passes.sort()
  return Math.max(0, passes[Math.floor(chance * draws.count)]!)
}

/**
 * Several estimates with one source's doubt brought down.
 *
 * @param share of its u that is left, 0 to 1
 * @example lessDoubt([ratio], 'standIn:gasketBore', 0.1)
 */
function lessDoubt(estimates: readonly Sourced[], sources: (source: string) => boolean, share: number): Sourced[] {
  return estimates.map(({ value, by }) => ({ value, by: new Map([...by].map(([s, u]) => [s, sources(s) ? u * share : u])) }))
}

/** What a measurement is worth: the chance of all with it, and how much that is more. */
export interface Worth<M> { measurement: M, chance: number, more: number }

/**
 * Of measurements that could still be made the one that raises the chance of all most.
 *
 * @param estimates and `bands`, see {@link chanceOfAll}
 * @param measurements each with whose doubt it brings down, and to which share of it
 * @returns best first; those that raise it by less than a hundredth are left out
 * Source: {@link chanceOfAll} with that source's u brought down to what the measurement gives, in the same draws.
 * @example worthMeasuring(ratios, bands, [{ sources: s => s === 'entry:gasket', left: 0.2, of: 'gasket' }], draws)[0].more // 0.08
 */
export function worthMeasuring<M extends { sources: (source: string) => boolean, left: number }>(
  estimates: readonly Sourced[], bands: readonly Band[], measurements: readonly M[], draws: Draws
): Worth<M>[] {
  const now = chanceOfAll(estimates, bands, draws)
  return measurements.map((measurement) => {
    const chance = chanceOfAll(lessDoubt(estimates, measurement.sources, measurement.left), bands, draws)
    return { measurement, chance, more: chance - now }
  }).filter(w => w.more >= 0.01).sort((a, b) => b.more - a.more)
}
