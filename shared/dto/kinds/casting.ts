import { IsOptional } from 'class-validator'
import { PlainName } from '../decorators'

export class CastingBody {
  @PlainName('The casting’s mark', 40) mark!: string
  @IsOptional() @PlainName('When it was cast', 40) cast?: string
}
