import { sayHours } from '../jobs'
import { kindWords } from '../kindWords'

export const jobCard = kindWords<'jobCard'>({ label: 'Job card', say: ({ lines, bought }) => `${lines.length} ${lines.length === 1 ? 'step' : 'steps'}, ${sayHours(lines.reduce((h, l) => h + l.hours, 0))} planned${bought.length ? `, ${bought.length} bought in` : ''}` })
