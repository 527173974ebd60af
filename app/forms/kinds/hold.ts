import { kindForm } from '../kindForm'

export const hold = kindForm<'hold'>({})
