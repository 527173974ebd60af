import { compressionRatio } from '../engine'
import { carry, linear, type Sourced } from '../estimate'
import { untyped, type OperationEntry } from '../ledger'
import type { CylinderState, Replay } from '../standing'
import { asIf, type Tried } from './asIf'
import type { Chambers } from './chambers'
import { headCut, type HeadCut } from './depth'

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
  /** The grinding as operations, nothing under {@link WORTH_GRINDING}. */
  grinding: Tried[]
  /** Widest less narrowest, cc: as they are, and when done. */
  spread: Record<EvenBy, { before: number, after: number }>
  /** The head's cut as it is, and once the grinding is done. */
  cut: { before: HeadCut, after: HeadCut }
  /** Ratio that the grinding costs the build's mean cylinder. */
  cost: number
}

/** Less than this nobody grinds, cc. */
export const WORTH_GRINDING = 0.05

const spreadOf = (values: number[]) => values.length > 1 ? Math.max(...values) - Math.min(...values) : 0

/**
 * Grinds small chambers up to the largest, never the other way round, and reckons the cut that follows.
 *
 * @param standing what replay gives
 * @param head which head
 * @param by even chambers, or even whole clearance volumes (unequal decks then make unequal chambers)
 * @param operations what is done before, face cuts apart
 * @param chambers answers for the shape of drawn chambers
 * @returns undefined unless two or more cylinders of the head have a chamber and a ratio
 * Source: the trade's rule; volumes add, sources carried (JCGM 100:2008 §5.2.2); cuts by {@link headCut} with the grinding
 *   as it would be planned.
 * @example evenPlan(standing, 1, 'chamber', [], chambers)?.largest // 4
 */
export function evenPlan(standing: Replay, head: number, by: EvenBy, operations: readonly (Tried | OperationEntry)[], chambers: Chambers): EvenPlan | undefined {
  const before = operations.filter(op => op.kind !== 'faceCut')
  const states = asIf(standing, before, chambers).cylinders.map(c => c.state).filter((s): s is CylinderState & Required<Pick<CylinderState, 'clearance' | 'ratio' | 'swept'>> =>
    s.head === head && Boolean(s.parts.chamber && s.clearance && s.ratio && s.swept))
  if (states.length < 2) return undefined
  const measure = (s: (typeof states)[number]) => by === 'chamber' ? s.parts.chamber!.estimate : s.clearance.estimate
  const largest = states.reduce((most, s) => measure(s).value > measure(most).value ? s : most)
  const level = measure(largest)
  const cylinders = states.map((s): Evened => {
    const held = standing.held.has(s.cylinder)
    const wanted = linear([[1, level], [-1, measure(s)]])
    const nothing = linear([])
    const gain = held ? nothing : wanted
    return {
      cylinder: s.cylinder, held, gain, short: held ? wanted : nothing,
      chamber: linear([[1, s.parts.chamber!.estimate], [1, gain]]), ratio: s.ratio.estimate,
      evenRatio: carry(([vs, vc, g]) => compressionRatio(vs!, vc! + g!), [s.swept.estimate, s.clearance.estimate, gain])
    }
  })
  const grinding = cylinders.filter(c => c.gain.value >= WORTH_GRINDING).map(({ cylinder, gain }): Tried => (
    { kind: 'relief', scope: { level: 'cylinder', cylinder }, body: { state: 'planned', added: untyped(gain.value, 'cc', 2) } }))
  const chamberNow = states.map(s => s.parts.chamber!.estimate.value)
  const clearanceNow = states.map(s => s.clearance.estimate.value)
  const mean = (values: number[]) => values.reduce((a, b) => a + b, 0) / values.length
  return {
    by, level, largest: largest.cylinder, cylinders, grinding,
    spread: {
      chamber: { before: spreadOf(chamberNow), after: spreadOf(cylinders.map(c => c.chamber.value)) },
      clearance: { before: spreadOf(clearanceNow), after: spreadOf(cylinders.map((c, i) => clearanceNow[i]! + c.gain.value)) }
    },
    cut: { before: headCut(standing, head, before, chambers), after: headCut(standing, head, [...before, ...grinding], chambers) },
    cost: mean(cylinders.map(c => c.ratio.value)) - mean(cylinders.map(c => c.evenRatio.value))
  }
}
