import { kindForm } from '../kindForm'

export const crownWork = kindForm<'crownWork'>({ figure: { label: 'Right change of the crown', dimension: () => 'volume', right: (body, added) => ({ ...body, added }) } })
