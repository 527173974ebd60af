import { say } from '#shared/figures'
import { kindWords } from '../kindWords'

export const seatWork = kindWords<'seatWork'>({ label: 'Seat work', say: ({ state, added }, lengths) => `${state}, + ${say(added.value, 'volume', lengths)}` })
