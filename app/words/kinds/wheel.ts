import { kindWords } from '../kindWords'

export const wheel = kindWords<'wheel'>({ label: 'Top dead centre', say: ({ pairs }) => `${pairs.length} ${pairs.length === 1 ? 'pair' : 'pairs'}, both sides` })
