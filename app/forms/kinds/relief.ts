import { kindForm } from '../kindForm'

export const relief = kindForm<'relief'>({})
