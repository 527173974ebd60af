import { kindForm } from '../kindForm'

export const target = kindForm<'target'>({})
