import { kindWords } from '../kindWords'
import { sayStatement, typedFigure } from '../statement'

export const measure = kindWords<'measure'>({ label: 'Measured', say: sayStatement, typed: ({ figure }) => typedFigure(figure) })
