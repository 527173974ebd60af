import { kindForm } from '../kindForm'

export const printed = kindForm<'printed'>({})
