import { pocketArea } from '../../engine'
import type { Valve } from '../../ledger'
import type { ShopRules } from '../../shop'
import { modelOf, quantityOf, type Replay } from '../../standing'
import type { Column } from './columns'

/** No pocket is cut deeper than this by a route, mm: what a crown has under it nobody asked. */
export const MOST_POCKET = 3
const VALVES = ['intake', 'exhaust'] as const

/** Pockets are cut in steps of this, mm. */
export const POCKET_STEP = 0.1

/**
 * What a mm of deeper pockets adds to a crown, for all valves of a kind: each as wide as its valve and the shop's least room beside it.
 *
 * @returns cc; undefined where the size of a valve is not known
 * @example pocketsOf(standing, STARTING_RULES, 1)?.exhaust // 0.97, of a valve of 34 that leans by 22°
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

/** What pockets of these depths make a crown hold more, cc. */
export const pocketsHold = ({ pocket }: Column, depth: Record<Valve, number>): Record<Valve, number> =>
  ({ intake: (pocket?.intake ?? 0) * depth.intake, exhaust: (pocket?.exhaust ?? 0) * depth.exhaust })

/** Both kinds of valve together. */
export const both = ({ intake, exhaust }: Readonly<Record<Valve, number>>): number => intake + exhaust
