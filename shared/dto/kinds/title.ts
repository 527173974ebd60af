import { JobReference, PlainName } from '../decorators'

export class TitleBody {
  @PlainName('The build’s name') name!: string
  @JobReference() reference!: string
}
