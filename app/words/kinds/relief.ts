import { say } from '#shared/figures'
import { kindWords } from '../kindWords'

export const relief = kindWords<'relief'>({ label: 'Chamber opened', say: ({ state, added }, lengths) => `${state}, + ${say(added.value, 'volume', lengths)}` })
