import type { Work } from '#core'

/** What each kind of work is called where its cost is set, and what one of it is. */
export const WORK_WORDS: Record<Work, string> = {
  gasket: 'A gasket, each head', grind: 'Grinding even, each cc', open: 'Opening a chamber, each cc', crown: 'Cutting a crown, each piston', piston: 'A new piston, each', face: 'A face cut, each head', roll: 'Rolling it, more', secondCut: 'A second cut, more', deck: 'A deck cut, each bank',
  spacer: 'A spacer, each bank', seats: 'A seat recut, each valve', dome: 'Opening a dome, each cc', pour: 'Pouring a chamber'
}
