import { kind } from '../kind'
import { FIGURE_BOUNDS } from '../quantities'
import { STATEMENTS } from '../statement'
import type { SpotReading } from '../terms'

export interface DeckReadingsBody { readings: SpotReading[] }

/** Deck clearance by dial or depth gauge at several places on the crown. */
export const deckReadings = kind<DeckReadingsBody>()({
  example: () => ({ readings: [{ x: 0, y: 38, figure: { value: 0.52, unit: 'mm', typed: '0.52' } }, { x: 0, y: -38, figure: { value: 0.48, unit: 'mm', typed: '0.48' } }] }),
  at: () => ({ station: 'sheet', leaf: 'deck' }),
  role: 'statement', scopes: ['cylinder'], changes: ['deckClearance'], bounds: { reading: FIGURE_BOUNDS.deckReading }, corrects: STATEMENTS
})
