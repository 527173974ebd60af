import { kindWords } from '../kindWords'
import { saySpots } from '../spots'

export const headHeights = kindWords<'headHeights'>({ label: 'Head heights', say: ({ readings, side }, lengths) => `${saySpots(readings, lengths)}${side ? `, ${side} a cut` : ''}` })
