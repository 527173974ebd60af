import { gasketFigures, gasketPlanned, offFoot, type AsIf, type EntryOf, type Figure, type Scope, type Tried } from '#core'
import { notKept } from './useStatement'
import { useBuild, type ToAdd } from '~/stores/build'
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
  const under = computed(() => number('under'))
  const set = (name: 'gasket' | 'deck' | 'face' | 'under', value: string | number) => drafts.set(key(name), value === 0 || value === '' ? '' : String(value))

  const mm = (value: number): Figure => ({ value, unit: 'mm', typed: '' })
  const head = computed<Scope>(() => ({ level: 'head', head: build.state?.head ?? 1 }))
  const bank = computed(() => ({ level: 'bank' as const, bank: build.state?.bank ?? 1 }))
  const tried = computed(() => {
    const list: Tried[] = []
    if (gasket.value) {
      // It takes the place of any other that is planned under this head.
      list.push({ kind: 'gasketChange', scope: head.value, body: { state: 'planned', ...gasketFigures(gasket.value.body) } })
    }
    if (deck.value > 0) list.push(build.closed ? offFoot(bank.value.bank, deck.value) : { kind: 'deckCut', scope: bank.value, body: { state: 'planned', depth: mm(deck.value) } })
    if (under.value !== 0) list.push({ kind: 'spacer', scope: bank.value, body: { state: 'planned', change: mm(under.value) } })
    if (face.value > 0) list.push({ kind: 'faceCut', scope: head.value, body: { state: 'planned', depth: mm(face.value) } })
    return list
  })
  /** The gasket change that is planned already, whose place a tried one takes. */
  const instead = computed(() => build.replayed && gasketPlanned(build.replayed, build.cylinder))
  /** Where it would stand with what is planned and what is tried. */
  const outcome = computed<AsIf | undefined>(() => build.ifDone([...(build.replayed?.planned ?? []).filter(op => !gasket.value || op.id !== instead.value?.id), ...tried.value]))
  /** Writes what was tried down as planned, all of it on this device before the page can be left; a cut with what it takes. */
  async function plan(): Promise<string | undefined> {
    const at = outcome.value
    if (!at) return undefined
    if (face.value > 0 && at.cylinders.some(c => c.waiting)) return 'The chambers are not ready yet: try again in a moment.'
    const mine = at.operations.slice(at.operations.length - tried.value.length)
    const other = gasket.value && instead.value
    const gone: ToAdd[] = other ? [{ kind: 'gasketChange', scope: other.scope, body: { ...other.body, state: 'dropped' }, more: { supersedes: other.id } }] : []
    const said = notKept(await build.planAll('What if, planned', [], mine.map(({ kind, scope, body }) => ({ kind, scope, body }) as ToAdd), { gone }))
    if (said) return said
    for (const name of ['gasket', 'deck', 'face', 'under'] as const) set(name, '')
    return undefined
  }
  return { gasket, instead, deck, face, under, set, tried, outcome, plan }
}
