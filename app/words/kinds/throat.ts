import { say } from '#shared/figures'
import { kindWords } from '../kindWords'
import { typedFigure } from '../statement'

export const throat = kindWords<'throat'>({ label: 'Throat', say: ({ across }, lengths) => `${say(across.value, 'length', lengths)} across`, typed: ({ across }) => typedFigure(across) })
