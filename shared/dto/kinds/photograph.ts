import { IsOptional } from 'class-validator'
import { PlainNote, Sound } from '../decorators'
import { uuidFault } from '../identity'

export class PhotographBody {
  @IsOptional() @Sound(uuidFault) of?: string
  @IsOptional() @PlainNote(200) words?: string
}
