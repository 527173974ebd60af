import type { SeatCut } from '../../port'
import { kind } from '../kind'
import { FIGURE_BOUNDS } from '../quantities'
import type { Figure } from '../terms'

export const SEAT_TOUCHES = ['outer', 'middle', 'inner', 'partly'] as const
export const SEAT_LEAKS = ['tight', 'weeps', 'leaks'] as const
export const SEAT_PITS = ['none', 'outside', 'inside'] as const

/**
 * A seat as it was found or left: its cuts from the port outwards, which of them the valve sits on, and that one's outer edge.
 * `tip`: how far the stem stands above the spring seat, by which a valve that went up is known. Lengths as figures, widths in mm.
 */
export interface SeatBody {
  cuts: SeatCut[]
  seat: number
  outer: Figure
  touches?: (typeof SEAT_TOUCHES)[number]
  leak?: (typeof SEAT_LEAKS)[number]
  pits?: (typeof SEAT_PITS)[number]
  runOut?: Figure
  guide?: Figure
  margin?: Figure
  backCut?: Figure
  tip?: Figure
  lapped?: boolean
  /** Of a seat that is still to be cut: how far its valve goes up with it. The next record takes its place. */
  up?: Figure
  /** The cutter guide's number, so that it can be cut again. */
  cutter?: string
}

/** A valve seat's record. */
export const seat = kind<SeatBody>()({
  example: () => ({
    cuts: [{ angle: 60, width: 2 }, { angle: 45, width: 1.4 }, { angle: 30, width: 1 }], seat: 1, outer: { value: 43, unit: 'mm', typed: '43' },
    touches: 'middle', leak: 'tight', runOut: { value: 0.02, unit: 'mm', typed: '0.02' }, tip: { value: 48.2, unit: 'mm', typed: '48.2' }, cutter: 'G 17'
  }),
  at: () => ({ station: 'ports', leaf: 'seats' }),
  role: 'reading', scopes: ['valve'], changes: [],
  bounds: { outer: FIGURE_BOUNDS.seatOuter, runOut: FIGURE_BOUNDS.runOut, guide: FIGURE_BOUNDS.guide, margin: FIGURE_BOUNDS.margin, backCut: FIGURE_BOUNDS.backCut, tip: FIGURE_BOUNDS.tip, up: FIGURE_BOUNDS.sunk }
})
