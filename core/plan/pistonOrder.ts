import type { EntryOf } from '../ledger'
import { statedQuantity, type Replay } from '../standing'
import type { AsIf } from './asIf'

/** New pistons that are planned, by the ones that are fitted: cc and mm; crowns hold + a dish, − a dome. */
export interface PistonOrder {
  count: number
  bore: number
  fitted: number
  holds: number
  rise: number
  /** How much deeper than in the fitted ones; nothing where a valve was never measured to its piston. */
  pockets?: number
  ratios: number[]
  squish: number[]
}

/** Another piston states its height by the one it takes the place of; a crown that is cut does not. */
const isPiston = (body: EntryOf<'crownWork'>['body']) => body.rise !== undefined

/**
 * What pistons have to be ordered for the work that is planned.
 *
 * @param r the ledger as it stands
 * @param then with everything that is planned
 * @returns undefined while no piston is planned, or a crown is not known
 * Source: the fitted crown and what is added to it, as they are planned; ratio and squish by {@link asIf}.
 * @example pistonOrder(r, then)?.holds // -1.2: 3.0 cc of dish, and 4.2 less
 */
export function pistonOrder(r: Replay, then: AsIf): PistonOrder | undefined {
  const works = r.planned.flatMap(op => op.kind === 'crownWork' && op.scope.level === 'cylinder' && isPiston(op.body) ? [{ cylinder: op.scope.cylinder, body: op.body }] : [])
  const cylinders = new Set(works.map(work => work.cylinder))
  const crowns = r.asIs.flatMap(({ cylinder, parts }) => cylinders.has(cylinder) && parts.crown ? [parts.crown.estimate.value] : [])
  const bore = statedQuantity(r.ledger, 'bore', r.layout.cylinders[0]!)
  const [first] = works
  if (!first || !bore || crowns.length === 0) return undefined
  const fitted = crowns.reduce((sum, cc) => sum + cc, 0) / crowns.length
  const mine = then.cylinders.filter(({ cylinder }) => cylinders.has(cylinder))
  const measured = r.layout.engine?.intakes === 0 || mine.every(({ clearances }) => (['intakeClearance', 'exhaustClearance'] as const).every(name => clearances.some(one => one.name === name)))
  return {
    count: cylinders.size, bore: bore.estimate.value, fitted, holds: fitted + first.body.added.value, rise: first.body.rise!.value, ...measured ? { pockets: first.body.pockets?.value ?? 0 } : {},
    ratios: mine.flatMap(({ state }) => state.ratio?.estimate.value ?? []), squish: mine.flatMap(({ squish }) => squish.running?.gap.estimate.value ?? [])
  }
}
