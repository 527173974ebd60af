import { IsOptional } from 'class-validator'
import { KINDS, type Figure } from '#core'
import { FigureIn } from '../decorators'
import { OperationBody } from '../operation'

export class CrownWorkBody extends OperationBody {
  @FigureIn(KINDS.crownWork.bounds.added, 'what the crown holds more') added!: Figure
  @IsOptional() @FigureIn(KINDS.crownWork.bounds.u, 'its doubt') u?: Figure
  @IsOptional() @FigureIn(KINDS.crownWork.bounds.rise, 'how much higher the piston stands') rise?: Figure
  @IsOptional() @FigureIn(KINDS.crownWork.bounds.pockets, 'how much deeper its pockets are') pockets?: Figure
}
