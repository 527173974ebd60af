import { REASONS } from '#core'
import { kindWords } from '../kindWords'
import { REASON_WORDS } from '../reasons'

export const reasons = kindWords<'reasons'>({
  label: 'Reasons',
  say: body => REASONS.flatMap(reason => body[reason] ? [`${REASON_WORDS[reason].toLowerCase()} ${body[reason]}`] : []).join(', ') || 'none'
})
