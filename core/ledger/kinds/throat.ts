import { kind } from '../kind'
import { FIGURE_BOUNDS } from '../quantities'
import type { Figure } from '../terms'

export interface ThroatBody { across: Figure }

/** A port's throat, by calliper. */
export const throat = kind<ThroatBody>()({
  example: () => ({ across: { value: 38.6, unit: 'mm', typed: '38.6' } }),
  at: () => ({ station: 'ports', leaf: 'throats' }),
  role: 'reading', scopes: ['port'], changes: [], bounds: { across: FIGURE_BOUNDS.throat }
})
