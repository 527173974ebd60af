import { say } from '#shared/figures'
import { kindWords } from '../kindWords'

export const ridge = kindWords<'ridge'>({
  label: 'Ridge',
  say: ({ height, width, arc }, lengths) => `${say(height.value, 'length', lengths)} high, ${say(width.value, 'length', lengths)} wide, over ${say(arc.value, 'angle', lengths)}`
})
