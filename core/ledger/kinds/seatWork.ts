import { kind } from '../kind'
import { FIGURE_BOUNDS } from '../quantities'
import type { Figure, OperationState, Valve } from '../terms'

export interface SeatWorkBody {
  state: OperationState
  added: Figure
  u?: Figure
  /** How far the valves (of one kind, or all) went up with it, which gives clearance and seat height back. */
  sunk?: Figure
  valve?: Valve
  /** Which of several valves of that kind, from the front; all of them if not given. The others keep their clearance and their height. */
  n?: number
  /** Before the face is cut, which then goes past the new seats and is set by a pour between; else after it. */
  first?: true
}

/** Whether a piece of seat work is on one valve: of its kind, and of several of that kind the one it names. */
export const isOnValve = (body: SeatWorkBody, valve: Valve, n: number): boolean => (body.valve ?? valve) === valve && (body.n ?? n) === n

/**
 * How far a piece of seat work took one valve up, mm.
 *
 * @param n which of several of its kind
 * @example sunkBy({ state: 'done', added, sunk: { value: 0.3, … }, valve: 'exhaust' }, 'exhaust', 2) // 0.3
 */
export const sunkBy = (body: SeatWorkBody, valve: Valve, n: number): number => isOnValve(body, valve, n) ? body.sunk?.value ?? 0 : 0

/** Seats cut or replaced. */
export const seatWork = kind<SeatWorkBody>()({
  example: () => ({ state: 'planned', added: { value: 0.4, unit: 'cc', typed: '0.4' }, sunk: { value: 0.3, unit: 'mm', typed: '0.3' }, valve: 'exhaust' }),
  at: () => ({ station: 'cut', leaf: 'seats' }),
  role: 'operation', scopes: ['cylinder'], changes: ['chamber', 'intakeSeatHeight', 'exhaustSeatHeight', 'intakeTopCutHeight', 'exhaustTopCutHeight'],
  moves: ['intakeClearance', 'exhaustClearance', 'intakeSunk', 'exhaustSunk'],
  bounds: { added: FIGURE_BOUNDS.addedVolume, u: FIGURE_BOUNDS.addedDoubt, sunk: FIGURE_BOUNDS.sunk }
})
