import { IsBoolean, IsOptional } from 'class-validator'
import { KINDS, type Figure } from '#core'
import { FigureIn, NumberIn, PlainName, Sound } from '../decorators'

const { bounds } = KINDS.mould

export class MouldBody {
  @PlainName('The compound', 60) compound!: string
  @PlainName('The release agent', 60) release!: string
  @NumberIn('the hours it cures', 0.1, 240) hours!: number
  @Sound(value => value === 1 || value === 2 ? undefined : 'It is poured in one step or in two.') steps!: 1 | 2
  @IsOptional() @FigureIn(bounds.lean, 'how far the head leans') lean?: Figure
  @IsOptional() @FigureIn(bounds.short, 'how far short of the flange it stops') short?: Figure
  @IsBoolean({ message: 'Say whether it is out of the port.' }) out!: boolean
  @IsOptional() @FigureIn(bounds.step, 'the step on the short turn') @Sound((value, { out }) => value !== undefined && out !== true ? 'A step is read off a mould that is out.' : undefined) step?: Figure
}
