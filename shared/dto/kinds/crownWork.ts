import { IsOptional } from 'class-validator'
import { KINDS, type Figure, type Valve } from '#core'
import { FigureIn, OneOf, Sound } from '../decorators'
import { OperationBody } from '../operation'

export class CrownWorkBody extends OperationBody {
  @FigureIn(KINDS.crownWork.bounds.added, 'what the crown holds more') added!: Figure
  @IsOptional() @FigureIn(KINDS.crownWork.bounds.u, 'its doubt') u?: Figure
  @IsOptional() @FigureIn(KINDS.crownWork.bounds.rise, 'how much higher the piston stands') rise?: Figure
  @IsOptional() @FigureIn(KINDS.crownWork.bounds.pockets, 'how much deeper its pockets are') pockets?: Figure
  @IsOptional() @Sound((_, { pockets }) => pockets === undefined ? 'Say how much deeper the pockets are first.' : undefined) @OneOf(['intake', 'exhaust'], 'Which valves’ pockets') valve?: Valve
}
