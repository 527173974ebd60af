import { kindForm } from '../kindForm'

export const installed = kindForm<'installed'>({ figure: { label: 'Right installed height', dimension: () => 'length', right: (body, height) => ({ ...body, height }) } })
