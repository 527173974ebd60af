import { IsOptional } from 'class-validator'
import { KINDS, type Figure, type Relief } from '#core'
import { reliefsFault, turnedFault } from '../chamberBody'
import { FigureIn, Sound } from '../decorators'
import { AddedBody } from '../operation'

export class ReliefBody extends AddedBody {
  @IsOptional() @FigureIn(KINDS.relief.bounds.drawn, 'the volume drawn') drawn?: Figure
  @IsOptional() @Sound(reliefsFault) reliefs?: Relief[]
  @IsOptional() @Sound(turnedFault) turned?: { mouth: number, depth: number }
}
