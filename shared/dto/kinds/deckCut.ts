import { IsOptional } from 'class-validator'
import { OneOf } from '../decorators'
import { FaceBody } from '../operation'

export class DeckCutBody extends FaceBody {
  @IsOptional() @OneOf([true], 'Whether it came off the foot') foot?: true
}
