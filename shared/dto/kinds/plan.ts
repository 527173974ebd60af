import { IsOptional } from 'class-validator'
import { OneOf, PlainName, Sound } from '../decorators'

export class PlanBody {
  @PlainName('The plan’s name', 160) name!: string
  @Sound(value => Array.isArray(value) && value.length <= 8 && value.every(reason => typeof reason === 'string' && reason.trim() !== '' && reason.length <= 200)
    ? undefined
    : 'Reasons are up to eight lines of 200 characters at most.') reasons!: string[]

  @IsOptional() @Sound(value => value === true ? undefined : 'A plan is a route, or says nothing of it.') route?: true

  @OneOf(['open', 'dropped'], 'Its state') state!: 'open' | 'dropped'
}
