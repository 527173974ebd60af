import { kindWords } from '../kindWords'
import { sayStatement, typedFigure } from '../statement'

export const wish = kindWords<'wish'>({ label: 'Wanted', say: sayStatement, typed: ({ figure }) => typedFigure(figure) })
