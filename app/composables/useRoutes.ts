import { watchDebounced } from '@vueuse/core'
import { proxy, wrap, type Remote } from 'comlink'
import { LEVERS, ofKind, switched, type Entry, type Lever, type Shaping, type ShopRules } from '#core'
import { leversOf, startingLimits, type RouteAsk, type RouteLimits } from '#core/plan/route/ask'
import type { Progress, RouteAnswer } from '#core/plan/route'
import type { KnownBy } from '~/workers/chambersHere'
import type { Searched } from '~/workers/routes.worker'
import { useBuild } from '~/stores/build'
import { useChoices } from '~/stores/choices'
import { useDrafts } from '~/stores/drafts'
import { shapeKey, shapeSetupOf } from './shape/useShapeSetup'
import { useShop } from '~/stores/shop'

interface Searcher {
  search: (seq: number, entries: Entry[], rules: ShopRules, ask: RouteAsk, by: KnownBy, progress: (p: Progress) => void) => Promise<Searched>
  stop: (seq: number) => Promise<void>
}

let searcher: { remote: Remote<Searcher>, gone: Promise<never>, end: () => void } | undefined
let seq = 0

/** The worker that searches; one that broke is left behind, and the next search starts another. */
function worker() {
  if (searcher) return searcher
  const thread = new Worker(new URL('../workers/routes.worker.ts', import.meta.url), { type: 'module' })
  let end = () => {}
  const gone = new Promise<never>((_, reject) => {
    end = () => {
      searcher = undefined
      thread.terminate()
      reject(new Error('the search ended'))
    }
  })
  gone.catch(() => undefined)
  thread.addEventListener('error', end)
  searcher = { remote: wrap<Searcher>(thread), gone, end }
  return searcher
}

/** What is asked of the search on this build, and what it found: by the drawing's rings at once, by the solids behind it. */
export function useRoutes() {
  const build = useBuild()
  const shop = useShop()
  const drafts = useDrafts()
  const kept = useChoices().choice<string>('routeAsk', '{}')
  interface Kept { off?: Lever[], limits?: Partial<Record<keyof RouteLimits, unknown>> }
  const asked = computed<Kept>({ get: () => JSON.parse(kept.value) as Kept, set: now => kept.value = JSON.stringify(now) })

  const levers = computed(() => build.replayed ? leversOf(build.replayed) : [])
  const off = computed(() => asked.value.off ?? shop.rules.route.off)
  const isOn = (lever: Lever) => levers.value.some(l => l.lever === lever && !l.wants) && !off.value.includes(lever)
  const turn = (lever: Lever, on: boolean) => asked.value = { ...asked.value, off: switched(off.value, lever, on) }
  const start = computed(() => build.replayed && startingLimits(build.replayed, shop.rules))
  /** Limits as they stand: the start's, but for those that somebody set, or took away (null). */
  const limits = computed<RouteLimits | undefined>(() => start.value && Object.fromEntries(Object.entries({ ...start.value, ...asked.value.limits }).filter(([, v]) => v !== null)) as unknown as RouteLimits)
  const limit = (name: keyof RouteLimits, value: unknown) => asked.value = { ...asked.value, limits: { ...asked.value.limits, [name]: value } }
  /** The schools as they are set at Shape for the head that is looked at. */
  const shaping = computed<Shaping>(() => {
    const { margin, keepPads, into, pin, lift, needs } = shapeSetupOf(drafts.get(shapeKey(build.view?.id, build.state?.head ?? 1)))
    return { margin, keepPads, into, pin, lift, needs }
  })
  const ask = computed<RouteAsk | undefined>(() => limits.value && { levers: LEVERS.filter(isOn), limits: limits.value, ...(isOn('school') || limits.value.insideLine ? { shaping: shaping.value } : {}) })

  const answer = shallowRef<RouteAnswer>()
  const by = ref<KnownBy>()
  /** What the search that is under way goes by. */
  const under = ref<KnownBy>()
  const progress = ref(0)
  const working = ref(false)
  const broke = ref('')
  const drawn = computed(() => build.replayed !== undefined && ofKind(build.replayed.live.entries, 'chamberModel').length > 0)

  async function search() {
    const [what, entries] = [ask.value, build.entries]
    if (!what || !build.replayed) return
    const mine = ++seq
    working.value = true
    broke.value = ''
    for (const how of drawn.value ? ['rings', 'solid'] as const : ['rings'] as const) {
      [progress.value, under.value] = [0, how]
      const { remote, gone } = worker()
      try {
        const told = await Promise.race([remote.search(mine, JSON.parse(JSON.stringify(entries)) as Entry[], JSON.parse(JSON.stringify(shop.rules)) as ShopRules, JSON.parse(JSON.stringify(what)) as RouteAsk, how, proxy((p: Progress) => {
          if (mine === seq) progress.value = Math.min(1, p.done / p.all)
        })), gone])
        if (mine !== seq) return
        if (told.kind === 'answer') [answer.value, by.value] = [told.answer, how]
        if (told.kind === 'refused') [answer.value, broke.value] = [undefined, told.argument]
        if (told.kind !== 'answer' || told.answer.kind !== 'routes') break
      } catch (error) {
        if (mine !== seq) return
        console.error(`the search broke: ${String(error)}`)
        broke.value = 'search'
        break
      }
    }
    working.value = false
  }
  function stop() {
    void searcher?.remote.stop(++seq)
    working.value = false
  }
  // A ledger that is read anew, and says the same, is no reason to search again.
  let last = ''
  watchDebounced([() => build.entries, ask, () => shop.rules], (now) => {
    const text = JSON.stringify(now)
    if (text === last) return
    last = text
    void search()
  }, { debounce: 200, immediate: true })
  onBeforeUnmount(stop)
  return { levers, isOn, turn, limits, limit, answer, by, under, progress, working, broke, stop, search, drawn }
}
