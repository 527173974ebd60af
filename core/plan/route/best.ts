import type { Route } from './route'
import { bySchool } from './way'

/** cc that a route grinds so that the valves breathe: as planned at Shape, or as a school has it. */
const freed = ({ way, lasting }: Route) => way.grinding === 'planned' || bySchool(way.grinding) ? lasting : 0

/** Which of the routes shown is the surest, takes the least metal, is cheapest, evenest, and frees the valves most; each by its place in the list, −1 where none frees them. */
export function bestOf(routes: readonly Route[]): Record<'surest' | 'leastMetal' | 'cheapest' | 'evenest' | 'freest', number> {
  const least = (of: (r: Route) => number) => routes.reduce((best, r, i) => of(r) < of(routes[best]!) - 1e-9 ? i : best, 0)
  return { surest: least(r => -r.chance), leastMetal: least(r => r.metal + r.lasting / 100), cheapest: least(r => r.money + r.hours / 100), evenest: least(r => r.spread), freest: routes.some(r => freed(r) > 0) ? least(r => -freed(r)) : -1 }
}

/**
 * The route that would be the surest once something was measured, where that is another than now.
 *
 * @param routes as they are told
 * @param measurement what would be measured
 * @returns its place in the list, undefined where the surest stays the surest
 * @example surestAfter(routes, routes[0].worth[0].measurement) // 2
 */
export function surestAfter(routes: readonly Route[], measurement: Route['worth'][number]['measurement']): number | undefined {
  const name = JSON.stringify(measurement)
  const after = routes.map(r => r.chance + (r.worth.find(w => JSON.stringify(w.measurement) === name)?.more ?? 0))
  const now = bestOf(routes).surest
  const then = after.reduce((best, chance, i) => chance > after[best]! + 1e-9 ? i : best, now)
  return then === now ? undefined : then
}
