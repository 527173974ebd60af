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
  const compare = (i: number, k: number) => {
    const [a, b] = [pours[Math.min(i, k)]!, pours[Math.max(i, k)]!]
    const oneScale = a.source !== undefined && a.source === b.source
    const u = Math.hypot(a.own, b.own, oneScale ? a.shared - b.shared : Math.hypot(a.shared, b.shared))
    const change = b.value - a.value
    const difference = Math.abs(change)
    const allowed = CHALLENGE * u
    if (difference > allowed + 1e-9 && difference - allowed > (worst ? worst.difference - worst.allowed : 0)) {
      worst = { difference, change, allowed }
    }
  }
  // Pours that are as sure as each other can only be widest at their ends: a chamber poured a thousand times is not
  // compared a million times.
  const groups = alike(pours)
  groups.forEach((a, i) => {
    if (a.low !== a.high) compare(a.low, a.high)
    for (const b of groups.slice(i + 1)) for (const one of [a.low, a.high]) for (const other of [b.low, b.high]) compare(one, other)
  })
  return worst
}

/** Pours of one source and one doubt, as the places of the smallest and the largest of each. */
function alike(pours: PourResult[]): { low: number, high: number }[] {
  const groups = new Map<string, { low: number, high: number }>()
  pours.forEach(({ source, own, shared, value }, i) => {
    const key = `${source} ${own} ${shared}`
    const group = groups.get(key)
    if (!group) groups.set(key, { low: i, high: i })
    else if (value < pours[group.low]!.value) group.low = i
    else if (value > pours[group.high]!.value) group.high = i
  })
  return [...groups.values()]
}
