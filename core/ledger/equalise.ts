import { compressionRatio } from '../engine'
import { carry, linear, type Sourced } from '../estimate'
import { flatCutDepth } from '../chamber'
import type { CylinderState, Replay } from './replay'

export type EvenBy = 'chamber' | 'clearance'

export interface Evened {
  cylinder: number
  /** cc to grind out; 0 for the largest, and for one that can't be changed. */
  gain: Sourced
  /** Chamber volume when that is done. */
  chamber: Sourced
  /** What it is then still short of the others, where it can't be changed. */
  short: Sourced
  held: boolean
  /** Ratio as it is, and once even. */
  ratio: Sourced
  evenRatio: Sourced
}

export interface EvenPlan {
  by: EvenBy
  /** The largest: what the others are ground up to, and who it is. */
  level: Sourced
  largest: number
  cylinders: Evened[]
  /** Widest less narrowest, cc: as they are, and when done. */
  spread: Record<EvenBy, { before: number, after: number }>
  /** Deepest cut at which then no cylinder passes the target, and how much deeper that is than without grinding. */
  cut?: { depth: Sourced, deeperBy: number, toLowest: Sourced }
  /** Ratio that the grinding costs the build's mean cylinder. */
  cost: number
}

const spreadOf = (values: number[]) => values.length > 1 ? Math.max(...values) - Math.min(...values) : 0

/**
 * Grinds small chambers up to the largest, never the other way round, and reckons the cut that follows.
 *
 * @param replayed a replayed ledger
 * @param head which head
 * @param by even chambers, or even whole clearance volumes (unequal decks then make unequal chambers)
 * @returns undefined unless two or more cylinders of the head have a chamber and a ratio
 * Source: the trade's rule; volumes add, sources carried (JCGM 100:2008 §5.2.2).
 * @example evenPlan(replay(entries)!, 1, 'chamber')?.largest // 4
 */
export function evenPlan(replayed: Replay, head: number, by: EvenBy): EvenPlan | undefined {
  const states = replayed.beforeCut.filter((s): s is CylinderState & Required<Pick<CylinderState, 'clearance' | 'ratio' | 'swept'>> =>
    s.head === head && Boolean(s.parts.chamber && s.clearance && s.ratio && s.swept))
  if (states.length < 2) return undefined
  const measure = (s: (typeof states)[number]) => by === 'chamber' ? s.parts.chamber!.value : s.clearance.value
  const largest = states.reduce((most, s) => measure(s).value > measure(most).value ? s : most)
  const level = measure(largest)
  const cylinders = states.map((s): Evened => {
    const held = replayed.held.has(s.cylinder)
    const wanted = linear([[1, level], [-1, measure(s)]])
    const nothing = linear([])
    const gain = held ? nothing : wanted
    return {
      cylinder: s.cylinder, held, gain, short: held ? wanted : nothing,
      chamber: linear([[1, s.parts.chamber!.value], [1, gain]]), ratio: s.ratio.value,
      evenRatio: carry(([vs, vc, g]) => compressionRatio(vs!, vc! + g!), [s.swept.value, s.clearance.value, gain])
    }
  })
  const chamberNow = states.map(s => s.parts.chamber!.value.value)
  const clearanceNow = states.map(s => s.clearance.value.value)
  const mean = (values: number[]) => values.reduce((a, b) => a + b, 0) / values.length
  const depthOf = (s: (typeof states)[number], gain: Sourced) => {
    const perMm = replayed.perMm.get(s.cylinder)
    if (!s.gap || !perMm || perMm.value.value <= 0) return undefined
    return carry(([gap, g, k]) => Math.sign(gap! + g!) * flatCutDepth(Math.abs(gap! + g!), k!), [s.gap.value, gain, perMm.value])
  }
  const depths = (gains: Sourced[]) => states.map((s, i) => depthOf(s, gains[i]!)).filter(d => d !== undefined).sort((a, b) => a.value - b.value)
  const after = depths(cylinders.map(c => c.gain))
  const before = depths(cylinders.map(() => linear([])))
  const least = after[0]
  return {
    by, level, largest: largest.cylinder, cylinders,
    spread: {
      chamber: { before: spreadOf(chamberNow), after: spreadOf(cylinders.map(c => c.chamber.value)) },
      clearance: { before: spreadOf(clearanceNow), after: spreadOf(cylinders.map((c, i) => clearanceNow[i]! + c.gain.value)) }
    },
    ...(least && least.value > 0 ? { cut: { depth: least, deeperBy: least.value - Math.max(0, before[0]?.value ?? 0), toLowest: after.at(-1)! } } : {}),
    cost: mean(cylinders.map(c => c.ratio.value)) - mean(cylinders.map(c => c.evenRatio.value))
  }
}
