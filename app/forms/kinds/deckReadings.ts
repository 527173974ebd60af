import { kindForm } from '../kindForm'

export const deckReadings = kindForm<'deckReadings'>({ at: () => ({ station: 'sheet', leaf: 'deck' }) })
