import { placeOf } from '#core'
import { kindForm } from '../kindForm'
import { statedFigure } from '../statement'

export const assume = kindForm<'assume'>({ at: ({ quantity }) => placeOf(quantity), figure: statedFigure })
