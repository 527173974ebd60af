import { sayCut, sayLay } from '../cuts'
import { kindWords } from '../kindWords'
import { typedFigure } from '../statement'

export const faceCut = kindWords<'faceCut'>({
  label: 'Face cut',
  say: (body, lengths) => sayCut(body, lengths) + sayLay(body, lengths),
  typed: ({ measured, depth }) => typedFigure(measured ?? depth)
})
