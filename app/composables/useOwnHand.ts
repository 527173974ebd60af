import { useLocalStorage } from '@vueuse/core'
import { handReads, pourRepeatability, type HandReads, type PracticeReading, type ReadKind } from '#core'
import type { KeptPractice } from '#shared/dto'
import { useDevice } from '~/stores/device'
import { useShop } from '~/stores/shop'

/** A reading as the shop keeps it, as one that is judged. */
export const practised = ({ kind, truth, given, slip, at }: KeptPractice): PracticeReading =>
  ({ kind, at, off: given === null ? 0 : given - truth, ...slip ? { slip } : given === null ? { slip: 'bubble' } : {} })

/** What this hand's practice says of its pours. It is offered, and counts only where whoever pours took it. */
export function useOwnHand(kind: () => ReadKind | undefined) {
  const device = useDevice()
  const shop = useShop()
  const taken = useLocalStorage<Record<string, number>>('bowl.ownHand', {})
  const key = () => `${device.hand}/${kind()}`
  const reads = shallowRef<HandReads>()
  watch(() => [device.hand, kind()] as const, async ([hand, of]) => {
    reads.value = undefined
    if (hand === '' || of === undefined) return
    const all = await shop.read<KeptPractice[]>(`/api/practice?hand=${hand}`) ?? []
    if (hand === device.hand && of === kind()) reads.value = handReads(all.filter(one => one.kind === of).map(practised))
  }, { immediate: true })
  const offered = computed(() => reads.value && pourRepeatability(reads.value))
  /** cc that count for this hand's pours; nothing where it was not taken. */
  const counts = computed<number | undefined>(() => taken.value[key()])
  const take = () => taken.value = { ...taken.value, [key()]: Number(offered.value!.toFixed(3)) }
  const leave = () => taken.value = Object.fromEntries(Object.entries(taken.value).filter(([name]) => name !== key()))
  return { reads, offered, counts, take, leave }
}
