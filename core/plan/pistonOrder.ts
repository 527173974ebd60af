import { isNewPiston, type EntryOf } from '../ledger'
import { statedQuantity, type Replay } from '../standing'
import type { AsIf } from './asIf'

/** New pistons that are planned and are to be made alike, by the ones that are fitted: cc and mm; crowns hold + a dish, − a dome. */
export interface PistonOrder {
  cylinders: number[]
  /** Of each of them. */
  bores: number[]
  /** The mean of those that are fitted. */
  fitted: number
  holds: number
  rise: number
  /** How much deeper than in the fitted ones; nothing where a valve was never measured to its piston. */
  pockets?: number
  ratios: number[]
  squish: number[]
}

/** Bores that lie further apart take another size of piston, mm: oversizes come in steps of a quarter of a millimetre and more, readings of one size lie closer. */
const ONE_SIZE = 0.1

type Body = EntryOf<'crownWork'>['body']
const likeness = ({ added, rise, pockets }: Body) => [added.value, rise?.value, pockets?.value ?? 0].join()

/** Cylinders with their bores by size, each size's in their order; those without a bore are in none. */
function bySize(r: Replay, cylinders: readonly number[]): { cylinder: number, bore: number }[][] {
  const known = cylinders.flatMap((cylinder) => {
    const bore = statedQuantity(r.ledger, 'bore', cylinder)?.estimate.value
    return bore === undefined ? [] : [{ cylinder, bore }]
  })
  const sizes: (typeof known)[] = []
  for (const one of [...known].sort((a, b) => a.bore - b.bore)) {
    const size = sizes.at(-1)
    if (size && one.bore - size[0]!.bore <= ONE_SIZE + 1e-9) size.push(one)
    else sizes.push([one])
  }
  return sizes.map(size => size.sort((a, b) => a.cylinder - b.cylinder))
}

/**
 * What pistons have to be ordered for the work that is planned: an order for each make of them, and for each size of bore.
 *
 * @param r the ledger as it stands
 * @param then with everything that is planned
 * @returns none while no piston is planned, or a bore or crown is not known
 * Source: the fitted crown and what is added to it, as they are planned; ratio and squish by {@link asIf}.
 * @example pistonOrders(r, then)[0]?.holds // -1.2: 3.0 cc of dish, and 4.2 less
 */
export function pistonOrders(r: Replay, then: AsIf): PistonOrder[] {
  const makes = new Map<string, { body: Body, cylinders: number[] }>()
  for (const op of r.planned) {
    if (op.kind !== 'crownWork' || op.scope.level !== 'cylinder' || !isNewPiston(op.body)) continue
    const make = makes.get(likeness(op.body)) ?? { body: op.body, cylinders: [] }
    makes.set(likeness(op.body), { ...make, cylinders: [...make.cylinders, op.scope.cylinder] })
  }
  return [...makes.values()].flatMap(({ body, cylinders: all }) => bySize(r, all).flatMap((size): PistonOrder[] => {
    const cylinders = size.map(one => one.cylinder)
    const crowns = r.asIs.flatMap(({ cylinder, parts }) => cylinders.includes(cylinder) && parts.crown ? [parts.crown.estimate.value] : [])
    if (crowns.length === 0) return []
    const fitted = crowns.reduce((sum, cc) => sum + cc, 0) / crowns.length
    const mine = then.cylinders.filter(({ cylinder }) => cylinders.includes(cylinder))
    const measured = r.layout.engine?.intakes === 0 || mine.every(({ clearances }) => (['intakeClearance', 'exhaustClearance'] as const).every(name => clearances.some(one => one.name === name)))
    return [{
      cylinders, bores: size.map(one => one.bore), fitted, holds: fitted + body.added.value, rise: body.rise!.value, ...measured ? { pockets: body.pockets?.value ?? 0 } : {},
      ratios: mine.flatMap(({ state }) => state.ratio?.estimate.value ?? []), squish: mine.flatMap(({ squish }) => squish.running?.gap.estimate.value ?? [])
    }]
  }))
}
