import { DEFAULT_U, type EntryOf, type Figure } from '#core'
import { partAt, same, withReading, type Place } from './spotSet'
import { useFace } from './useFace'
import { notKept } from './useStatement'
import { useBuild } from '~/stores/build'

export type HeightPlace = Place & { label: string }

/** Heights of the head on the bench, at its corners and its middle: each is kept as it comes. */
export function useHeights() {
  const build = useBuild()
  const { head, half, bores, bore } = useFace()
  const scope = computed(() => ({ level: 'head' as const, head: head.value }))
  const standing = computed(() => build.replayed?.heights.find(h => h.head === head.value))
  const afresh = ref(false)
  watch(head, () => afresh.value = false)
  const latest = computed<EntryOf<'headHeights'> | undefined>(() => standing.value?.sets.at(-1)?.entry)
  /** A cut ends a set: what is read after it is the head as it is then. */
  const ended = computed(() => {
    const ledger = build.replayed?.ledger
    const entry = latest.value
    return ledger !== undefined && entry !== undefined && ledger.done.some(op => op.kind === 'faceCut' && op.scope.level === 'head' && op.scope.head === head.value
      && ledger.place.get(op.id)! > ledger.place.get(entry.id)!)
  })
  const entry = computed(() => ended.value || afresh.value ? undefined : latest.value)
  const places = computed<HeightPlace[]>(() => {
    const { x, y } = half.value
    const front = build.frontIsPlus ? x : -x
    const named: HeightPlace[] = [
      { x: front, y, label: 'Front, exhaust side' }, { x: -front, y, label: 'Back, exhaust side' }, { x: 0, y: 0, label: 'Middle' },
      { x: front, y: -y, label: 'Front, intake side' }, { x: -front, y: -y, label: 'Back, intake side' }
    ]
    // A set that was read over other places is shown where it was read.
    const other = (entry.value?.body.readings ?? []).filter(r => !named.some(p => same(p, r)))
    return other.length > 0 ? [...entry.value!.body.readings.map((r, i) => ({ x: r.x, y: r.y, label: `Place ${i + 1}` })), ...named.filter(p => !other.some(o => Math.hypot(p.x - o.x, p.y - o.y) < bore.value * 0.4))] : named
  })
  const part = (place: HeightPlace) => partAt(entry.value, place, DEFAULT_U.depth)
  async function keep(place: HeightPlace, figure: Figure, base: string | undefined): Promise<string | undefined> {
    const now = entry.value
    const readings = withReading(now, place, figure)
    const said = notKept(await build.add('headHeights', scope.value, { ...(now?.body ?? {}), readings }, base ? { supersedes: base, ...(now ? { at: now.at } : {}) } : {}))
    if (!said) afresh.value = false
    return said
  }
  const startAfresh = () => {
    afresh.value = true
  }
  return { head, scope, standing, entry, places, half, bores, bore, part, keep, startAfresh }
}
