import type { Figure } from '#core'
import { kind } from '../../../core/ledger/kind'

export interface ThroatBody { across: Figure }

/** A made-up kind, about a port. */
export const throat = kind<ThroatBody>()({
  example: () => ({ across: { value: 36, unit: 'mm', typed: '36' } }),
  at: () => ({ station: 'pour' }),
  role: 'reading', scopes: ['port'], changes: [], bounds: { across: { dimension: 'length', min: 5, max: 120 } }, told: true
})
