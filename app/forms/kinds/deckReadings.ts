import { kindForm } from '../kindForm'

export const deckReadings = kindForm<'deckReadings'>({})
