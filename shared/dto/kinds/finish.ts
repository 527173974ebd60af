import { KINDS, type Figure } from '#core'
import { FigureIn } from '../decorators'

const { bounds } = KINDS.finish

export class FinishBody {
  @FigureIn(bounds.roughness, 'the finish') roughness!: Figure
  @FigureIn(bounds.most, 'the coarsest the gasket allows') most!: Figure
}
