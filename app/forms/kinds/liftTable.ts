import { kindForm } from '../kindForm'

export const liftTable = kindForm<'liftTable'>({})
