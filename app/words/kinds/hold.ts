import { kindWords } from '../kindWords'

export const hold = kindWords<'hold'>({ label: 'Grinding', say: ({ held }) => held ? 'this chamber must not be ground' : 'this chamber may be ground again' })
