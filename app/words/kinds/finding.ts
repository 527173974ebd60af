import { FINDING_WORDS } from '../findings'
import { kindWords } from '../kindWords'

export const finding = kindWords<'finding'>({
  label: 'Found at take-in',
  say: ({ what, words, told, decided }) => [FINDING_WORDS[what], ...words ? [words] : [], ...told ? [`told: ${told}`] : [], ...decided ? [`decided: ${decided}`] : []].join('; ')
})
