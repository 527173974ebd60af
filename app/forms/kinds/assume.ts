import { kindForm } from '../kindForm'
import { statedFigure } from '../statement'

export const assume = kindForm<'assume'>({ figure: statedFigure })
