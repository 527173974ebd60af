import { kindForm } from '../kindForm'

export const spacer = kindForm<'spacer'>({ figure: { label: 'Right change', dimension: () => 'length', right: (body, change) => ({ ...body, change }) } })
