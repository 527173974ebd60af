import { OneOf, PlainName, Sound } from '../decorators'

export class PlanBody {
  @PlainName('The plan’s name') name!: string
  @Sound(value => Array.isArray(value) && value.length <= 8 && value.every(reason => typeof reason === 'string' && reason.trim() !== '' && reason.length <= 200)
    ? undefined
    : 'Reasons are up to eight lines of 200 characters at most.') reasons!: string[]

  @OneOf(['open', 'dropped'], 'Its state') state!: 'open' | 'dropped'
}
