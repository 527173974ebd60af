import { kindForm } from '../kindForm'

export const finding = kindForm<'finding'>({})
