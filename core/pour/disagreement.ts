import type { PourResult } from './pour'

/**
 * Two pours of one thing lie further apart than reading them twice explains. `change` is the later less the
 * earlier, cc; `allowed` what the instruments allow.
 */
export interface Disagreement { difference: number, change: number, allowed: number }

/** Standard uncertainties two pours may lie apart: one honest pair in fifty is challenged. */
const CHALLENGE = 2.3

/**
 * Whether pours of one thing differ by more than their instruments allow.
 *
 * @param pours in the order they were made; those of one source share its scale's error, which then cancels
 * @returns the widest pair's difference and what would be allowed, or undefined when they agree
 * Source: difference of two results, u² = Σ own² and, between two instruments, Σ shared² (JCGM 100:2008 §5.2.2);
 *   the coverage factor 2.3 leaves 2 % of honest pairs beyond it.
 * @example disagreementOf([pour56_2, pour55_5])?.change // -0.7
 */
export function disagreementOf(pours: PourResult[]): Disagreement | undefined {
  let worst: Disagreement | undefined
  pours.forEach((a, i) => pours.slice(i + 1).forEach((b) => {
    const oneScale = a.source !== undefined && a.source === b.source
    const u = Math.hypot(a.own, b.own, oneScale ? a.shared - b.shared : Math.hypot(a.shared, b.shared))
    const change = b.value - a.value
    const difference = Math.abs(change)
    const allowed = CHALLENGE * u
    if (difference > allowed + 1e-9 && difference - allowed > (worst ? worst.difference - worst.allowed : 0)) {
      worst = { difference, change, allowed }
    }
  }))
  return worst
}
