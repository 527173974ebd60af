import { digits } from '#shared/figures'
import { kindWords } from '../kindWords'

export const mould = kindWords<'mould'>({ label: 'Mould', say: ({ compound, hours, out }) => `${compound}, cures ${digits(hours, hours % 1 === 0 ? 0 : 1)} h${out ? ', taken out' : ''}` })
