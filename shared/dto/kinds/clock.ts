import { IsBoolean, IsOptional } from 'class-validator'
import { CLOCK_LESS, JOB_CARD } from '#core'
import { NumberIn, PlainName, Sound } from '../decorators'

export class ClockBody {
  @PlainName('The step’s name', JOB_CARD.words) step!: string
  @IsBoolean({ message: 'Say whether the clock begins or ends.' }) on!: boolean
  @IsOptional()
  @Sound((_, { on }) => on === true ? 'Hours are taken off when a clock ends.' : undefined)
  @NumberIn('hours in which nobody worked', 0, CLOCK_LESS) less?: number
}
