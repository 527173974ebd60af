import { useNow } from '@vueuse/core'
import { mouldsIn } from '#core'
import { digits } from '#shared/figures'
import { useBuild } from '~/stores/build'

/** Time that moulds still have to cure, by the clock of this device: it is asked, never counted, so that sleep costs nothing. */
export function useMoulds() {
  const build = useBuild()
  const now = useNow({ interval: 1000 })
  const isDue = (due: number) => now.value.getTime() >= due
  /** “15 h 48 min”; within the last hour “12 min”, within the last minute “less than a minute”. */
  function sayLeft(due: number): string {
    const minutes = Math.ceil((due - now.value.getTime()) / 60_000)
    if (minutes <= 1) return 'under 1 min'
    return minutes < 60 ? `${minutes} min` : `${digits(Math.floor(minutes / 60), 0)} h ${minutes % 60} min`
  }
  /** Cured moulds that are still in their ports. */
  const moulds = computed(() => build.replayed ? mouldsIn(build.replayed) : [])
  const due = computed(() => moulds.value.filter(m => isDue(m.due)))
  return { isDue, sayLeft, due }
}
