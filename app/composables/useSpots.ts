import { DEFAULT_U, FIGURE_BOUNDS, isNewPiston, ofKind, quantityOf, type EntryOf, type Figure, type OperationEntry, type OperationKind, type SpotReading } from '#core'
import { figureFault } from '#shared/dto'
import { partAt, withReading, type Place } from './spotSet'
import { notKept } from './useStatement'
import { useBuild } from '~/stores/build'
import { useDrafts } from '~/stores/drafts'

/** Work that ends a set of readings: what is read after it belongs to a new one. Of work on crowns only another piston does. */
const ENDED_BY = { solder: ['gasketChange', 'deckCut', 'faceCut', 'spacer', 'crownWork'], deckReadings: ['deckCut', 'spacer', 'crownWork'] } as const satisfies Record<string, readonly OperationKind[]>
const ends = (op: OperationEntry, kind: keyof typeof ENDED_BY) => (ENDED_BY[kind] as readonly OperationKind[]).includes(op.kind) && (op.kind !== 'crownWork' || isNewPiston(op.body))

/** Readings that lie at places on the crown of the cylinder on the bench: each one is kept as it comes. */
export function useSpots(kind: 'solder' | 'deckReadings') {
  const build = useBuild()
  const drafts = useDrafts()
  const bore = computed(() => quantityOf(build.replayed, 'bore', build.cylinder)?.estimate.value ?? 90)
  const order = computed(() => new Map((build.replayed?.live.entries ?? []).map((e, i) => [e.id, i])))
  const latest = computed<EntryOf<typeof kind> | undefined>(() => ofKind(build.replayed?.live.entries ?? [], kind)
    .filter(e => e.scope.level === 'cylinder' && e.scope.cylinder === build.cylinder).at(-1))
  const ended = computed(() => latest.value && build.replayed!.done.some(op =>
    ends(op, kind) && order.value.get(op.id)! > order.value.get(latest.value!.id)!))
  const afresh = ref(false)
  watch(() => build.cylinder, () => afresh.value = false)
  /** The set that a new reading joins. */
  const entry = computed(() => ended.value || afresh.value ? undefined : latest.value)
  const readings = computed(() => entry.value?.body.readings ?? [])

  /** Six places round the crown, two of them over the pin; and wherever else something was read. */
  const places = computed<Place[]>(() => {
    const r = Math.round(bore.value * 0.42)
    const [half, high] = [Math.round(r / 2), Math.round(r * 0.87)]
    const round: Place[] = [{ x: r, y: 0 }, { x: half, y: high }, { x: -half, y: high }, { x: -r, y: 0 }, { x: -half, y: -high }, { x: half, y: -high }]
    const read = readings.value.map(({ x, y }) => ({ x, y }))
    // What was read elsewhere stands where it was read; it takes the nearest free place's turn.
    const free = round.filter(p => !read.some(q => Math.hypot(p.x - q.x, p.y - q.y) < r * 0.62))
    return [...read, ...free].sort((a, b) => turn(a) - turn(b))
  })
  const turn = ({ x, y }: Place) => (Math.atan2(y, x) + 2 * Math.PI) % (2 * Math.PI)

  const u = kind === 'solder' ? DEFAULT_U.solder : DEFAULT_U.depth
  const part = (place: Place) => partAt(entry.value, place, u)
  async function keep(place: Place, figure: Figure, base: string | undefined): Promise<string | undefined> {
    return add(withReading(entry.value, place, figure), strand.value, base)
  }
  async function add(list: SpotReading[], thick: Figure | undefined, base: string | undefined) {
    const body = { readings: list, ...(kind === 'solder' && thick ? { strand: thick } : {}) }
    const said = notKept(await build.add(kind, { level: 'cylinder', cylinder: build.cylinder }, body, base ? { supersedes: base } : {}))
    if (!said) afresh.value = false
    return said
  }

  // How thick the solder was before: of this set, or what the next one will be laid with.
  const strandKey = computed(() => `${build.view?.id}/strand/figure`)
  const strand = computed<Figure | undefined>(() => {
    if (entry.value && 'strand' in entry.value.body && entry.value.body.strand) return entry.value.body.strand
    const text = drafts.get(strandKey.value)
    return text === undefined ? undefined : JSON.parse(text) as Figure
  })
  async function keepStrand(thick: Figure): Promise<string | undefined> {
    const fault = figureFault(thick, { ...FIGURE_BOUNDS.solder, noun: 'the strand' })
    if (fault) return fault
    const said = entry.value ? await add(readings.value, thick, entry.value.id) : undefined
    if (!said) drafts.set(strandKey.value, JSON.stringify(thick))
    return said
  }
  const startAfresh = () => {
    afresh.value = true
  }
  return { bore, entry, readings, places, part, keep, startAfresh, ended, strand, keepStrand }
}
