import { placeOf } from '#core'
import { kindForm } from '../kindForm'
import { statedFigure } from '../statement'

export const book = kindForm<'book'>({ at: ({ quantity }) => placeOf(quantity), figure: statedFigure })
