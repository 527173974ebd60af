import { kindForm } from '../kindForm'

export const mould = kindForm<'mould'>({})
