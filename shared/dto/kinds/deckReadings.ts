import { KINDS, type Bodies } from '#core'
import { Sound } from '../decorators'
import { readingsFault } from '../spots'

export class DeckReadingsBody {
  @Sound(readingsFault(KINDS.deckReadings.bounds.reading, 'a deck reading')) readings!: Bodies['deckReadings']['readings']
}
