import { IsBoolean, IsOptional } from 'class-validator'
import { JOB_CARD, JOB_CHECKS, JOB_WAITS, type JobCheck, type JobWait } from '#core'
import { OneOf, PlainName, PlainNote, Sound } from '../decorators'

export class JobStepBody {
  @PlainName('The step’s name', JOB_CARD.words) step!: string
  @IsBoolean({ message: 'Say whether it is done.' }) done!: boolean
  @IsOptional() @OneOf(JOB_CHECKS, 'The check') check?: JobCheck
  @IsOptional()
  @Sound((_, { done, check }) => done === true || check !== undefined ? 'What is done waits for nothing.' : undefined)
  @OneOf(JOB_WAITS, 'What it waits for') waits?: JobWait

  @IsOptional() @PlainNote(200) words?: string
}
