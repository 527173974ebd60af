import { kindForm } from '../kindForm'

export const offer = kindForm<'offer'>({})
