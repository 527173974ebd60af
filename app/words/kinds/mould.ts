import { digits, say } from '#shared/figures'
import { kindWords } from '../kindWords'

export const mould = kindWords<'mould'>({ label: 'Mould', say: ({ compound, hours, out, step }, lengths) => `${compound}, cures ${digits(hours, hours % 1 === 0 ? 0 : 1)} h${out ? ', taken out' : ''}${step ? `, step on the short turn ${say(step.value, 'length', lengths)}` : ''}` })
