import { say } from '#shared/figures'
import { kindWords } from '../kindWords'

export const spring = kindWords<'spring'>({ label: 'Springs', say: ({ valve, coils }, lengths) => `${valve}: ${coils.map(c => `${say(c.rate.value, 'rate', lengths)}, free ${say(c.free.value, 'length', lengths)}, solid ${say(c.solid.value, 'length', lengths)}`).join('; ')}` })
