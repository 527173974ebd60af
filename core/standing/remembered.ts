import type { Ledger } from '../ledger'

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
  if (!ofLedger.has(what)) ofLedger.set(what, work())
  return ofLedger.get(what) as T
}
