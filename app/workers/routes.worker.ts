import { expose } from 'comlink'
import Module from 'manifold-3d'
import wasmUrl from 'manifold-3d/manifold.wasm?url'
import { DomainError, replay, type Entry, type ShopRules } from '#core'
import { searchRoutes, type Progress, type RouteAnswer, type RouteAsk } from '#core/plan/route'
import { chambersHere, type ChambersHere, type KnownBy } from './chambersHere'

/** What a search came to: an answer, nothing because a newer one was asked for, or an entry that can't be reckoned with. */
export type Searched = { kind: 'answer', answer: RouteAnswer } | { kind: 'stale' } | { kind: 'refused', argument: string }

let newest = 0
let kit: ReturnType<typeof made> | undefined
const chambers = new Map<KnownBy, Promise<ChambersHere>>()

async function made() {
  const loaded = await Module({ locateFile: () => wasmUrl })
  loaded.setup()
  return loaded
}

/** Chambers stay made from one search to the next: a lever that is switched makes none of them anew. */
function chambersBy(by: KnownBy): Promise<ChambersHere> {
  kit ??= made()
  const known = chambers.get(by) ?? kit.then(loaded => chambersHere(loaded, by))
  chambers.set(by, known)
  return known
}

/** Lets a newer question, or a stop, be read. */
const breathe = () => new Promise<void>(resolve => setTimeout(resolve, 0))

expose({
  async search(seq: number, entries: Entry[], rules: ShopRules, ask: RouteAsk, by: KnownBy, progress: (p: Progress) => void): Promise<Searched> {
    newest = Math.max(newest, seq)
    const standing = replay(entries)
    if (!standing) return { kind: 'refused', argument: 'layout' }
    const exact = await chambersBy(by)
    const search = searchRoutes(standing, rules, await chambersBy('rings'), ask, exact, exact)
    try {
      for (;;) {
        const next = search.next()
        if (next.done) return next.value === 'notReady' ? { kind: 'refused', argument: 'chamber' } : { kind: 'answer', answer: next.value }
        progress(next.value)
        await breathe()
        if (newest > seq) return { kind: 'stale' }
      }
    } catch (error) {
      if (error instanceof DomainError) return { kind: 'refused', argument: error.argument }
      throw error
    }
  },
  /** Whatever is under way is wanted no more. */
  stop(seq: number) {
    newest = Math.max(newest, seq)
  }
})
