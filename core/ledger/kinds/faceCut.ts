import { kind } from '../kind'
import { FIGURE_BOUNDS, TO_THE_PISTON } from '../quantities'
import type { Figure, OperationState } from '../terms'

/** What a chamber's model says a cut takes off it: `cc` at the stated depth, `perMm` cc for each mm
 * more, `x` its place along the head, `factor` poured over drawn. */
export interface Removed { cylinder: number, x: number, cc: number, perMm: number, factor: number }

/** `depth` is at the bore line; slopes in mm per mm along +x and +y of the head; `flat` comes square off the new face; `measured`: all that came off at the bore line, by both. */
export interface FaceCutBody { state: OperationState, depth: Figure, measured?: Figure, slopeX?: number, slopeY?: number, flat?: Figure, removed?: Removed[], under?: DepthUnder[] }

/** What a cut really took under each chamber by the head's heights before and after: found as the ledger is opened, never entered. */
export interface DepthUnder { cylinder: number, depth: number }

/** Metal off a head's face. */
export const faceCut = kind<FaceCutBody>()({
  example: () => ({ state: 'planned', depth: { value: 0.5, unit: 'mm', typed: '0.5' } }),
  at: () => ({ station: 'cut', leaf: 'face' }),
  role: 'operation', scopes: ['head'],
  changes: ['chamber', 'intakeSeatHeight', 'exhaustSeatHeight', 'intakeTopCutHeight', 'exhaustTopCutHeight', 'deckThickness'],
  moves: [...TO_THE_PISTON, 'squishRecess', 'mouthArea', 'headHeight'],
  bounds: { depth: FIGURE_BOUNDS.laidDepth, measured: FIGURE_BOUNDS.cutDepth, flat: { ...FIGURE_BOUNDS.cutDepth, min: 0 } }
})
