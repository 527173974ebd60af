import { KINDS, type Figure } from '#core'
import { FigureIn } from '../decorators'

export class ThroatBody {
  @FigureIn(KINDS.throat.bounds.across, 'the throat') across!: Figure
}
