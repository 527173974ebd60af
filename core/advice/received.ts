import { uncertainty } from '../estimate'
import { fit, isStatement, kindRule, touches, type Entry, type Figure, type Quantity } from '../ledger'
import { statedQuantity, type Part, type Replay } from '../standing'
import { replay } from './tolerant'

/**
 * Where a build stood before any of its metal went or any part was changed, by all that is known of it now.
 *
 * @returns undefined where nothing was done yet: then it stands as it came
 * @example asReceived(standing)?.asIs[0]?.ratio?.estimate.value // 9.14, before the first cut
 */
export function asReceived(r: Replay): Replay | undefined {
  const places = r.done.map(op => r.ledger.place.get(op.id) ?? 0)
  return places.length === 0 ? undefined : stoodAt(r, Math.min(...places))
}

/**
 * Where a build stood in the state that ran: after an operation, by all that is known of it now.
 *
 * @param ran the operation that was done last before it ran; as it came where there was none
 * @returns undefined where that entry is no longer in the ledger
 * @example asItRan(standing, firstCut)?.asIs[0]?.ratio?.estimate.value // 9.61, after the first cut
 */
export function asItRan(r: Replay, ran: string | undefined): Replay | undefined {
  if (ran === undefined) return asReceived(r) ?? r
  const place = r.ledger.place.get(ran)
  if (place === undefined) return undefined
  // What was read before the next piece of work is of that state too.
  return stoodAt(r, Math.min(r.live.entries.length, ...r.done.map(op => r.ledger.place.get(op.id) ?? 0).filter(at => at > place)))
}

/**
 * Where a build stood before the operation at a place. What was written down after it and tells of that state too counts: a bore that
 * was measured after a cut is the bore that the engine came with, and a deck clearance that was measured after its cut is carried back.
 */
function stoodAt({ live, ledger, layout, done }: Replay, place: number): Replay | undefined {
  const after = done.filter(op => (ledger.place.get(op.id) ?? 0) >= place)
  const changed = (quantity: Quantity, cylinder: number) => after.some(op => touches(op, layout, cylinder) && kindRule(op.kind).changes.includes(quantity))
  const about = (entry: Entry) => layout.cylinders.filter(c => fit(entry.scope, layout, c) > 0)
  /** Whether an entry from after the work is as true of what was before it. */
  const tells = (entry: Entry) => {
    if (kindRule(entry.kind).role === 'frame') return true
    if (isStatement(entry)) return !about(entry).some(c => changed(entry.body.quantity, c))
    if (entry.kind === 'deckReadings') return !about(entry).some(c => changed('deckClearance', c))
    return entry.kind === 'pour' && entry.scope.level === 'cylinder' && !about(entry).some(c => after.some(op => touches(op, layout, c)))
  }
  const known = [...live.entries.slice(0, place), ...live.entries.slice(place).filter(tells)]
  const then = replay(known)
  if (!then) return undefined
  const carried = [...ledger.statements.keys()].flatMap(quantity => layout.cylinders.flatMap((cylinder): Entry[] => {
    if (!changed(quantity, cylinder)) return []
    const part = statedQuantity(ledger, quantity, cylinder, place)
    const told = statedQuantity(then.ledger, quantity, cylinder)
    return part && (!told || Math.abs(told.estimate.value - part.estimate.value) > 1e-9) ? [statementOf(quantity, cylinder, part, live.entries.at(-1)!)] : []
  }))
  return carried.length > 0 ? replay([...known, ...carried]) : then
}

/** A figure that was carried back over work, as somebody might have stated it then. */
function statementOf(quantity: Quantity, cylinder: number, { estimate, provenance }: Part, last: Entry): Entry {
  const figure = (value: number): Figure => ({ value, unit: '', typed: '' })
  const kind = provenance === 'book' ? 'book' : provenance === 'assumed' ? 'assume' : 'measure'
  return { id: `carried:${quantity}:${cylinder}`, build: last.build, seq: null, at: last.at, hand: '', v: 1, kind, scope: { level: 'cylinder', cylinder }, body: { quantity, figure: figure(estimate.value), u: figure(uncertainty(estimate)) } } as Entry
}
