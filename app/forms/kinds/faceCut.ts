import { cutFigure } from '../cut'
import { kindForm } from '../kindForm'

export const faceCut = kindForm<'faceCut'>({ at: () => ({ station: 'cut', leaf: 'face' }), figure: cutFigure })
