import { AS_CAST, mouthOf, specFaults, modelOf, type Bodies, type ChamberSpec, type SpecFault } from '#core'
import { notKept } from './useStatement'
import { askSolids } from './useSolids'
import { useBuild } from '~/stores/build'
import { useDrafts } from '~/stores/drafts'
import { useHistory } from '~/stores/history'
import { solidAsk } from '~/workers/solidAsk'
import type { SolidFacts } from '~/workers/solidBench'

/** A chamber's drawing on this device: what is kept, what is being drawn, its faults, and its solid as soon as it is made. */
export function useDrawing() {
  const build = useBuild()
  const drafts = useDrafts()
  const history = useHistory()
  const head = computed(() => build.state?.head ?? 1)
  const key = computed(() => `${build.view?.id}/chamber/${head.value}`)
  const kept = computed(() => [...build.replayed?.live.entries ?? []].reverse()
    .find(e => e.kind === 'chamberModel' && e.scope.level === 'head' && e.scope.head === head.value))
  const draft = computed<Bodies['chamberModel'] | undefined>(() => {
    const text = drafts.get(key.value)
    return text === undefined ? undefined : JSON.parse(text) as Bodies['chamberModel']
  })
  const drawn = computed(() => draft.value ?? (kept.value?.kind === 'chamberModel' ? kept.value.body : undefined))
  const model = computed(() => drawn.value && modelOf(build.replayed, build.cylinder, 'asIs', drawn.value))
  /** The same on the master's hand, so that a fault's point is the point that is dragged. */
  const plain = computed(() => drawn.value && modelOf(build.replayed, build.cylinder, 'asIs', { ...drawn.value, mirrored: [] })?.spec)
  const faults = computed<SpecFault[]>(() => plain.value ? specFaults(plain.value, mouthOf) : [])
  const poured = computed(() => {
    const chamber = build.state?.parts.chamber
    return chamber && (chamber.provenance === 'measured' || chamber.provenance === 'derived') ? chamber.estimate.value : undefined
  })

  const facts = shallowRef<SolidFacts>()
  const late = ref<SpecFault[]>([])
  const working = ref(false)
  /** cc as the drawing is dragged, while its solid is not made yet. */
  const live = ref<number>()
  /** The mouth the last solid was made on: rings of another mouth can't follow a drag. */
  let planned = ''
  const planName = ({ outline, pads }: ChamberSpec) => JSON.stringify([outline, pads])
  let rest: ReturnType<typeof setTimeout> | undefined
  /** A drag is answered by the lifted rings at once; the solid is made when the hand rests. What it told stays until then. */
  watch([model, poured, faults], ([now, measured, bad]) => {
    clearTimeout(rest)
    if (!now || bad.length > 0) return
    working.value = true
    const { key: name } = facts.value ?? {}
    if (name && planned === planName(now.spec)) {
      void askSolids('drag', 'drag', { key: name, spec: now.spec, cut: now.done }).then((answer) => {
        if (answer.kind === 'done' && working.value) live.value = answer.value.volume
      })
    }
    rest = setTimeout(async () => {
      const answer = await askSolids('solid', 'drawing', solidAsk(now, measured))
      if (answer.kind === 'stale') return
      working.value = false
      live.value = undefined
      if (answer.kind === 'done') {
        facts.value = answer.value
        planned = planName(now.spec)
      }
      late.value = answer.kind === 'faults' ? answer.faults : []
    }, facts.value ? 250 : 0)
  }, { immediate: true })
  onBeforeUnmount(() => clearTimeout(rest))

  function draw(spec: ChamberSpec) {
    put({ spec })
  }
  /** Changes what is being drawn; the rest of it stays as it is. */
  const put = (change: Partial<Bodies['chamberModel']>) => history.draw(key.value, JSON.stringify({ ...drawn.value ?? { mirrored: [] }, ...change }))
  /** Whether anything was cut off this head: then a drawing says which face it shows. */
  const wasCut = computed(() => (build.replayed?.done ?? []).some(op => op.kind === 'faceCut' && op.scope.level === 'head' && op.scope.head === head.value))
  const face = (to: 'cast' | 'now') => put({ face: to === 'cast' ? AS_CAST : new Date().toISOString() })
  /** A new drawing, of the face as it lies there. */
  const setOut = (spec: ChamberSpec) => put({ spec, ...(wasCut.value ? { face: new Date().toISOString() } : {}) })
  function turn(cylinder: number) {
    if (!drawn.value) return
    const { mirrored } = drawn.value
    put({ mirrored: mirrored.includes(cylinder) ? mirrored.filter(c => c !== cylinder) : [...mirrored, cylinder].sort((a, b) => a - b) })
  }
  async function keep(): Promise<string> {
    if (!draft.value) return ''
    const before = kept.value?.id
    return drafts.sent([key.value], async () => notKept(await build.add('chamberModel', { level: 'head', head: head.value }, draft.value!, before ? { supersedes: before } : {})))
  }
  return {
    head, kept, draft, drawn, model, plain, faults: computed(() => [...faults.value, ...late.value]), poured, facts, live, working,
    draw, turn, setOut, face, wasCut, keep, back: () => drafts.clear(key.value)
  }
}
