import { cutFigure } from '../cut'
import { kindForm } from '../kindForm'

export const deckCut = kindForm<'deckCut'>({ at: () => ({ station: 'sheet', leaf: 'deck' }), figure: cutFigure })
