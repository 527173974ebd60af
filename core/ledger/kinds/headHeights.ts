import { kind } from '../kind'
import { QUANTITIES } from '../quantities'
import type { SpotReading } from '../terms'

/** Heights at corners and middle; x from the head's middle, + to the right as its face is seen. `cut` and `side`: before or after which cut, where that is not the time they were entered. */
export interface HeadHeightsBody { readings: SpotReading[], cut?: string, side?: 'before' | 'after' }

/** A head's height between its faces: earlier cuts, a twist, and what a cut really took under each chamber follow from it. */
export const headHeights = kind<HeadHeightsBody>()({
  example: () => ({ readings: [{ x: 180, y: 50, figure: { value: 79.94, unit: 'mm', typed: '79.94' } }, { x: -180, y: 50, figure: { value: 79.9, unit: 'mm', typed: '79.9' } }, { x: 180, y: -50, figure: { value: 79.95, unit: 'mm', typed: '79.95' } }, { x: -180, y: -50, figure: { value: 79.92, unit: 'mm', typed: '79.92' } }, { x: 0, y: 0, figure: { value: 79.93, unit: 'mm', typed: '79.93' } }] }),
  at: () => ({ station: 'sheet', leaf: 'face' }),
  role: 'reading', scopes: ['head'], changes: [], names: ['cut'], bounds: { reading: QUANTITIES.headHeight }
})
