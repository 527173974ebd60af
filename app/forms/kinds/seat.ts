import { kindForm } from '../kindForm'

export const seat = kindForm<'seat'>({})
