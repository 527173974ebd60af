import { kindWords } from '../kindWords'

export const plan = kindWords<'plan'>({ label: 'Plan', say: ({ name, reasons, state }) => `${state === 'dropped' ? 'dropped: ' : ''}${name}${reasons.length > 0 ? `, because ${reasons.join('; ')}` : ''}` })
