import { kind } from '../kind'
import { FIGURE_BOUNDS } from '../quantities'
import type { Figure } from '../terms'

/** `hours`: by the compound's sheet, from when it was poured, which is when the entry was made. `step`: on the short turn, read off the mould once it is out. */
export interface MouldBody { compound: string, release: string, hours: number, steps: 1 | 2, lean?: Figure, short?: Figure, out: boolean, step?: Figure }

/** A mould poured into a port, curing until it is taken out. */
export const mould = kind<MouldBody>()({
  example: () => ({ compound: 'Soft silicone', release: 'Petroleum jelly', hours: 16, steps: 2, lean: { value: 15, unit: '°', typed: '15' }, short: { value: 3, unit: 'mm', typed: '3' }, out: false }),
  at: () => ({ station: 'ports', leaf: 'moulds' }),
  role: 'reading', scopes: ['port'], changes: [], bounds: { lean: FIGURE_BOUNDS.mouldLean, short: FIGURE_BOUNDS.mouldShort, step: FIGURE_BOUNDS.mouldStep }
})
