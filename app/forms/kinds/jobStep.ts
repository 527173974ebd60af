import { kindForm } from '../kindForm'

export const jobStep = kindForm<'jobStep'>({})
