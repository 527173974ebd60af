import { kind } from '../kind'
import { FIGURE_BOUNDS } from '../quantities'
import type { Figure } from '../terms'

/** `of`: the ratio that is meant, of the whole stroke where it is not said, or from the exhaust port up. */
export interface TargetBody { ratio: Figure, tolerance: Figure, countsCrevice: boolean, of?: 'full' | 'trapped' }

/** The ratio the build is to reach, and how close counts as there. */
export const target = kind<TargetBody>()({
  example: () => ({ ratio: { value: 9.8, unit: ':1', typed: '9.8' }, tolerance: { value: 0.1, unit: ':1', typed: '0.1' }, countsCrevice: true }),
  at: () => ({ station: 'sheet', leaf: 'section' }),
  role: 'frame', scopes: ['build'], changes: [], bounds: { ratio: FIGURE_BOUNDS.ratio, tolerance: FIGURE_BOUNDS.ratioTolerance }, told: true
})
