import { say } from '#shared/figures'
import { kindWords } from '../kindWords'
import { typedFigure } from '../statement'

export const spacer = kindWords<'spacer'>({
  label: 'Under the barrel',
  say: ({ state, change: { value } }, lengths) => `${state}, ${say(Math.abs(value), 'length', lengths)} ${value < 0 ? 'less' : 'more'}`,
  typed: ({ change }) => typedFigure(change)
})
