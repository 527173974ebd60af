import { DEFAULT_U, carry, fromSource, inverseVarianceMean, linear, uncertainty, type Sourced } from '../estimate'
import { combinePours, pourVolume, type PourResult } from '../pour'
import type { EntryOf } from './entry'

type PourEntry = EntryOf<'pour'>

/** The scale of an instrument is one source, however often it is used; without identity it belongs to the pour. */
export function scaleSource(pour: PourEntry): string {
  return pour.body.instrument.id ? `scale:${pour.body.instrument.id}` : `scale:of:${pour.id}`
}

/** What one pour entry came to. */
export function pourResult(pour: PourEntry): PourResult {
  return { ...pourVolume(pour.body.fills, pour.body.instrument), source: scaleSource(pour) }
}

/**
 * Pours of the same thing as one sourced value: per instrument the scale as one source and each reading as its
 * own; several instruments weighted by 1/u².
 *
 * @param pours one or more, of one thing between two changes
 * @throws RangeError when there are none
 * Source: the contract's combinePours, resolved by source.
 */
export function sourcedPours(pours: PourEntry[]): Sourced {
  const byScale = new Map<string, PourEntry[]>()
  for (const pour of pours) {
    const scale = scaleSource(pour)
    byScale.set(scale, [...byScale.get(scale) ?? [], pour])
  }
  return inverseVarianceMean([...byScale].map(([scale, group]) => {
    const combined = combinePours(group.map(pourResult))
    // own is that of the mean of n; each reading carries own·√n of itself, weighted 1/n.
    const perReading = combined.own * Math.sqrt(group.length)
    const readings = group.map((pour): [number, Sourced] => [1 / group.length, fromSource(0, perReading, `entry:${pour.id}`)])
    return linear([[1, fromSource(combined.value, combined.shared, scale)], ...readings])
  }))
}

/**
 * What an assembled pour says the whole clearance volume is: what went in less the column in the plug hole.
 *
 * @returns sourced cc
 * @throws RangeError when the column is more than was poured
 */
export function assembledVolume(pours: PourEntry[]): Sourced {
  const total = sourcedPours(pours)
  const column = pours.at(-1)!.body.plugColumn
  if (!column) return total
  return carry(([poured, less]) => {
    if (poured! <= less!) throw new RangeError(`plugColumn is ${less}: it must be less than the ${poured} poured`)
    return poured! - less!
  }, [total, fromSource(column.value, DEFAULT_U.measuredVolume / 4, `column:${pours.at(-1)!.id}`)])
}

/**
 * Whether pours of one thing differ by more than their instruments allow (95 %).
 *
 * @returns the widest pair's difference and what would be allowed, or undefined when they agree
 */
export function disagreement(pours: PourEntry[]): { difference: number, allowed: number } | undefined {
  if (pours.length < 2) return undefined
  const each = pours.map(pour => sourcedPours([pour]))
  let worst: { difference: number, allowed: number } | undefined
  each.forEach((a, i) => each.slice(i + 1).forEach((b) => {
    const apart = linear([[1, b], [-1, a]])
    const difference = Math.abs(apart.value)
    const allowed = 2 * uncertainty(apart)
    if (difference > allowed && difference - allowed > (worst ? worst.difference - worst.allowed : 0)) {
      worst = { difference, allowed }
    }
  }))
  return worst
}
