import { linear, uncertainty, type Sourced } from '../estimate'
import { onceEach } from '../once'
import { fit, isStatement, kindRule, makesAnother, NOW, touches, untyped, type Entry, type OperationEntry, type PartName, type Quantity } from '../ledger'
import { quantityOf, statedQuantity, type Part, type Replay } from '../standing'
import { replay } from './tolerant'

/**
 * Where a build stood before any of its metal went or any part was changed, by all that is known of it now.
 *
 * @returns undefined where nothing was done yet: then it stands as it came
 * @example asReceived(standing)?.asIs[0]?.ratio?.estimate.value // 9.14, before the first cut
 */
export function asReceived(r: Replay): Replay | undefined {
  return r.done.length === 0 ? undefined : stoodWithout(r, r.done)
}

const came = onceEach((r: Replay) => asReceived(r) ?? r)

/**
 * How far the ratio an engine came with lies from the one its book states: a book tells of the engine as it was made.
 *
 * @returns the ratio as it came less the book's, below 0 where the book promised more; undefined where either is not known
 * Source: definition.
 * @example offTheBook(standing, 1)?.value // −0.36, of 9.14 where the book says 9.50
 */
export function offTheBook(r: Replay, cylinder: number): Sourced | undefined {
  const book = quantityOf(r, 'bookRatio', cylinder)
  const ratio = book && came(r).asIs.find(state => state.cylinder === cylinder)?.ratio
  return ratio && linear([[1, ratio.estimate], [-1, book.estimate]])
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
  const since = r.done.filter(op => r.ledger.place.get(op.id)! > place)
  return since.length === 0 ? r : stoodWithout(r, since)
}

/**
 * Where a build stood before some work. What was written down after it and tells of that state too counts: a bore that was measured
 * after a cut is the bore that the engine came with, a deck clearance that was measured after its cut is carried back, and a chamber
 * of one head that was poured once the other head was finished is that head's as it came.
 *
 * @param without all that was done from some moment on
 */
function stoodWithout({ live, ledger, layout }: Replay, without: readonly OperationEntry[]): Replay | undefined {
  const placeOf = (entry: { id: string }) => ledger.place.get(entry.id)!
  const isGone = new Set(without.map(op => op.id))
  const firsts = new Map<string, number>()
  /** Where the first of the work stands that changed something of a cylinder, or did anything to it. */
  const firstOn = (cylinder: number, what?: Quantity | PartName): number => {
    const name = `${what ?? ''} ${cylinder}`
    const first = firsts.get(name) ?? without.reduce((place, op) => touches(op, layout, cylinder) && (!what || makesAnother(op.kind, what)) ? Math.min(place, placeOf(op)) : place, NOW)
    firsts.set(name, first)
    return first
  }
  /** Whether an entry is as true of what was before the work. */
  const tells = (entry: Entry): boolean => {
    if (kindRule(entry.kind).role === 'frame') return true
    const untouched = (what?: Quantity | PartName) => layout.cylinders.every(c => fit(entry.scope, layout, c) === 0 || placeOf(entry) < firstOn(c, what))
    if (isStatement(entry)) return untouched(entry.body.quantity)
    if (entry.kind === 'deckReadings') return untouched('deckClearance')
    if (entry.kind === 'pour' && entry.body.encloses !== 'assembled') return entry.body.encloses.endsWith('Port') || untouched(entry.body.encloses as 'chamber' | 'crown')
    return untouched()
  }
  const known = live.entries.filter(entry => !isGone.has(entry.id) && tells(entry))
  const then = replay(known)
  if (!then) return undefined
  const carried = [...ledger.statements.keys()].flatMap(quantity => layout.cylinders.flatMap((cylinder): Entry[] => {
    const part = statedQuantity(ledger, quantity, cylinder, firstOn(cylinder, quantity))
    const told = statedQuantity(then.ledger, quantity, cylinder)
    return part && (!told || Math.abs(told.estimate.value - part.estimate.value) > 1e-9) ? [statementOf(quantity, cylinder, part, live.entries.at(-1)!)] : []
  }))
  return carried.length > 0 ? replay([...known, ...carried]) : then
}

/** A figure that was carried back over work, as somebody might have stated it then. */
function statementOf(quantity: Quantity, cylinder: number, { estimate, provenance }: Part, last: Entry): Entry {
  const figure = (value: number) => untyped(value, '')
  const kind = provenance === 'book' ? 'book' : provenance === 'assumed' ? 'assume' : 'measure'
  return { id: `carried:${quantity}:${cylinder}`, build: last.build, seq: null, at: last.at, hand: '', v: 1, kind, scope: { level: 'cylinder', cylinder }, body: { quantity, figure: figure(estimate.value), u: figure(uncertainty(estimate)) } } as Entry
}
