import { depthSet } from '#core'
import { sayCut, sayLay } from '../cuts'
import { kindWords } from '../kindWords'
import { typedFigure } from '../statement'

export const faceCut = kindWords<'faceCut'>({
  label: 'Face cut',
  // What was measured is all that came off, and stands beside all that was planned.
  say: (body, lengths) => sayCut(body.measured ? { ...body, depth: { ...body.depth, value: depthSet(body) } } : body, lengths) + sayLay(body, lengths),
  typed: ({ measured, depth }) => typedFigure(measured ?? depth)
})
