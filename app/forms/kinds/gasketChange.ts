import { kindForm } from '../kindForm'

export const gasketChange = kindForm<'gasketChange'>({})
