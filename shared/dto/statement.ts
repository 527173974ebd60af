import { IsOptional } from 'class-validator'
import { QUANTITIES, type Figure, type Quantity, type Statement } from '#core'
import { DoubtOfQuantity, FigureOfQuantity, OneOf } from './decorators'

/** A dimension, from whatever source. */
export class StatementBody implements Statement {
  @OneOf(Object.keys(QUANTITIES), 'What is stated') quantity!: Quantity
  @FigureOfQuantity() figure!: Figure
  @IsOptional() @DoubtOfQuantity() u?: Figure
  @IsOptional() @OneOf(['upright', 'alongValve', 'pocket'], 'The way it was measured') convention?: 'upright' | 'alongValve' | 'pocket'
}
