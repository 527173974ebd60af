import { DomainError, above, atLeast, finite } from '../domain'

/** One fill of the instrument: the scale where it began and where it ended, in cc. */
export interface Fill { start: number, end: number }

export interface Instrument {
  /** A burette's scale counts what was delivered; a syringe's and a cylinder's count what is left. */
  kind: 'burette' | 'syringe' | 'cylinder'
  /** Full scale, cc. */
  capacity: number
  /** Maximum permissible error, cc, good at any point of the scale (ISO 385 for burettes). */
  tolerance: number
  /** Smallest step that is read, cc. */
  resolution: number
  id?: string
  /** Calibrated to deliver (the default) or to contain. */
  scale?: 'deliver' | 'contain'
  /** Liquid that to-contain glass keeps back, cc per pour. */
  film?: number
  /** Volume expansion of the scale per kelvin; about 1e-5 for borosilicate, 3–4e-4 for polypropylene. */
  expansion?: number
  /** Factor found by a check pour against a known volume. */
  correction?: number
  /** Where that check was made, and its standard uncertainty there, both cc: away from it the maker's tolerance comes back. */
  check?: { at: number, u: number }
  /** Scatter of one pour (bubble, grease, end point), cc, k = 1. */
  repeatability?: number
}

/**
 * Refuses an instrument whose figures can't be true.
 *
 * @throws RangeError naming the figure
 * @example checkInstrument({ …, tolerance: −0.1 }) // RangeError: instrument.tolerance
 */
export function checkInstrument(instrument: Instrument): void {
  above('instrument.capacity', instrument.capacity, 0)
  atLeast('instrument.tolerance', instrument.tolerance, 0)
  above('instrument.resolution', instrument.resolution, 0)
  if (instrument.resolution > instrument.capacity) {
    throw new DomainError('instrument.resolution', instrument.resolution, `${instrument.capacity} or less`)
  }
  atLeast('instrument.film', instrument.film ?? 0, 0)
  atLeast('instrument.expansion', instrument.expansion ?? 0, 0)
  above('instrument.correction', instrument.correction ?? 1, 0)
  if (instrument.check) {
    above('instrument.check.at', instrument.check.at, 0)
    atLeast('instrument.check.u', instrument.check.u, 0)
  }
  atLeast('instrument.repeatability', instrument.repeatability ?? 0, 0)
}

/**
 * What one fill gave, as read, in cc.
 *
 * @throws RangeError when a reading is off the scale or the scale was read the wrong way round
 * @example fillVolume({ start: 3, end: 12.4 }, burette) // 9.4
 */
export function fillVolume(fill: Fill, instrument: Instrument, name = 'fill'): number {
  for (const at of ['start', 'end'] as const) {
    const reading = finite(`${name}.${at}`, fill[at])
    if (reading < 0 || reading > instrument.capacity) {
      throw new DomainError(`${name}.${at}`, reading, `on the scale, 0 to ${instrument.capacity}`)
    }
  }
  const counted = instrument.kind === 'burette' ? fill.end - fill.start : fill.start - fill.end
  if (counted <= 0) {
    const bound = instrument.kind === 'burette'
      ? `greater than the start ${fill.start}: a burette counts what was delivered`
      : `less than the start ${fill.start}: a ${instrument.kind} counts what is left`
    throw new DomainError(`${name}.end`, fill.end, bound)
  }
  return counted
}

/**
 * Standard uncertainty that an instrument's scale brings to a volume: one error for all that is read off it.
 *
 * @param value cc delivered, 0 or more
 * @param instrument see {@link Instrument}; its `tolerance` is the maker's also where it was checked
 * @returns cc: tolerance/√3·max(1, value/capacity), and for a checked scale √((u·value/at)² + (tolerance/√3·s)²), with
 *   s = |value − at|/at, 1 at most
 * @throws RangeError when the value is below 0
 * Source: rectangular distribution, JCGM 100:2008 §4.3.7, of the maker's limit (ISO 385, good at any point of the scale). A
 *   check's factor carries its own error in proportion; how a scale's error runs between the points that were checked
 *   is not known, so the maker's limit returns with the distance.
 * @example scaleDoubt(67, { …, tolerance: 0.2, correction: 1.003, check: { at: 33.5, u: 0.05 } }) // √(0.1² + 0.1155²) = 0.153
 */
export function scaleDoubt(value: number, { tolerance, capacity, check }: Instrument): number {
  atLeast('value', value, 0)
  const makers = tolerance / Math.sqrt(3) * Math.max(1, value / capacity)
  if (!check) return makers
  return Math.hypot(check.u * value / check.at, makers * Math.min(1, Math.abs(value - check.at) / check.at))
}
