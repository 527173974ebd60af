import { IsOptional } from 'class-validator'
import { KINDS, type Bodies } from '#core'
import { OneOf, Sound } from '../decorators'
import { uuidFault } from '../identity'
import { readingsFault } from '../spots'

export class HeadHeightsBody {
  @Sound(readingsFault(KINDS.headHeights.bounds.reading, 'a height', { reach: 600, middle: 'the head’s middle' })) readings!: Bodies['headHeights']['readings']
  @IsOptional() @Sound((value, { side }) => uuidFault(value) ?? (side === undefined ? 'Say whether it was before that cut or after it.' : undefined)) cut?: string
  @IsOptional() @OneOf(['before', 'after'], 'The side of the cut') @Sound((_, { cut }) => cut === undefined ? 'Say which cut.' : undefined) side?: 'before' | 'after'
}
