import { kindWords } from '../kindWords'
import { sayStatement, typedFigure } from '../statement'

export const assume = kindWords<'assume'>({ label: 'Assumed', say: sayStatement, typed: ({ figure }) => typedFigure(figure) })
