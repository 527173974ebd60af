import { kind } from '../kind'
import { FIGURE_BOUNDS } from '../quantities'
import type { Figure, Valve } from '../terms'

/** One coil of a valve's springs; where it was read as loads at two heights those are here too, and rate and free length follow from them. */
export interface SpringCoil { rate: Figure, free: Figure, solid: Figure, loads?: { height: Figure, load: Figure }[] }
/** Outer first; all of one kind of valve have the same. */
export interface SpringBody { valve: Valve, coils: SpringCoil[] }
/** Coils of one valve at most: outer, inner and a damper. */
export const MOST_COILS = 3

/** The springs of one kind of valve. */
export const spring = kind<SpringBody>()({
  example: () => ({ valve: 'exhaust', coils: [{ rate: { value: 30, unit: 'N/mm', typed: '30' }, free: { value: 50, unit: 'mm', typed: '50' }, solid: { value: 27, unit: 'mm', typed: '27' } }] }),
  at: () => ({ station: 'mockup', leaf: 'springs' }),
  role: 'reading', scopes: ['build'], changes: [], bounds: { rate: FIGURE_BOUNDS.springRate, free: FIGURE_BOUNDS.springLength, solid: FIGURE_BOUNDS.springLength, height: FIGURE_BOUNDS.springLength, load: FIGURE_BOUNDS.springLoad }
})
