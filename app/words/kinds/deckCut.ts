import { sayCut } from '../cuts'
import { kindWords } from '../kindWords'
import { typedFigure } from '../statement'

export const deckCut = kindWords<'deckCut'>({ label: 'Deck cut', say: sayCut, typed: ({ measured, depth }) => typedFigure(measured ?? depth) })
