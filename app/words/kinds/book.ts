import { kindWords } from '../kindWords'
import { sayStatement, typedFigure } from '../statement'

export const book = kindWords<'book'>({ label: 'Book', say: sayStatement, typed: ({ figure }) => typedFigure(figure) })
