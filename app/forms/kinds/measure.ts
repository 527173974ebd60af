import { placeOf } from '#core'
import { kindForm } from '../kindForm'
import { statedFigure } from '../statement'

export const measure = kindForm<'measure'>({ at: ({ quantity }) => placeOf(quantity), figure: statedFigure })
