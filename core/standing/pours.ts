import { DEFAULT_U, fromSource, fromSources, bestMean, linear, uncertainty, type Sourced } from '../estimate'
import {
  combinePours, disagreementOf, leakWatch, pourVolume, scaleAtTemperature, warmedVolume, type Disagreement, type PourResult
} from '../pour'
import type { Enclosed, EntryOf } from '../ledger'
import { onceEach } from '../once'

export type PourEntry = EntryOf<'pour'>

/** The scale of an instrument is one source, however often it is used; without identity it belongs to the pour. */
export function scaleSource(pour: PourEntry): string {
  return pour.body.instrument.id ? `scale:${pour.body.instrument.id}` : `scale:of:${pour.id}`
}

/**
 * Volumes that were poured and do not belong to what is measured: plug hole, plate hole, known recess. cc.
 *
 * @example takenOff(pour) // 0.40 cc, a plate's hole of 0.15 and a relief of 0.25
 */
export function takenOff({ body }: PourEntry): number {
  return (body.plugColumn?.value ?? 0) + (body.plateHole?.value ?? 0) + (body.knownRelief?.value ?? 0)
}

/**
 * What one pour entry came to: its fills, the scale's own expansion, liquid that warmed in the head, less what was
 * filled beside.
 *
 * @throws RangeError where nothing is left, or a reading leaves its domain
 * Source: the contract's pourVolume; ISO 4787 for the scale; V·(1 + γ·ΔT) for the liquid.
 * @example pourResult(pour).value // 55.2
 */
export const pourResult = onceEach((pour: PourEntry): PourResult => {
  const { fills, instrument, scaleTemperature, warmer, liquidExpansion } = pour.body
  // No two pours are alike: an instrument of which nobody said how much it scatters is not taken for one that does not.
  const read = pourVolume(fills, { ...instrument, repeatability: instrument.repeatability ?? DEFAULT_U.repeatability })
  const onScale = scaleTemperature ? scaleAtTemperature(read.value, instrument.expansion ?? 0, scaleTemperature.value) : read.value
  const inHead = warmer ? warmedVolume(onScale, liquidExpansion ?? 0, warmer.value) : onScale
  const value = inHead - takenOff(pour)
  if (value <= 0) throw new RangeError(`poured less what was filled beside is ${value}: it must be greater than 0`)
  return { ...read, value, source: scaleSource(pour) }
})

/**
 * Pours of the same thing as one sourced value: per instrument the scale as one source and each reading as its
 * own; several instruments weighted by 1/u², and further apart than they allow as much less sure as they are apart. A stated volume
 * that was taken off is one source of its own. Worked out once a stretch: its volume, what settles and every plan ask for it.
 *
 * @param pours one or more, of one thing between two changes
 * @throws RangeError when there are none
 * Source: the contract's combinePours, resolved by source; u·√(χ²/(n − 1)) where n instruments contradict each other: the scale
 *   factor of the Particle Data Group (Review of Particle Physics, Introduction, §5.2.2), after Birge, Phys. Rev. 40, 207 (1932).
 */
export const sourcedPours = onceEach((pours: readonly PourEntry[]): Sourced => {
  const byScale = new Map<string, PourEntry[]>()
  for (const pour of pours) {
    const scale = scaleSource(pour)
    const group = byScale.get(scale)
    if (group) group.push(pour)
    else byScale.set(scale, [pour])
  }
  const found = [...byScale].map(([scale, group]) => {
    const combined = combinePours(group.map(pourResult))
    // own is that of the mean of n: each reading carries own·√n of itself, weighted 1/n.
    const ofReading = combined.own / Math.sqrt(group.length)
    return fromSources(combined.value, [[scale, combined.shared], ...group.map(pour => [`entry:${pour.id}`, ofReading] as const)])
  })
  const last = pours.at(-1)!
  const poured = contradicted(bestMean(found), found, disagreement(pours) ? `apart:${last.id}` : undefined)
  const columnU = last.body.plugColumn ? DEFAULT_U.measuredVolume / 4 : 0
  const statedU = last.body.plateHole || last.body.knownRelief ? DEFAULT_U.statedOff : 0
  const offU = Math.hypot(columnU, statedU)
  return offU > 0 ? linear([[1, poured], [1, fromSource(0, offU, `takenOff:${last.id}`)]]) : poured
})

/** A mean of instruments that contradict each other, as doubtful as they are apart: which of them is wrong only another pour tells. */
function contradicted(mean: Sourced, found: readonly Sourced[], apart: string | undefined): Sourced {
  if (!apart || found.length === 1 || found.some(one => uncertainty(one) === 0)) return mean
  const birge = found.reduce((sum, one) => sum + ((one.value - mean.value) / uncertainty(one)) ** 2, 0) / (found.length - 1)
  return birge <= 1 ? mean : linear([[1, mean], [1, fromSource(0, uncertainty(mean) * Math.sqrt(birge - 1), apart)]])
}

/**
 * Whether pours of one thing differ by more than their instruments allow.
 *
 * @param pours in the order they were made
 * @returns the widest pair's difference and what would be allowed, or undefined when they agree
 */
export const disagreement = onceEach((pours: readonly PourEntry[]): Disagreement | undefined => disagreementOf(pours.map(pourResult)))

/**
 * What the leak watch of a pour says, if it had one.
 *
 * @example watchOf(pour)?.rate // 0.3 cc a minute
 */
export function watchOf({ body }: PourEntry): ReturnType<typeof leakWatch> | undefined {
  return body.watch && leakWatch(body.fills.at(-1)!.end, body.watch.reading, body.watch.seconds, body.instrument)
}

/** The pours of a crown or a container that count: since it was last worked on. */
export function lastSeries(pours: PourEntry[], encloses: Extract<Enclosed, 'crown' | 'container'>): PourEntry[] {
  const of = pours.filter(pour => pour.body.encloses === encloses)
  const afresh = of.map(pour => pour.body.afterWork ?? false).lastIndexOf(true)
  return afresh > 0 ? of.slice(afresh) : of
}
