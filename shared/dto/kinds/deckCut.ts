import { IsOptional } from 'class-validator'
import { KINDS, type Figure } from '#core'
import { FigureIn, Sound } from '../decorators'
import { FaceBody } from '../operation'

export class DeckCutBody extends FaceBody {
  @FigureIn(KINDS.deckCut.bounds.depth, 'the depth') depth!: Figure
  @IsOptional() @Sound(value => value === true ? undefined : 'Say whether it came off the foot.') foot?: true
}
