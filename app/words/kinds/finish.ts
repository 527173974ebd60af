import { say } from '#shared/figures'
import { kindWords } from '../kindWords'

export const finish = kindWords<'finish'>({
  label: 'Finish',
  say: ({ roughness, most }, lengths) => `Ra ${say(roughness.value, 'roughness', lengths)}, the gasket allows ${say(most.value, 'roughness', lengths)}`
})
