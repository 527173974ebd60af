import type { RodMaterial } from '../squish'
import { STARTING_COSTS, type WorkCosts } from './costs'
import { STARTING_ROUTE, type RouteStart } from './routeStart'

/** A running squish gap a shop aims for, with rods of one material up to a bore and up to revs. mm, rpm. */
export interface SquishWindow { rod: RodMaterial, boreTo: number, revsTo: number, least: number, most: number }

/** Minimum clearances a shop lets an engine out with, mm. */
export interface LeastClearances {
  intake: number
  exhaust: number
  side: number
  /** Added to piston clearances where the rods are aluminium. */
  aluminiumMore: number
  valveToValve: number
  domeToChamber: number
}

/** What a shop lets a seat of one kind go out with, mm. */
export interface SeatRule { widthLeast: number, widthMost: number, marginLeast: number }

/** Seats by their valve; run-out and a guide's clearance are one limit for both, mm. */
export interface SeatRules { intake: SeatRule, exhaust: SeatRule, runOutMost: number, guideMost: number }

/** What a shop wants left with a valve fully open: before its spring is solid, and between retainer and seal, mm. */
export interface SpringRules { travelLeast: number, sealLeast: number }

/** What a shop goes by until an engine's maker or its own experience says otherwise. Editable, never law. */
export interface ShopRules { squish: SquishWindow[], clearances: LeastClearances, seats: SeatRules, springs: SpringRules, route: RouteStart, work: WorkCosts, /** What an hour of the shop costs, in its own money. */ rate: number }

/** A starting point for a shop that has not set its own. */
export const STARTING_RULES: ShopRules = {
  squish: [
    { rod: 'steel', boreTo: 75, revsTo: 13000, least: 0.55, most: 1.05 },
    { rod: 'steel', boreTo: 100, revsTo: 6500, least: 0.6, most: 1.1 },
    { rod: 'steel', boreTo: 120, revsTo: 6500, least: 0.7, most: 1.25 },
    { rod: 'steel', boreTo: 120, revsTo: 10000, least: 0.75, most: 1.3 },
    { rod: 'titanium', boreTo: 120, revsTo: 14000, least: 0.75, most: 1.3 },
    { rod: 'aluminium', boreTo: 120, revsTo: 10000, least: 0.9, most: 1.6 }
  ],
  clearances: { intake: 2, exhaust: 2.5, side: 1.2, aluminiumMore: 0.5, valveToValve: 1.5, domeToChamber: 1.2 },
  seats: { intake: { widthLeast: 1, widthMost: 2, marginLeast: 0.8 }, exhaust: { widthLeast: 1.3, widthMost: 2.5, marginLeast: 1 }, runOutMost: 0.05, guideMost: 0.1 },
  springs: { travelLeast: 1.2, sealLeast: 1 },
  route: STARTING_ROUTE,
  work: STARTING_COSTS,
  rate: 60
}

/**
 * The shop's squish window for an engine: of the rows it fits into, the one with the smallest bore and then revs.
 *
 * @param rules the shop's table
 * @param engine rod material, bore in mm, revs in rpm
 * @returns undefined where the table has no row for such an engine
 * @example windowFor(STARTING_RULES, { rod: 'steel', bore: 92, revs: 5000 }) // 0.60 to 1.10
 */
export function windowFor(rules: ShopRules, engine: { rod: RodMaterial, bore: number, revs: number }): SquishWindow | undefined {
  return rules.squish
    .filter(row => row.rod === engine.rod && engine.bore <= row.boreTo && engine.revs <= row.revsTo)
    .sort((a, b) => a.boreTo - b.boreTo || a.revsTo - b.revsTo)[0]
}

/**
 * The least squish for an engine that the table has no row for, or of which nobody said how fast it turns: the widest minimum
 * there is for its rods, by preference of rows that its bore fits into.
 *
 * @param engine rod material, bore in mm if known
 * @returns mm; undefined where the table has nothing for such rods
 * @example cautiousLeast(STARTING_RULES, { rod: 'steel', bore: 140 }) // 0.75, the widest of the steel rods' rows
 */
export function cautiousLeast(rules: ShopRules, { rod, bore = 0 }: { rod: RodMaterial, bore?: number }): number | undefined {
  const rows = rules.squish.filter(row => row.rod === rod)
  const fits = rows.filter(row => bore <= row.boreTo)
  const [widest] = (fits.length > 0 ? fits : rows).map(row => row.least).sort((a, b) => b - a)
  return widest
}

/**
 * The least a clearance may be by the shop's table.
 *
 * @param rules the shop's table
 * @param name which clearance
 * @param rod material of the rods
 * @returns mm
 * @example leastClearance(STARTING_RULES, 'exhaustClearance', 'aluminium') // 3.0
 */
export function leastClearance(
  rules: ShopRules, name: 'intakeClearance' | 'exhaustClearance' | 'intakeSide' | 'exhaustSide' | 'valveToValve' | 'domeToChamber', rod: RodMaterial
): number {
  const { intake, exhaust, side, aluminiumMore, valveToValve, domeToChamber } = rules.clearances
  const more = rod === 'aluminium' ? aluminiumMore : 0
  switch (name) {
    case 'intakeClearance': return intake + more
    case 'exhaustClearance': return exhaust + more
    case 'intakeSide': case 'exhaustSide': return side
    case 'valveToValve': return valveToValve
    case 'domeToChamber': return domeToChamber + more
  }
}
