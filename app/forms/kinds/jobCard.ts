import { kindForm } from '../kindForm'

export const jobCard = kindForm<'jobCard'>({})
