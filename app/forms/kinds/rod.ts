import { kindForm } from '../kindForm'

export const rod = kindForm<'rod'>({})
