import { kindForm } from '../kindForm'

export const title = kindForm<'title'>({})
