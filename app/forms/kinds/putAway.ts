import { kindForm } from '../kindForm'

export const putAway = kindForm<'putAway'>({
  fields: [{ name: 'away', label: 'Put away', as: 'yes', sentence: 'This build is off the bench' }, { name: 'reason', label: 'Why', as: 'words', limit: 300 }]
})
