import { cutFigure } from '../cut'
import { kindForm } from '../kindForm'

export const deckCut = kindForm<'deckCut'>({ figure: cutFigure })
