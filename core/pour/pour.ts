import { DomainError, above, atLeast, finite } from '../domain'
import { cylinderVolume } from '../engine'
import { checkInstrument, fillVolume, scaleDoubt, type Fill, type Instrument } from './instrument'

/** What one pour, or several taken together, came to. All in cc, uncertainties k = 1. */
export interface PourResult {
  value: number
  u: number
  /** The part of u that the instrument's scale brings: the same error in every pour with it. */
  shared: number
  /** The part of u that belongs to this pour alone. */
  own: number
  /** The instrument, when it has an identity. */
  source?: string
}

/**
 * Volume poured from one or more fills of an instrument.
 *
 * @param fills one or more, readings in cc on the scale
 * @param instrument see {@link Instrument}
 * @returns value = (Σ|end − start| − film)·correction, with
 *   shared by {@link scaleDoubt} and own² = 2·n·resolution²/12 + repeatability²
 * @throws RangeError for no fills, a reading beyond the scale, a scale read the wrong way round, or nothing poured
 * Source: rectangular distributions of the GUM §4.3.7 (tolerance) and §F.2.2.1 (resolution); ISO 385 for the limit.
 * @example pourVolume([{ start: 0, end: 98.6 }, { start: 3, end: 12.4 }],
 *   { kind: 'burette', capacity: 100, tolerance: 0.2, resolution: 0.1 }) // 108.0, u 0.1374
 */
export function pourVolume(fills: Fill[], instrument: Instrument): PourResult {
  checkInstrument(instrument)
  if (!Array.isArray(fills) || fills.length === 0) throw new DomainError('fills', fills?.length ?? fills, 'one or more')
  const read = fills.reduce((sum, fill, i) => sum + fillVolume(fill, instrument, `fills[${i}]`), 0)
  const film = instrument.scale === 'contain' ? instrument.film ?? 0 : 0
  const value = above('poured', (read - film) * (instrument.correction ?? 1), 0)
  const shared = scaleDoubt(value, instrument)
  const own = Math.hypot(
    instrument.resolution * Math.sqrt(2 * fills.length / 12), instrument.repeatability ?? 0
  )
  return { value, u: Math.hypot(shared, own), shared, own, source: instrument.id }
}

/**
 * Several pours of the same thing as one result.
 *
 * @param pours one or more; those with the same source were made with one instrument
 * @returns of one instrument the mean, u² = shared² + own*²/n with own*² = (8·own² + Σ(x − mean)²)/(n + 7): what the
 *   instrument is known to scatter counts as eight degrees of freedom; of several, each combined and then weighted
 *   by 1/u² (shared and own are then the weighted parts, and there is no single source)
 * @throws RangeError when there are none, or a result is not a number
 * Source: GUM §4.2.3 and H.3.6 (pooled variance of what is known and what is seen), and the weighted mean of independent
 *   results.
 * @example combinePours([pour55_4, pour55_6]).value // 55.5
 */
export function combinePours(pours: PourResult[]): PourResult {
  if (!Array.isArray(pours) || pours.length === 0) throw new DomainError('pours', pours?.length ?? pours, 'one or more')
  pours.forEach((pour, i) => {
    finite(`pours[${i}].value`, pour.value)
    atLeast(`pours[${i}].u`, pour.u, 0)
  })
  const bySource = new Map<string | undefined, PourResult[]>()
  for (const pour of pours) {
    const group = bySource.get(pour.source)
    if (group) group.push(pour)
    else bySource.set(pour.source, [pour])
  }
  const combined = [...bySource.values()].map(combineOfOneInstrument)
  if (combined.length === 1) return combined[0]!

  const sure = combined.filter(pour => pour.u === 0)
  const kept = sure.length > 0 ? sure : combined
  const weights = kept.map(pour => sure.length > 0 ? 1 : 1 / pour.u ** 2)
  const total = weights.reduce((sum, w) => sum + w, 0)
  const mean = (of: (pour: PourResult) => number) => kept.reduce((sum, pour, i) => sum + weights[i]! / total * of(pour), 0)
  const rootSum = (of: (pour: PourResult) => number) =>
    Math.sqrt(kept.reduce((sum, pour, i) => sum + (weights[i]! / total * of(pour)) ** 2, 0))
  return { value: mean(p => p.value), u: rootSum(p => p.u), shared: rootSum(p => p.shared), own: rootSum(p => p.own) }
}

/** Degrees of freedom that the scatter an instrument is known for counts as. */
const KNOWN_FREEDOM = 8

function combineOfOneInstrument(pours: PourResult[]): PourResult {
  const n = pours.length
  if (n === 1) return pours[0]!
  const value = pours.reduce((sum, pour) => sum + pour.value, 0) / n
  const known = pours.reduce((sum, pour) => sum + pour.own ** 2, 0) / n
  const seen = pours.reduce((sum, pour) => sum + (pour.value - value) ** 2, 0)
  const shared = pours.reduce((sum, pour) => sum + pour.shared, 0) / n
  const own = Math.sqrt((KNOWN_FREEDOM * known + seen) / (n - 1 + KNOWN_FREEDOM) / n)
  return { value, u: Math.hypot(shared, own), shared, own, source: pours[0]!.source }
}

/**
 * Crown volume from a pour onto a piston that stands a known distance down its bore.
 *
 * @param pour bore and depth in mm (depth to the flat that the deck clearance is measured to), poured in cc
 * @returns cc, + for a dish, − for a dome. A pour sealed at the ring contains the crevice, one sealed at the
 *   crown's edge does not
 * @throws RangeError when a value leaves its domain
 * Source: definition, poured − π/4·B²·depth.
 * @example crownVolumeFromPour({ bore: 92, depth: 10, poured: 69.476 }) // 3.0 cc of valve pockets
 */
export function crownVolumeFromPour({ bore, depth, poured }: { bore: number, depth: number, poured: number }): number {
  above('bore', bore, 0)
  atLeast('depth', depth, 0)
  above('poured', poured, 0)
  return poured - cylinderVolume(bore, depth)
}

/**
 * Volume behind a reading once the scale itself has grown with temperature. The liquid's own expansion is not
 * applied: it is the same liquid in the glass and in the head.
 *
 * @param reading cc on the scale, 0 or more
 * @param expansion the scale's volume expansion per kelvin, 0 or more
 * @param temperature °C of the scale
 * @returns cc
 * @throws RangeError when a value leaves its domain
 * Source: ISO 4787, reference temperature 20 °C: V = reading·(1 + γ·(T − 20)).
 * @example scaleAtTemperature(60, 3.5e-4, 35) // 60.315 cc from a warm plastic syringe
 */
export function scaleAtTemperature(reading: number, expansion: number, temperature: number): number {
  atLeast('reading', reading, 0)
  atLeast('expansion', expansion, 0)
  return reading * (1 + expansion * (finite('temperature', temperature) - 20))
}

/**
 * Where the scale will stand when a wanted volume is in: the end of the job in the builder's own terms.
 *
 * @param wanted cc to pour, greater than 0
 * @param start reading each fill begins at
 * @param instrument see {@link Instrument}
 * @returns which fill it is (1 for the first) and the reading in it
 * @throws RangeError when the start leaves no scale to pour from
 * Source: {@link pourVolume} solved for its last reading.
 * @example stopReading(108, 0, { kind: 'burette', capacity: 100, tolerance: 0.2, resolution: 0.1 })
 *   // { fill: 2, reading: 8 }
 */
export function stopReading(wanted: number, start: number, instrument: Instrument): { fill: number, reading: number } {
  checkInstrument(instrument)
  above('wanted', wanted, 0)
  const film = instrument.scale === 'contain' ? instrument.film ?? 0 : 0
  const toRead = wanted / (instrument.correction ?? 1) + film
  const down = instrument.kind === 'burette'
  if (start < 0 || start > instrument.capacity) {
    throw new DomainError('start', start, `on the scale, 0 to ${instrument.capacity}`)
  }
  const perFill = above('scale left from start', down ? instrument.capacity - start : start, 0)
  const fill = Math.max(1, Math.ceil(toRead / perFill - 1e-12))
  const inLast = toRead - (fill - 1) * perFill
  return { fill, reading: down ? start + inLast : start - inLast }
}
