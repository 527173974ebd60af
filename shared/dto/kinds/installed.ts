import { IsOptional } from 'class-validator'
import { KINDS, type Figure } from '#core'
import { FigureIn } from '../decorators'

const { bounds } = KINDS.installed

export class InstalledBody {
  @FigureIn(bounds.height, 'the installed height') height!: Figure
  @IsOptional() @FigureIn(bounds.seal, 'the way to the seal') seal?: Figure
}
