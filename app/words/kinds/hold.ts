import { kindWords } from '../kindWords'

export const hold = kindWords<'hold'>({ label: 'Chamber kept', say: ({ held }) => held ? 'can’t be ground' : 'can be ground again' })
