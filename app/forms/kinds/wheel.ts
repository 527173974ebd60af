import { kindForm } from '../kindForm'

export const wheel = kindForm<'wheel'>({})
