import { kindForm } from '../kindForm'

export const photograph = kindForm<'photograph'>({})
