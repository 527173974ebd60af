import { kindForm } from '../kindForm'

export const plan = kindForm<'plan'>({})
