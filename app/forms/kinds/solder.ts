import { kindForm } from '../kindForm'

export const solder = kindForm<'solder'>({})
