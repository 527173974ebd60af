import { ofKind, scopeName, type EntryOf } from '../ledger'
import type { Replay } from './replay'

/** The last reading of a face: `cutSince`, whether that face was cut after it, so that nothing is known of it any more; `tooCoarse` for its gasket. */
export interface FinishStanding { entry: EntryOf<'finish'>, cutSince: boolean, tooCoarse: boolean }

/**
 * How fine each face of heads and decks was when it was last read.
 *
 * @param r what replay gives
 * @returns one a face that was read
 * Source: Ra read against what the gasket's maker allows.
 * @example finishesOf(standing)[0].tooCoarse // true, of Ra 3.2 where 1.6 is the most
 */
export function finishesOf(r: Replay): FinishStanding[] {
  const last = new Map(ofKind(r.live.entries, 'finish').map(entry => [scopeName(entry.scope), entry]))
  const place = (id: string) => r.ledger.place.get(id)!
  return [...last.values()].map((entry) => {
    const cut = entry.scope.level === 'bank' ? 'deckCut' : 'faceCut'
    const cutSince = r.done.some(op => op.kind === cut && scopeName(op.scope) === scopeName(entry.scope) && place(op.id) > place(entry.id))
    return { entry, cutSince, tooCoarse: !cutSince && entry.body.roughness.value > entry.body.most.value }
  })
}
