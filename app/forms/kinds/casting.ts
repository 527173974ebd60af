import { kindForm } from '../kindForm'

export const casting = kindForm<'casting'>({
  fields: [{ name: 'mark', label: 'Casting number', as: 'words', limit: 40 }, { name: 'cast', label: 'Cast on, as it says', as: 'words', limit: 40, optional: true }]
})
