import { kindWords } from '../kindWords'

export const putAway = kindWords<'putAway'>({ label: 'Put away', say: ({ away, reason }) => away ? `put away: ${reason}` : 'back on the bench' })
