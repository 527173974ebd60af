import { crownsTried, gasketFigures, gasketPlanned, offFoot, untyped, type AsIf, type EntryOf, type Scope, type Tried, type Valve } from '#core'
import { notKept } from './useStatement'
import { useBuild, type ToAdd } from '~/stores/build'
import { useDrafts } from '~/stores/drafts'
import { useShop } from '~/stores/shop'

/** What can be tried, each under its own key; lengths mm, volumes cc. */
const TRIED = ['gasket', 'deck', 'face', 'under', 'crown', 'pockets', 'rise', 'valve', 'whose'] as const

/** What might be done to the stack, tried on paper: nothing is entered until it is planned. */
export function useWhatIf() {
  const build = useBuild()
  const drafts = useDrafts()
  const shop = useShop()
  const key = (name: string) => `${build.view?.id}/whatif/${name}`
  const number = (name: (typeof TRIED)[number]) => Number(drafts.get(key(name)) ?? 0)
  const gasket = computed<EntryOf<'offer'> | undefined>(() => build.replayed?.offers.find(o => o.id === drafts.get(key('gasket'))))
  const deck = computed(() => number('deck'))
  const face = computed(() => number('face'))
  const under = computed(() => number('under'))
  /** Work on crowns: what it is, and whether only the crown on the bench has it. */
  const crown = computed(() => ({ added: number('crown'), pockets: number('pockets'), rise: number('rise'), valve: (drafts.get(key('valve')) || undefined) as Valve | undefined }))
  const justThis = computed(() => drafts.get(key('whose')) === 'this')
  const set = (name: (typeof TRIED)[number], value: string | number) => drafts.set(key(name), value === 0 || value === '' ? '' : String(value))

  const head = computed<Scope>(() => ({ level: 'head', head: build.state?.head ?? 1 }))
  const bank = computed(() => ({ level: 'bank' as const, bank: build.state?.bank ?? 1 }))
  const crowns = computed(() => build.replayed ? crownsTried(build.replayed, shop.rules, justThis.value ? [build.cylinder] : build.cylinders, crown.value) : { operations: [], unsized: [] })
  const tried = computed(() => {
    const list: Tried[] = [...crowns.value.operations]
    if (gasket.value) {
      // It takes the place of any other that is planned under this head.
      list.push({ kind: 'gasketChange', scope: head.value, body: { state: 'planned', ...gasketFigures(gasket.value.body) } })
    }
    if (deck.value > 0) list.push(build.closed ? offFoot(bank.value.bank, deck.value) : { kind: 'deckCut', scope: bank.value, body: { state: 'planned', depth: untyped(deck.value, 'mm') } })
    if (under.value !== 0) list.push({ kind: 'spacer', scope: bank.value, body: { state: 'planned', change: untyped(under.value, 'mm') } })
    if (face.value > 0) list.push({ kind: 'faceCut', scope: head.value, body: { state: 'planned', depth: untyped(face.value, 'mm') } })
    return list
  })
  /** The gasket change that is planned already, whose place a tried one takes. */
  const instead = computed(() => build.replayed && gasketPlanned(build.replayed, build.cylinder))
  /** Where it would stand with what is planned and what is tried. */
  const outcome = computed<AsIf | undefined>(() => build.ifDone([...(build.replayed?.planned ?? []).filter(op => !gasket.value || op.id !== instead.value?.id), ...tried.value]))
  /** Writes what was tried down as planned, all of it on this device before the page can be left; a cut with what it takes. */
  async function plan(): Promise<string> {
    const at = outcome.value
    if (!at) return ''
    if (face.value > 0 && at.cylinders.some(c => c.waiting)) return 'The chambers are not ready yet: try again in a moment.'
    const mine = at.operations.slice(at.operations.length - tried.value.length)
    const other = gasket.value && instead.value
    // What is tried while that is being sent stays.
    return drafts.sent(TRIED.map(key), async () => notKept(await build.planAll('What if, planned', [], mine.map(({ kind, scope, body }) => ({ kind, scope, body }) as ToAdd), { gone: other ? [other] : [] })))
  }
  return { gasket, instead, deck, face, under, crown, justThis, crowns: computed(() => crowns.value.operations), unsized: computed(() => crowns.value.unsized), set, tried, outcome, plan }
}
