import { kind } from '../kind'

/** Most hours between two presses of a clock that are taken off again as not worked. */
export const CLOCK_LESS = 1000

/** `on`: begun, or ended. `less`: hours since it was begun in which nobody worked, a night that it ran through say. */
export interface ClockBody { step: string, on: boolean, less?: number }

/** A hand begins or ends work on a step, at the time of the entry. */
export const clock = kind<ClockBody>()({
  example: () => ({ step: 'rough', on: true }),
  at: () => ({ station: 'daybook', leaf: 'card' }),
  role: 'remark', scopes: ['build'], changes: [], bounds: {}
})
