import { kindForm } from '../kindForm'

export const clock = kindForm<'clock'>({})
