import { quantityOf } from './asked'
import { fit, isStatement, type Entry } from '../ledger'
import type { Replay } from './replay'

/** What about a new entry can't stand beside what is known, though each of them could be right alone. */
export interface Clash { argument: string, given: number, bound: string }

/**
 * What a new entry says that can't be so on this engine: a gasket that would stand in the chamber, a port below the stroke.
 *
 * @param fresh the new entry
 * @param standing where the build stands with it and what comes with it
 * @returns undefined where it may stand; what is in the ledger already is never judged by it
 * Source: a gasket's opening is never smaller than its bore; one that is no circle states its area and is judged by eye.
 * @example clashOf(gasketBore91, standing) // { argument: 'gasketBore', given: 91, bound: '92 mm, the bore, or more: …' }
 */
export function clashOf(fresh: Entry, standing: Replay | undefined): Clash | undefined {
  if (!standing) return undefined
  const port = portBelow(fresh, standing)
  if (port) return port
  const gasket = gasketBoreOf(fresh)
  if (gasket === undefined) return undefined
  const { layout } = standing
  const bores = layout.cylinders.filter(c => fit(fresh.scope, layout, c) > 0).flatMap(c => quantityOf(standing, 'bore', c)?.estimate.value ?? [])
  const widest = Math.max(0, ...bores)
  return gasket < widest ? { argument: 'gasketBore', given: gasket, bound: `${Number(widest.toFixed(3))} mm, the bore, or more: nothing of a gasket may stand in the chamber` } : undefined
}

/** The round opening of a gasket that an entry speaks of, mm. */
function gasketBoreOf(entry: Entry): number | undefined {
  const { kind, body } = entry
  return kind === 'gasketChange' && body.state !== 'dropped' && !body.area
    ? body.bore.value
    : kind === 'offer' && !body.area
      ? body.bore.value
      : isStatement(entry) && entry.body.quantity === 'gasketBore' ? entry.body.figure.value : undefined
}

/** A port's edge that the piston never shuts: at or below where it turns round. */
function portBelow(entry: Entry, standing: Replay): Clash | undefined {
  if (!isStatement(entry) || (entry.body.quantity !== 'exhaustPortTop' && entry.body.quantity !== 'exhaustPortDeck')) return undefined
  const { quantity, figure: { value } } = entry.body
  const lowest = standing.layout.cylinders.filter(c => fit(entry.scope, standing.layout, c) > 0).flatMap((c) => {
    const stroke = quantityOf(standing, 'stroke', c)?.estimate.value
    return stroke === undefined ? [] : [stroke + (quantity === 'exhaustPortDeck' ? quantityOf(standing, 'deckClearance', c)?.estimate.value ?? 0 : 0)]
  })
  const bound = Math.min(...lowest)
  return value >= bound ? { argument: quantity, given: value, bound: `less than ${Number(bound.toFixed(3))} mm: the piston never goes below that` } : undefined
}
