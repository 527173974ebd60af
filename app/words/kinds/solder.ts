import { kindWords } from '../kindWords'
import { saySpots } from '../spots'

export const solder = kindWords<'solder'>({ label: 'Solder', say: ({ readings }, lengths) => saySpots(readings, lengths) })
