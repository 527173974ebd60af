import { say } from '#shared/figures'
import { kindWords } from '../kindWords'

export const gasketChange = kindWords<'gasketChange'>({
  label: 'Gasket change',
  say: ({ state, thickness, bore }, lengths) => `${state}, ${say(thickness.value, 'length', lengths)} thick, bore ${say(bore.value, 'length', lengths)}`
})
