import { kindForm } from '../kindForm'

export const worked = kindForm<'worked'>({})
