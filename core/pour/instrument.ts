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
