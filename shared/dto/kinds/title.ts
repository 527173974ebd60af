import { PlainName } from '../decorators'

export class TitleBody {
  @PlainName('The build’s name') name!: string
  @PlainName('The job reference') reference!: string
}
