import { say } from '#shared/figures'
import { kindWords } from '../kindWords'

export const seatWork = kindWords<'seatWork'>({ label: 'Seat work', say: ({ state, added, sunk, valve, n, first }, lengths) => [state, ...valve ? [`${valve}${n ? ` no. ${n}` : ''}`] : [], `+ ${say(added.value, 'volume', lengths)}`, ...sunk ? [`up ${say(sunk.value, 'length', lengths)}`] : [], ...first ? ['before the face'] : []].join(', ') })
