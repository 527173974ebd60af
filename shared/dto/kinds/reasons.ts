import { IsOptional } from 'class-validator'
import type { Bodies } from '#core'
import { PlainName } from '../decorators'

export class ReasonsBody implements Required<Bodies['reasons']> {
  @IsOptional() @PlainName('The fuel', 60) fuel!: string
  @IsOptional() @PlainName('The boost', 60) boost!: string
  @IsOptional() @PlainName('The use', 60) use!: string
  @IsOptional() @PlainName('The ignition', 60) ignition!: string
  @IsOptional() @PlainName('The class rule', 60) classRule!: string
}
