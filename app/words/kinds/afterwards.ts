import { say } from '#shared/figures'
import { AFTERWARDS_WORDS } from '../jobs'
import { kindWords } from '../kindWords'

export const afterwards = kindWords<'afterwards'>({
  label: 'Afterwards',
  say: ({ what, words, power, revs, conditions }, lengths) => [AFTERWARDS_WORDS[what], ...power !== undefined ? [`${say(power, 'power', lengths)}${revs ? ` at ${revs} rpm` : ''}`] : revs ? [`at ${revs} rpm`] : [], ...conditions ? [conditions] : [], ...words ? [words] : []].join('; ')
})
