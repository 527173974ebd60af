import { kindForm } from '../kindForm'

export const flange = kindForm<'flange'>({})
