import { kindForm } from '../kindForm'

export const headHeights = kindForm<'headHeights'>({})
