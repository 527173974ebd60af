import { operationsOn, type Ledger, type OperationEntry, type OperationKind } from '../ledger'

/** A ledger never changes once it is open: what was worked out of it once holds as long as it does. */
const known = new WeakMap<Ledger, Map<string, unknown>>()

/**
 * Works a thing out of a ledger once.
 *
 * @param what its name, with whom it is about
 * @example remembered(ledger, 'stretches 1', () => stretchesOf(ledger, 1))
 */
export function remembered<T>(ledger: Ledger, what: string, work: () => T): T {
  let ofLedger = known.get(ledger)
  if (!ofLedger) known.set(ledger, ofLedger = new Map())
  // Asked some thousand times for a plan: what is known is looked up once.
  const found = ofLedger.get(what)
  if (found !== undefined || ofLedger.has(what)) return found as T
  const made = work()
  ofLedger.set(what, made)
  return made
}

/**
 * Operations of the given kinds that were done on a cylinder, in order: every quantity asks for them, so a cylinder's are found once.
 *
 * @example doneOn(ledger, 4, ['faceCut'])[0]?.body.depth.value // 0.5
 */
export function doneOn(ledger: Ledger, cylinder: number, kinds: readonly OperationKind[]): OperationEntry[] {
  return remembered(ledger, `done ${cylinder}`, () => operationsOn(ledger.done, ledger.layout, cylinder)).filter(op => kinds.includes(op.kind))
}

/**
 * How many of a list in order of place lie before a place.
 *
 * @param placeOf the place of one of them
 * @example howManyBefore([2, 5, 9], p => p, 6) // 2
 */
export function howManyBefore<T>(list: readonly T[], placeOf: (one: T) => number, place: number): number {
  let [low, high] = [0, list.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if (placeOf(list[middle]!) < place) low = middle + 1
    else high = middle
  }
  return low
}
