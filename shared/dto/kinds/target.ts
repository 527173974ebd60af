import { IsBoolean, IsOptional } from 'class-validator'
import { KINDS, type Figure } from '#core'
import { FigureIn, OneOf } from '../decorators'

const { bounds } = KINDS.target

export class TargetBody {
  @FigureIn(bounds.ratio, 'the target ratio') ratio!: Figure
  @FigureIn(bounds.tolerance, 'the tolerance') tolerance!: Figure
  @IsBoolean({ message: 'Say whether the target counts the crevice.' }) countsCrevice!: boolean
  @IsOptional() @OneOf(['full', 'trapped'], 'Which ratio it is') of?: 'full' | 'trapped'
}
