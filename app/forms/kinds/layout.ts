import { kindForm } from '../kindForm'

export const layout = kindForm<'layout'>({})
