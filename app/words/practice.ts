import { isStatement, type Entry, type Place, type Quantity } from '#core'
import { QUANTITY_WORDS } from '#shared/words/quantities'

/** One step of the practice engine: what the sheet of readings says, where it goes, and how one sees that it is in. */
export interface PracticeStep { says: string, why?: string, place: Place, cylinder?: number, done: (entries: readonly Entry[]) => boolean }

/** The practice engine: a made-up four whose chambers turn out larger than its book says. */
export const PRACTICE = { name: 'Practice four', reference: 'Made up', cylinders: 4 } as const

const stated = (quantity: Quantity, figure: string, why?: string): PracticeStep => ({
  says: `Type ${figure} into “${QUANTITY_WORDS[quantity].label}” and press Enter.`, why, place: { station: 'sheet', leaf: 'section', field: quantity },
  done: entries => entries.some(e => isStatement(e) && e.body.quantity === quantity)
})
const deck = (cylinder: number): PracticeStep => ({
  says: `Type 0.25 mm into “Cylinder ${cylinder}” and press Enter.`, place: { station: 'sheet', leaf: 'section' },
  done: entries => entries.some(e => e.kind === 'measure' && e.body.quantity === 'deckClearance' && e.scope.level === 'cylinder' && e.scope.cylinder === cylinder)
})
const poursOf = (entries: readonly Entry[], cylinder: number) => entries.filter(e => e.kind === 'pour' && e.scope.level === 'cylinder' && e.scope.cylinder === cylinder).length
const pour = (round: number, cylinder: number, reading: string, why?: string): PracticeStep => ({
  says: `Type ${reading} into “Cylinder ${cylinder}: reading at the end” and press Enter.`, why, place: { station: 'pour', leaf: 'spread' }, cylinder,
  done: entries => poursOf(entries, cylinder) >= round
})
const faceCut = (entries: readonly Entry[], state: 'planned' | 'done') => entries.some(e => e.kind === 'faceCut' && (e.body.state === state || e.body.state === 'done'))

/** The sheet of readings, in the order they are taken. */
export const PRACTICE_STEPS: readonly PracticeStep[] = [
  stated('bore', '84 mm', 'Measured across, half way down.'),
  stated('stroke', '79 mm'),
  stated('chamberVolume', '41 cc', 'That is what its book says. It stays a claim until the chambers are poured.'),
  stated('mouthArea', '4200 mm2', 'Counted on squared paper. It tells how many cc a cut takes.'),
  stated('gasketBore', '85.5 mm'),
  stated('gasketThickness', '1.2 mm', 'Crushed, measured on an old one.'),
  stated('crownVolume', '0 cc', 'A flat crown: poured level, it held what its depth says.'),
  stated('topLandHeight', '6 mm', 'From the crown down to the top ring.'),
  stated('crownDiameter', '83.4 mm', 'Smaller than the bore: the gap round it is the crevice.'),
  deck(1), deck(2), deck(3), deck(4),
  { says: 'Type 10 into “Ratio” and press Enter.', why: 'The ratio the engine is to have.', place: { station: 'sheet', leaf: 'section' }, done: entries => entries.some(e => e.kind === 'target') },
  { says: 'Type .15 into “± tolerance” and press Enter.', place: { station: 'sheet', leaf: 'section' }, done: entries => entries.filter(e => e.kind === 'target').length > 1 },
  pour(1, 1, '43.2', 'Read off the burette: the level stood at 0 before.'), pour(1, 2, '42.9'), pour(1, 3, '43.5'), pour(1, 4, '43.1', 'Every chamber is larger than the book: the ratio is lower than anybody thought.'),
  pour(2, 1, '43.2', 'A second pour of each shows a leak or a bubble.'), pour(2, 2, '43.0'), pour(2, 3, '43.4'), pour(2, 4, '43.1'),
  { says: 'Press the button that begins with “Plan”.', why: 'It plans the depth at which the first cylinder reaches the target.', place: { station: 'cut', leaf: 'face' }, done: entries => faceCut(entries, 'planned') },
  { says: 'Type 0.73 mm into “Depth really taken off, measured” and press Enter.', why: 'The machinist has cut it; the head’s height was measured before and after.', place: { station: 'cut', leaf: 'face' }, done: entries => faceCut(entries, 'done') },
  pour(3, 1, '40.1', 'Pour again: now the glass says whether the cut did what was predicted.'), pour(3, 2, '39.9'), pour(3, 3, '40.3'), pour(3, 4, '40.0'),
  pour(4, 1, '40.1'), pour(4, 2, '39.9'), pour(4, 3, '40.3'), pour(4, 4, '40.0', 'Two pours again: the sheet that goes to the customer stands on them.')
]
