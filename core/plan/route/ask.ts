import { hasBarrels, type Dimension, type EntryOf, type Quantity } from '../../ledger'
import { ROUTE_MOST, type Edges, type Lever, type RouteMost, type ShopRules } from '../../shop'
import { asIf } from '../asIf'
import { NO_SOLIDS } from '../chambers'
import { squishToKeep } from '../limits'
import type { Shaping } from '../shaping'
import { gasketOf, modelOf, quantityOf, sameGasket, statedQuantity, type Replay } from '../../standing'

/** What every route has to keep. Lengths mm, volumes cc, angles degrees; what is not given limits nothing. */
export interface RouteLimits extends RouteMost {
  /** What comes off a face anyway, by straightening or refinishing. */
  faceLeast: number
  /** How far past the number a chamber is opened to be faced back. */
  past: number
  edges: Edges
  /** Grinding that nobody has drawn takes no more than the walls by the valves have up to the scribed line. */
  insideLine: boolean
  /** Cuts of one face at the machinist: with a second one the chamber is poured in between. */
  setUps: 1 | 2
  squishLeast?: number
  squishMost?: number
  deckLeft?: number
  camRetard?: number
  pushrod?: number
  flange?: number
  /** Ratio, widest less narrowest. */
  spread?: number
  hours?: number
  money?: number
}

/** What a limit is measured in; hours, money and set-ups are counts. */
export const LIMIT_DIMENSIONS = {
  faceLeast: 'length', faceMost: 'length', rollMost: 'angle', deckMost: 'length', spacerMost: 'length', groundMost: 'volume', past: 'volume', crownMost: 'volume', seatsUp: 'length', squishLeast: 'length', squishMost: 'length',
  deckLeft: 'length', camRetard: 'angle', pushrod: 'length', flange: 'length', spread: 'ratio'
} as const satisfies Partial<Record<keyof RouteLimits, Dimension>>

/** Which figure of the limits can't be so, and what it must be. */
export interface LimitFault { limit: keyof RouteLimits, given: unknown, kind: 'number' | 'below' | 'above' | 'crossed', bound?: number }

/** What a limit may be at all. */
const BOUNDS: Record<Exclude<keyof RouteLimits, 'edges' | 'insideLine'>, readonly [low: number, high: number]> = {
  ...ROUTE_MOST, faceLeast: [0, 5], past: [0, 50], setUps: [1, 2],
  squishLeast: [0, 8], squishMost: [0, 8], deckLeft: [0, 50], camRetard: [0, 30], pushrod: [0, 20], flange: [0, 20], spread: [0, 5], hours: [0, 10_000], money: [0, 10_000_000]
}

/**
 * Limits that can't be so: no number, outside what such a limit may be, or a least over its most.
 *
 * @returns none where a search can be made
 * @example limitFaults({ ...limits, squishLeast: 1.2, squishMost: 0.8 })[0].kind // 'crossed'
 */
export function limitFaults(limits: RouteLimits): LimitFault[] {
  const faults = (Object.keys(BOUNDS) as (keyof typeof BOUNDS)[]).flatMap((limit): LimitFault[] => {
    const given = limits[limit]
    if (given === undefined) return []
    const [low, high] = BOUNDS[limit]
    if (typeof given !== 'number' || !Number.isFinite(given)) return [{ limit, given, kind: 'number' }]
    return given < low ? [{ limit, given, kind: 'below', bound: low }] : given > high ? [{ limit, given, kind: 'above', bound: high }] : []
  })
  const crossed = (least: 'faceLeast' | 'squishLeast', most: 'faceMost' | 'squishMost'): LimitFault[] => {
    const [low, high] = [limits[least], limits[most]]
    return low !== undefined && high !== undefined && low > high ? [{ limit: most, given: high, kind: 'crossed', bound: low }] : []
  }
  return faults.length > 0 ? faults : [...crossed('faceLeast', 'faceMost'), ...crossed('squishLeast', 'squishMost')]
}

/**
 * The limits that stand until a builder sets others: where the shop begins, its squish window for this engine (its most cautious minimum, where the
 * table has none), and what was stated of its deck. They are one set for all, so each is that of the cylinder that asks for most.
 *
 * @example startingLimits(standing, STARTING_RULES).squishLeast // 0.6
 */
export function startingLimits(standing: Replay, rules: ShopRules): RouteLimits {
  const { cylinders } = standing.layout
  const keep = cylinders.map(cylinder => squishToKeep(standing, rules, cylinder)).reduce((most, one) => (one.least ?? 0) > (most.least ?? 0) ? one : most)
  const least = keep.window ? keep.least : noLess(standing, keep.least)
  const lefts = cylinders.flatMap(cylinder => quantityOf(standing, 'leastDeckThickness', cylinder)?.estimate.value ?? [])
  const { off: _off, ...most } = rules.route
  return {
    ...most, faceLeast: 0, past: 0, insideLine: true,
    ...(least === undefined ? {} : { squishLeast: least }), ...(keep.window ? { squishMost: keep.window.most } : {}), ...(lefts.length === 0 ? {} : { deckLeft: Math.max(...lefts) })
  }
}

/** Where nobody said how fast an engine turns no way closes its squish further than that: to a cautious least, or to what is there. */
function noLess(standing: Replay, cautious: number | undefined): number | undefined {
  const gaps = asIf(standing, [], NO_SOLIDS).cylinders.flatMap(({ squish: { running, gap } }) => running?.gap.estimate.value ?? gap?.estimate.value ?? [])
  return cautious === undefined ? undefined : Math.max(0, Math.floor(100 * Math.min(cautious, ...gaps)) / 100)
}

/** What must be said or measured before a lever can be used. */
export type LeverWants = 'offer' | 'secondChamber' | 'drawing' | 'deckClearance' | 'wantedSquish' | 'solder'

/** A lever of this engine: whether it can be used, and if not what it waits for, and of which cylinder where others have it. */
export interface LeverState { lever: Lever, wants?: LeverWants, cylinder?: number }

/** Gaskets that were offered, each once, and that are not fitted under every head. */
export function offersOf(standing: Replay): EntryOf<'offer'>[] {
  const fitted = standing.layout.cylinders.map(c => gasketOf(standing, c))
  const differing = standing.offers.filter(({ body }) => !fitted.every(gasket => gasket && sameGasket(gasket, body)))
  return differing.filter((offer, i) => differing.findIndex(o => sameGasket(o.body, offer.body)) === i)
}

/**
 * The levers that an engine of this kind has, and what each still wants before it can be used.
 *
 * @example leversOf(standing).find(l => l.lever === 'gasket') // { lever: 'gasket' }
 */
export function leversOf(standing: Replay): LeverState[] {
  const { engine, cylinders } = standing.layout
  const turned = engine?.head === 'turned'
  const blind = engine?.head === 'blind'
  const valves = !engine || engine.intakes + engine.exhausts > 0
  const has = (lever: Lever, wants?: LeverWants | false): LeverState => ({ lever, ...(wants ? { wants } : {}) })
  /** A lever that waits until something is known of each cylinder. */
  const hasWhere = (lever: Lever, ...waits: [LeverWants, (cylinder: number) => boolean][]): LeverState => {
    for (const [wants, known] of waits) {
      const lacking = cylinders.filter(c => !known(c))
      if (lacking.length > 0) return { lever, wants, ...lacking.length < cylinders.length ? { cylinder: lacking[0]! } : {} }
    }
    return { lever }
  }
  const stated = (quantity: Quantity) => (cylinder: number) => statedQuantity(standing.ledger, quantity, cylinder) !== undefined
  const drawn = (cylinder: number) => (modelOf(standing, cylinder)?.spec.valves.length ?? 0) > 0
  const soldered = (cylinder: number) => standing.ledger.solders.some(s => s.scope.level === 'cylinder' && s.scope.cylinder === cylinder)
  return [
    ...blind ? [] : [has('gasket', offersOf(standing).length === 0 && 'offer')],
    ...blind || turned ? [] : [has('grind', cylinders.length < 2 && 'secondChamber'), has('open'), ...valves ? [hasWhere('school', ['drawing', drawn])] : [], has('face'), ...valves ? [hasWhere('roll', ['drawing', drawn])] : []],
    ...turned ? [hasWhere('dome', ['wantedSquish', stated('wantedSquish')], ['solder', soldered])] : [],
    // A turned head has its one order of work, whatever else could be moved.
    ...turned ? [] : [has('crown'), hasWhere('piston', ['deckClearance', stated('deckClearance')]), hasWhere('deck', ['deckClearance', stated('deckClearance')])],
    ...hasBarrels(standing.layout) ? [has('spacer')] : [],
    ...!blind && !turned && valves ? [hasWhere('seats', ['drawing', drawn]), hasWhere('seatsFirst', ['drawing', drawn])] : []
  ]
}

/** What is asked of a search; `shaping`: how the schools are used at Shape. */
export interface RouteAsk { levers: readonly Lever[], limits: RouteLimits, shaping?: Shaping }
