import { cutFigure } from '../cut'
import { kindForm } from '../kindForm'

export const faceCut = kindForm<'faceCut'>({ figure: cutFigure })
