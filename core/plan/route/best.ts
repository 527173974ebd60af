import type { Route } from './route'

/** Which of the routes shown is the surest, takes the least metal, is cheapest, and evenest; each by its place in the list. */
export function bestOf(routes: readonly Route[]): Record<'surest' | 'leastMetal' | 'cheapest' | 'evenest', number> {
  const least = (of: (r: Route) => number) => routes.reduce((best, r, i) => of(r) < of(routes[best]!) - 1e-9 ? i : best, 0)
  return { surest: least(r => -r.chance), leastMetal: least(r => r.metal + r.lasting / 100), cheapest: least(r => r.money + r.hours / 100), evenest: least(r => r.spread) }
}
