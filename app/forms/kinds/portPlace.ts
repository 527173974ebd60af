import { kindForm } from '../kindForm'

export const portPlace = kindForm<'portPlace'>({})
