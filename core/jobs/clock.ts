import { ofKind, type Entry } from '../ledger'

/** A hand's work on a step from one press to the next, ms; without `to` it runs still. `less`: hours of it in which nobody worked. */
export interface ClockSpan { hand: string, step: string, from: number, to?: number, less: number }

const MS = 3_600_000

/**
 * What the clocks of a build ran for. A hand has one: beginning another step ends the one before, beginning the same again changes
 * nothing, and ending a step that does not run for that hand changes nothing. So entries that two devices made without knowing of each
 * other neither double hours nor lose any.
 *
 * @param entries those that count, in order
 * @returns in the order they began
 * @example spansOf([on at 9:00, off at 10:30]) // one of 1.5 h
 */
export function spansOf(entries: readonly Entry[]): ClockSpan[] {
  const running = new Map<string, ClockSpan>()
  const all: ClockSpan[] = []
  for (const { at, hand, body } of ofKind(entries, 'clock')) {
    const now = Date.parse(at)
    const before = running.get(hand)
    if (body.on ? before?.step === body.step : before?.step !== body.step) continue
    if (before) {
      before.to = now
      before.less = body.on ? 0 : body.less ?? 0
      running.delete(hand)
    }
    if (body.on) {
      const begun: ClockSpan = { hand, step: body.step, from: now, less: 0 }
      running.set(hand, begun)
      all.push(begun)
    }
  }
  return all
}

/**
 * Hours of a span, what nobody worked taken off.
 *
 * @param now ms, for one that still runs
 * @returns h, ≥ 0
 */
export const hoursOf = ({ from, to, less }: Pick<ClockSpan, 'from' | 'to' | 'less'>, now: number): number => Math.max(0, ((to ?? now) - from) / MS - less)
