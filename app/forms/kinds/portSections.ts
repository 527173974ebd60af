import { kindForm } from '../kindForm'

export const portSections = kindForm<'portSections'>({})
