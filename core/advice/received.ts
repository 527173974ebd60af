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
