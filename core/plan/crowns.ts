import { pocketArea } from '../engine'
import { BASIS_FACTOR, DEFAULT_U } from '../estimate'
import { isNewPiston, untyped, type Bodies, type Valve } from '../ledger'
import type { ShopRules } from '../shop'
import { modelOf, quantityOf, type Replay } from '../standing'
import type { Tried } from './asIf'

const VALVES = ['intake', 'exhaust'] as const

/** A crown that its maker claims, as any volume out of a book. */
const CLAIMED_CROWN = DEFAULT_U.measuredVolume * BASIS_FACTOR.book

/**
 * What a mm of deeper pockets adds to a crown, for all valves of a kind: each as wide as its valve and the shop's least room beside it.
 *
 * @returns cc; undefined where the size of a valve is not known
 * @example pocketsOf(standing, STARTING_RULES, 1)?.exhaust // 0.96, of a valve of 34 that leans by 22°
 */
export function pocketsOf(standing: Replay, rules: ShopRules, cylinder: number): Record<Valve, number> | undefined {
  const [intake, exhaust] = VALVES.map(valve => pocketOf(standing, rules, cylinder, valve))
  return intake === undefined || exhaust === undefined ? undefined : { intake, exhaust }
}

function pocketOf(standing: Replay, { clearances: { side } }: ShopRules, cylinder: number, valve: Valve): number | undefined {
  const drawn = modelOf(standing, cylinder)?.spec.valves.filter(v => v.valve === valve) ?? []
  const tilt = quantityOf(standing, `${valve}Tilt`, cylinder)?.estimate.value
  if (drawn.length > 0) return drawn.reduce((cc, v) => cc + pocketArea(v.diameter, side, tilt ?? v.tilt), 0)
  const across = quantityOf(standing, `${valve}Valve`, cylinder)?.estimate.value
  return across === undefined ? undefined : (standing.layout.engine?.[`${valve}s`] ?? 1) * pocketArea(across, side, tilt ?? 0)
}

/** Kinds of valve whose size must be stated before pockets for them can be told. */
export const unsized = (standing: Replay, rules: ShopRules): Valve[] => VALVES.filter(valve => standing.layout.cylinders.some(c => pocketOf(standing, rules, c, valve) === undefined))

/**
 * A crown cut, or another piston where it says how much higher it stands, as it would be entered.
 *
 * @example crownTried(1, { added: cc(1.2), pockets: mm(0.8), valve: 'intake' }).body.state // 'planned'
 */
export const crownTried = (cylinder: number, what: Omit<Bodies['crownWork'], 'state' | 'u'>): Tried & { kind: 'crownWork' } => ({
  kind: 'crownWork', scope: { level: 'cylinder', cylinder }, body: { state: 'planned', ...what, ...isNewPiston(what) ? { u: untyped(CLAIMED_CROWN, 'cc', 2) } : {} }
})

/** What a hand asks of crowns, 0 where nothing is: cc that each holds more (+), pockets deeper by mm, of one kind of valve or of all, another piston that stands higher (+) by mm. */
export interface CrownAsked { added: number, pockets: number, valve?: Valve, rise: number }

/**
 * Work on crowns that a hand asks for; what deeper pockets add is reckoned where no volume is said.
 *
 * @param cylinders whose crowns
 * @returns one operation a cylinder; `unsized`: valves whose size must be stated before their pockets can be told
 * Source: {@link pocketsOf}, times the depth.
 * @example crownsTried(standing, STARTING_RULES, [1], { added: 0, pockets: 1, valve: 'exhaust', rise: 0 }).operations[0].body.added.value // 0.96
 */
export function crownsTried(standing: Replay, rules: ShopRules, cylinders: readonly number[], { added, pockets, valve, rise }: CrownAsked): { operations: (Tried & { kind: 'crownWork' })[], unsized: Valve[] } {
  const valves: readonly Valve[] = valve ? [valve] : VALVES
  const pocketed = added === 0 && pockets > 0
  const unsized = pocketed ? valves.filter(v => cylinders.some(c => pocketOf(standing, rules, c, v) === undefined)) : []
  if (unsized.length > 0 || (added === 0 && pockets === 0 && rise === 0)) return { operations: [], unsized }
  const holds = (c: number) => valves.reduce((cc, v) => cc + pocketOf(standing, rules, c, v)! * pockets, 0)
  return { unsized, operations: cylinders.map(c => crownTried(c, {
    added: pocketed ? untyped(holds(c), 'cc', 2) : untyped(added, 'cc'),
    ...rise !== 0 ? { rise: untyped(rise, 'mm') } : {}, ...pockets > 0 ? { pockets: untyped(pockets, 'mm'), ...valve ? { valve } : {} } : {}
  })) }
}
