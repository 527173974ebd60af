import { say } from '#shared/figures'
import { kindWords } from '../kindWords'

export const offer = kindWords<'offer'>({
  label: 'Gasket available',
  say: ({ thickness, bore }, lengths) => `${say(thickness.value, 'length', lengths)} thick, bore ${say(bore.value, 'length', lengths)}`
})
