import { DomainError, stopReading, type Instrument } from '#core'
import { digits } from '#shared/figures'

/** The reading a fresh fill begins at: a burette at its zero, a syringe or cylinder full. */
export const fullScale = ({ kind, capacity }: Instrument): number => kind === 'burette' ? 0 : capacity

/** Where the glass stands when a volume is in, counted in fills from a full scale: "46.8", "fill 2, 8.0". */
export function sayStop(volume: number | undefined, instrument: Instrument | undefined): string | undefined {
  if (volume === undefined || !instrument) return undefined
  try {
    const { fill, reading } = stopReading(volume, fullScale(instrument), instrument)
    return fill > 1 ? `fill ${fill}, ${digits(reading, 1)}` : digits(reading, 1)
  } catch (error) {
    if (error instanceof DomainError) return undefined
    throw error
  }
}
