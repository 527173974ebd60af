import { kindForm } from '../kindForm'

export const seatWork = kindForm<'seatWork'>({})
