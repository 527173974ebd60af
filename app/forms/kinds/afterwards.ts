import { kindForm } from '../kindForm'

export const afterwards = kindForm<'afterwards'>({})
