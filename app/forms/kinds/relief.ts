import { kindForm } from '../kindForm'

export const relief = kindForm<'relief'>({ at: () => ({ station: 'shape' }) })
