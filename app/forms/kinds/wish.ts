import { kindForm } from '../kindForm'
import { statedFigure } from '../statement'

export const wish = kindForm<'wish'>({ figure: statedFigure })
