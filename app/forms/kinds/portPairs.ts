import { kindForm } from '../kindForm'

export const portPairs = kindForm<'portPairs'>({})
