import { REASONS } from '#core'
import { REASON_WORDS } from '../../words/reasons'
import { kindForm } from '../kindForm'

export const reasons = kindForm<'reasons'>({
  fields: REASONS.map(name => ({ name, label: REASON_WORDS[name], as: 'words', limit: 60, optional: true }))
})
