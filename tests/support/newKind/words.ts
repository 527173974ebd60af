import { say, type LengthUnit } from '#shared/figures'
import type { ThroatBody } from './core'

export const throat = { label: 'Throat', say: ({ across }: ThroatBody, lengths: LengthUnit) => `${say(across.value, 'length', lengths)} across` }
