import { say } from '#shared/figures'
import { kindWords } from '../kindWords'

export const spring = kindWords<'spring'>({ label: 'Springs', say: ({ valve, coils }, lengths) => `${valve}: ${coils.map(c => `${c.loads ? `${c.loads.map(l => `${say(l.load.value, 'force', lengths)} at ${say(l.height.value, 'length', lengths)}`).join(' and ')}: ` : ''}${say(c.rate.value, 'rate', lengths)}, free ${say(c.free.value, 'length', lengths)}, solid ${say(c.solid.value, 'length', lengths)}`).join('; ')}` })
