import { IsOptional } from 'class-validator'
import { Sound } from '../decorators'
import { FaceBody } from '../operation'

export class DeckCutBody extends FaceBody {
  @IsOptional() @Sound(value => value === true ? undefined : 'Say whether it came off the foot.') foot?: true
}
