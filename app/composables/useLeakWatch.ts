import { useIntervalFn } from '@vueuse/core'
import { leakWatch, leakWatchTime, type PourEntry } from '#core'
import { useBuild } from '~/stores/build'
import { useDrafts } from '~/stores/drafts'
import { notKept } from './useStatement'

/** The wait after a pour, and the second reading. It goes on through a reload: what is kept is when it began. */
export function useLeakWatch(last: () => PourEntry | undefined) {
  const build = useBuild()
  const drafts = useDrafts()
  const key = computed(() => `${build.view?.id}/watch/${last()?.id}`)
  const begunAt = computed(() => Number(drafts.get(key.value) ?? 0))
  const now = ref(Date.now())
  useIntervalFn(() => now.value = Date.now(), 500)

  const wanted = computed(() => last() ? Math.ceil(leakWatchTime(last()!.body.instrument)) : 0)
  const gone = computed(() => begunAt.value ? Math.max(0, Math.round((now.value - begunAt.value) / 1000)) : 0)
  const left = computed(() => Math.max(0, wanted.value - gone.value))
  const running = computed(() => begunAt.value > 0)

  const begin = () => {
    now.value = Date.now()
    drafts.set(key.value, String(Date.now()))
  }
  const end = () => drafts.clear(key.value)

  /** Puts the second reading to the pour: it takes the pour's place, watch and all. */
  async function keep(reading: number): Promise<string | undefined> {
    const pour = last()
    if (!pour) return 'Pour first.'
    const { capacity } = pour.body.instrument
    if (reading < 0 || reading > capacity) return `${reading} is off the scale: it runs from 0 to ${capacity}.`
    const seconds = Math.max(1, gone.value)
    const { lost } = leakWatch(pour.body.fills.at(-1)!.end, reading, seconds, pour.body.instrument)
    if (lost < -2 * pour.body.instrument.resolution) return 'It stands fuller than before: look at the scale again.'
    const said = notKept(await build.add('pour', pour.scope, { ...pour.body, watch: { seconds, reading } }, { supersedes: pour.id, at: pour.at }))
    if (!said) end()
    return said
  }
  return { wanted, gone, left, running, begin, end, keep }
}
