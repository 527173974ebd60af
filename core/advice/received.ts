import type { Replay } from '../standing'
import { replay } from './tolerant'

/**
 * Where a build stood before any of its metal went or any part was changed.
 *
 * @returns undefined where nothing was done yet: then it stands as it came
 * @example asReceived(standing)?.asIs[0]?.ratio?.estimate.value // 9.14, before the first cut
 */
export function asReceived(r: Replay): Replay | undefined {
  const places = r.done.map(op => r.ledger.place.get(op.id) ?? 0)
  if (places.length === 0) return undefined
  return replay(r.live.entries.slice(0, Math.min(...places)))
}

/**
 * Where a build stood in the state that ran: all that was known up to an operation.
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
  const next = Math.min(r.live.entries.length, ...r.done.map(op => r.ledger.place.get(op.id) ?? 0).filter(at => at > place))
  return replay(r.live.entries.slice(0, next))
}
