import { kindForm } from '../kindForm'

export const spring = kindForm<'spring'>({})
