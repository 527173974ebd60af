import { KINDS, type Figure } from '#core'
import { FigureIn } from '../decorators'

const { bounds } = KINDS.ridge

export class RidgeBody {
  @FigureIn(bounds.height, 'the ridge’s height') height!: Figure
  @FigureIn(bounds.width, 'the width of its foot') width!: Figure
  @FigureIn(bounds.across, 'the diameter it stands at') across!: Figure
  @FigureIn(bounds.arc, 'the arc it runs over') arc!: Figure
}
