import { IsOptional } from 'class-validator'
import { KINDS, SOLDER_TOUCHED, type Bodies, type Figure } from '#core'
import { FigureIn, Sound } from '../decorators'
import { readingsFault } from '../spots'

const { bounds } = KINDS.solder

export class SolderBody {
  @Sound((value, { strand }) => readingsFault(bounds.reading, 'a solder')(value) ?? untouched(value as Bodies['solder']['readings'], strand))
  readings!: Bodies['solder']['readings']

  @IsOptional() @FigureIn(bounds.strand, 'the strand’s own thickness') strand?: Figure
}

/** A strand that reads what it was before has not been touched: that is no squish. */
function untouched(readings: Bodies['solder']['readings'], strand: unknown): string | undefined {
  const thick = typeof strand === 'object' && strand !== null && 'value' in strand && typeof strand.value === 'number' ? strand.value : undefined
  const odd = thick === undefined ? undefined : readings.find(({ figure }) => figure.value > thick - SOLDER_TOUCHED)
  return odd && `That place was not touched: it reads ${odd.figure.value.toFixed(2)} mm, and the strand was ${thick!.toFixed(2)} mm before. Take a thicker one.`
}
