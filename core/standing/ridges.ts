import { ridgeVolume } from '../chamber'
import { ofKind, operationsOn, type EntryOf } from '../ledger'
import type { Replay } from './replay'

/** A ridge that still stands, and the cc that blending it away gives. */
export interface Ridge { entry: EntryOf<'ridge'>, volume: number }

/**
 * The ridges somebody measured in a cylinder's chamber and that nobody has ground at, or plans to, since.
 *
 * @param standing what replay gives
 * @param cylinder its number
 * @returns each with what it holds, cc; of one valve's the last that was measured
 * Source: {@link ridgeVolume}.
 * @example ridgesOf(standing, 4)[0]?.volume // 0.026 cc
 */
export function ridgesOf({ live, ledger, done, planned, layout }: Replay, cylinder: number): Ridge[] {
  const place = (id: string) => ledger.place.get(id) ?? 0
  const ground = Math.max(-1, ...operationsOn([...done, ...planned], layout, cylinder, ['relief']).map(op => place(op.id)))
  const last = new Map(ofKind(live.entries, 'ridge')
    .filter(e => e.scope.level === 'valve' && e.scope.cylinder === cylinder && place(e.id) > ground)
    .map(e => [e.scope.level === 'valve' ? `${e.scope.valve} ${e.scope.n ?? 1}` : '', e]))
  return [...last.values()].map(entry => ({
    entry, volume: ridgeVolume({ height: entry.body.height.value, width: entry.body.width.value, across: entry.body.across.value, arc: entry.body.arc.value })
  }))
}
