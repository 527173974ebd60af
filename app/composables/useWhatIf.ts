import { replay, type Bodies, type Entry, type EntryKind, type EntryOf, type Figure, type Replay, type Scope } from '#core'
import { notKept } from './useStatement'
import { useBuild } from '~/stores/build'
import { useDrafts } from '~/stores/drafts'

/** What might be done to the stack, tried on paper: nothing is entered until it is planned. */
export function useWhatIf() {
  const build = useBuild()
  const drafts = useDrafts()
  const key = (name: string) => `${build.view?.id}/whatif/${name}`
  const number = (name: string) => Number(drafts.get(key(name)) ?? 0)
  const gasket = computed<EntryOf<'offer'> | undefined>(() => build.replayed?.offers.find(o => o.id === drafts.get(key('gasket'))))
  const deck = computed(() => number('deck'))
  const face = computed(() => number('face'))
  const set = (name: 'gasket' | 'deck' | 'face', value: string | number) => drafts.set(key(name), value === 0 || value === '' ? '' : String(value))

  const mm = (value: number): Figure => ({ value, unit: 'mm', typed: String(value) })
  const head = computed<Scope>(() => ({ level: 'head', head: build.state?.head ?? 1 }))
  const bank = computed<Scope>(() => ({ level: 'bank', bank: build.state?.bank ?? 1 }))
  const tried = computed(() => {
    const list: { kind: EntryKind, scope: Scope, body: Bodies['gasketChange'] | Bodies['deckCut'] }[] = []
    if (gasket.value) {
      const { thickness, bore, area } = gasket.value.body
      list.push({ kind: 'gasketChange', scope: head.value, body: { state: 'planned', thickness, bore, ...(area ? { area } : {}) } })
    }
    if (deck.value > 0) list.push({ kind: 'deckCut', scope: bank.value, body: { state: 'planned', depth: mm(deck.value) } })
    if (face.value > 0) list.push({ kind: 'faceCut', scope: head.value, body: { state: 'planned', depth: mm(face.value) } })
    return list
  })
  const outcome = computed<Replay | undefined>(() => {
    if (tried.value.length === 0) return build.replayed
    const at = new Date(8.64e15).toISOString()
    const entries = tried.value.map((op, i) => ({ ...op, id: `tried-${i}`, build: build.view!.id, seq: null, at, hand: 'x', v: 1 }) as Entry)
    return replay([...build.entries, ...entries])
  })
  /** Writes what was tried down as planned. */
  async function plan(): Promise<string | undefined> {
    for (const { kind, scope, body } of tried.value) {
      const said = notKept(await build.add(kind, scope, body as Bodies['deckCut']))
      if (said) return said
    }
    for (const name of ['gasket', 'deck', 'face'] as const) set(name, '')
    return undefined
  }
  return { gasket, deck, face, set, tried, outcome, plan }
}
