import { kindForm } from '../kindForm'

export const chamberModel = kindForm<'chamberModel'>({})
