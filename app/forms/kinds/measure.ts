import { kindForm } from '../kindForm'
import { statedFigure } from '../statement'

export const measure = kindForm<'measure'>({ figure: statedFigure })
