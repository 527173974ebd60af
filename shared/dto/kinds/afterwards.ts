import { IsOptional } from 'class-validator'
import { AFTERWARDS, type Afterwards } from '#core'
import { uuidFault } from '../identity'
import { NumberIn, OneOf, PlainNote, Sound } from '../decorators'

const empty = (words: unknown) => typeof words !== 'string' || words.trim() === ''

export class AfterwardsBody {
  @Sound((value, { words, power }) => value === 'power' ? (power === undefined ? 'A power run has its power.' : undefined) : (value === 'other' || value === 'returned') && empty(words) ? 'Say what it was.' : undefined)
  @OneOf(AFTERWARDS, 'What it did') what!: Afterwards

  @IsOptional() @PlainNote(400) words?: string
  @IsOptional()
  @Sound((_, { what }) => what === 'power' ? undefined : 'Only a power run has a power.')
  @NumberIn('the power, in kW', 0.1, 5000) power?: number

  @IsOptional() @NumberIn('the revs', 100, 30_000) revs?: number
  @IsOptional() @PlainNote(200) conditions?: string
  @IsOptional() @Sound(value => uuidFault(value)) ran?: string
}
