import { kindWords } from '../kindWords'

export const portPairs = kindWords<'portPairs'>({ label: 'Port pairs', say: ({ valve, pairs }) => `${valve} ${pairs.map(pair => pair.join(' with ')).join(', ')}` })
