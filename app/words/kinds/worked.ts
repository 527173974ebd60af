import { sayHours, sayStep } from '../jobs'
import { kindWords } from '../kindWords'

export const worked = kindWords<'worked'>({ label: 'Hours worked', say: ({ step, hours }) => `${sayStep(step)}: ${sayHours(hours)}` })
