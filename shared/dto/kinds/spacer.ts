import { KINDS, type Figure } from '#core'
import { FigureIn } from '../decorators'
import { OperationBody } from '../operation'

export class SpacerBody extends OperationBody {
  @FigureIn(KINDS.spacer.bounds.change, 'the change under the barrel') change!: Figure
}
