import { ofKind, photographsIn, placeAlong, type EntryOf, type Layout } from '../ledger'
import type { Replay } from './replay'

/** Where on a head's face a place is: at a cylinder, or between two. */
export type OnFace = { at: number } | { between: [number, number] }

/**
 * Names a place on a face by its cylinders: inside a bore's circle or past the last one it is at that cylinder, else between two.
 *
 * @param place mm from the head's middle, + to the right as its face is seen
 * @param size bore and bore spacing, mm, > 0
 * @returns undefined where the head has no cylinder
 * @example onFace(four, 1, { x: 0, y: 0 }, { bore: 90, spacing: 100 }) // { between: [2, 3] }
 */
export function onFace(layout: Layout, head: number, { x, y }: { x: number, y: number }, { bore, spacing }: { bore: number, spacing: number }): OnFace | undefined {
  const row = (layout.heads[head - 1] ?? []).map(cylinder => ({ cylinder, x: placeAlong(layout, cylinder, spacing) }))
  const near = [...row].sort((a, b) => Math.abs(a.x - x) - Math.abs(b.x - x))
  const [first] = near
  if (!first) return undefined
  const next = near.find(other => other !== first && (other.x - first.x) * (x - first.x) > 0)
  return Math.hypot(x - first.x, y) <= bore / 2 || !next ? { at: first.cylinder } : { between: [first.cylinder, next.cylinder].sort((a, b) => a - b) as [number, number] }
}

/** What was found on a head as it came, and the photographs of it. */
export interface FindingStanding { entry: EntryOf<'finding'>, photos: string[] }

/** What was found on the heads as they came in, in the order it was entered. */
export function findingsOf(r: Replay): FindingStanding[] {
  const photos = photographsIn(r.live)
  return ofKind(r.live.entries, 'finding').map(entry => ({ entry, photos: photos.filter(({ of }) => of.id === entry.id).map(({ sha256 }) => sha256) }))
}

/** Whether nobody has decided yet what is done about a finding; which end counts as the first wants no decision. */
export const isUndecided = ({ body }: EntryOf<'finding'>): boolean => !body.decided && body.what !== 'numbering'
