import { digits } from '#shared/figures'
import { AFTERWARDS_WORDS } from '../jobs'
import { kindWords } from '../kindWords'

export const afterwards = kindWords<'afterwards'>({
  label: 'Afterwards',
  say: ({ what, words, power, revs, conditions }) => [AFTERWARDS_WORDS[what], ...power !== undefined ? [`${digits(power, 1)} kW${revs ? ` at ${revs} rpm` : ''}`] : revs ? [`at ${revs} rpm`] : [], ...conditions ? [conditions] : [], ...words ? [words] : []].join('; ')
})
