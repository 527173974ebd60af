import { JOB_CARD } from '#core'
import { NumberIn, PlainName } from '../decorators'

export class WorkedBody {
  @PlainName('The step’s name', JOB_CARD.words) step!: string
  @NumberIn('the hours worked', 0.01, JOB_CARD.hours) hours!: number
}
