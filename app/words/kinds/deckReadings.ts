import { kindWords } from '../kindWords'
import { saySpots } from '../spots'

export const deckReadings = kindWords<'deckReadings'>({ label: 'Deck by dial', say: ({ readings }, lengths) => saySpots(readings, lengths) })
