import { say } from '#shared/figures'
import { kindWords } from '../kindWords'
import { typedFigure } from '../statement'

export const crownWork = kindWords<'crownWork'>({
  label: 'Crown cut',
  say: ({ state, added: { value } }, lengths) => `${state}, ${say(Math.abs(value), 'volume', lengths)} ${value < 0 ? 'less' : 'more'} in the crown`,
  typed: ({ added }) => typedFigure(added)
})
