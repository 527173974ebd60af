import { say } from '#shared/figures'
import { kindWords } from '../kindWords'
import { PLACE_WORDS, WAY_WORDS } from '../ports'

export const portPlace = kindWords<'portPlace'>({
  label: 'Place in a port',
  say: ({ place, way, amount, adds, tool, grit, finish, done }, lengths) => [
    `${PLACE_WORDS[place]}: ${WAY_WORDS[way]}`, ...amount ? [say(amount.value, 'length', lengths)] : [], ...adds ? [`+${say(adds.value, 'volume', lengths)}`] : [], ...tool ? [tool] : [], ...grit ? [`grit ${grit}`] : [], ...finish ? [`finish ${finish}`] : [], ...done ? ['done'] : []
  ].join(', ')
})
