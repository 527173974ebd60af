import type { SpotReading } from '#core'
import { say, type LengthUnit } from '#shared/figures'

/** Readings at places, in one line. */
export const saySpots = (readings: readonly SpotReading[], lengths: LengthUnit): string =>
  `${readings.length} ${readings.length === 1 ? 'place' : 'places'}: ${readings.map(r => say(r.figure.value, 'length', lengths)).join(', ')}`
