import { kindForm } from '../kindForm'

export const throat = kindForm<'throat'>({ figure: { label: 'Right throat', dimension: () => 'length', right: (_, across) => ({ across }) } })
