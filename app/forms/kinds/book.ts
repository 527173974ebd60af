import { kindForm } from '../kindForm'
import { statedFigure } from '../statement'

export const book = kindForm<'book'>({ figure: statedFigure })
