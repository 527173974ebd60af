import { oldFace, reachOf } from '../limits'
import { readingOf, type Reading } from './judge'
import { brought, dressed, type Bench, type Route } from './route'
import { stepsOf, type Figures, type Way } from './way'

/** A first try from which the angle is found, degrees. */
const FIRST_TRY = 1
/** What a rolled cut leaves at the edge that stopped the flat one, mm. */
const CLEAR = 0.02

/**
 * A cut rolled about the crank, by no more than it takes for the seats to stand clear, its depth brought to the target.
 *
 * @returns undefined where no angle within the limits does it, or only one that leaves some of the old face standing
 * Source: secant steps on the least margin that is left at an edge, by the shape of the chambers; either way round is tried.
 */
export function rolled(bench: Bench, way: Way, flat: Figures): Route | undefined {
  const { limits, standing, rules } = bench
  const most = Math.tan(limits.rollMost * Math.PI / 180)
  const at = (slope: number) => {
    const settled = brought(bench, way, { ...flat, slope }, flat.faces.map(() => false))
    if (!settled) return undefined
    const edges = settled.after.cylinders.flatMap(c => readingOf(standing, rules, c)?.edges ?? [] as Reading['edges']).filter(e => e.kind === 'seat' || limits.edges === 'never')
    return { ...settled, slope, least: Math.min(...edges.map(e => e.left)) }
  }
  const start = at(0)
  if (!start || start.least >= CLEAR) return undefined
  const routes = [1, -1].flatMap((sign): Route[] => {
    let before = start
    let now = at(sign * Math.min(most, Math.tan(FIRST_TRY * Math.PI / 180)))
    for (let i = 0; i < 4 && now && Math.abs(now.least - CLEAR) > 0.01; i++) {
      const rise = (now.least - before.least) / (now.slope - before.slope)
      // The wrong way round it only gets nearer.
      if (!Number.isFinite(rise) || rise * sign <= 0) return []
      const slope = now.slope + (CLEAR - now.least) / rise
      const next = sign * Math.min(most, Math.abs(slope))
      if (next === now.slope) break
      before = now
      now = at(next)
    }
    if (!now || now.least < 0) return []
    const { slope, figures: { faces } } = now
    if (faces.some((depth, i) => oldFace({ depth, slopeX: 0, slopeY: slope }, reachOf(standing, i + 1, 'aboutCrank')) > 0)) return []
    const route = dressed(bench, way, now.figures, stepsOf(standing, way, now.figures), now.after)
    return route ? [route] : []
  })
  return routes.sort((a, b) => a.breaches.length - b.breaches.length || a.metal - b.metal)[0]
}
