import { say } from '#shared/figures'
import { kindWords } from '../kindWords'
import { typedFigure } from '../statement'

export const crownWork = kindWords<'crownWork'>({
  label: 'Crown',
  say: ({ state, added: { value }, rise, pockets, valve }, lengths) => [
    `${state}${rise ? ', another piston' : ''}, ${say(Math.abs(value), 'volume', lengths)} ${value < 0 ? 'less' : 'more'} in the crown`,
    ...rise?.value ? [`${say(Math.abs(rise.value), 'length', lengths)} ${rise.value < 0 ? 'lower' : 'higher'}`] : [], ...pockets ? [`${valve ? `${valve} ` : ''}pockets ${say(pockets.value, 'length', lengths)} deeper`] : []
  ].join(', '),
  typed: ({ added }) => typedFigure(added)
})
