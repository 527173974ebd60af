import type { Figure } from '#core'
import { FigureIn } from '../../../shared/dto/decorators'
import { throat } from './core'

export class ThroatBody {
  @FigureIn(throat.bounds.across, 'the throat') across!: Figure
}
