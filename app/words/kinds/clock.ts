import { sayHours, sayStep } from '../jobs'
import { kindWords } from '../kindWords'

export const clock = kindWords<'clock'>({ label: 'Clock', say: ({ step, on, less }) => `${sayStep(step)}: ${on ? 'begun' : 'ended'}${less ? `, less ${sayHours(less)} that nobody worked` : ''}` })
