import { IsOptional } from 'class-validator'
import { KINDS, type Figure } from '#core'
import { FigureIn } from '../decorators'
import { OperationBody } from '../operation'

const { bounds } = KINDS.gasketChange

export class GasketChangeBody extends OperationBody {
  @FigureIn(bounds.thickness, 'the gasket thickness') thickness!: Figure
  @FigureIn(bounds.bore, 'the gasket bore') bore!: Figure
  @IsOptional() @FigureIn(bounds.area, 'the area of its opening') area?: Figure
}
