import { groundBudget, modelOf, payBack as payBackOf, pouredVolume, reliefPrediction, squishAreaOver, untyped, type EntryOf, type Tried } from '#core'
import { watchDebounced } from '@vueuse/core'
import { nameOf, onHand, type DevelopedOf } from './useDeveloped'
import type { ShapeSetupOf } from './useShapeSetup'
import { askSolids } from '../useSolids'
import { notKept } from '../useStatement'
import { useBuild, type ToAdd } from '~/stores/build'
import { useChambers } from '~/stores/chambers'
import { solidAsk } from '~/workers/solidAsk'
import type { Developed } from '~/workers/solidBench'

const cc = (value: number) => untyped(value, 'cc', 3)

/** What the developed chamber comes to: ratio, the cut that pays it back, its copies on the other cylinders, and the plan. */
export function useShapePlan({ head, forgetting, bore, reliefs }: ShapeSetupOf, { lesson, share, developed, told, name, settled }: DevelopedOf) {
  const build = useBuild()
  const { tried, withSolids } = useChambers()
  withSolids()
  const here = computed(() => ({ cylinder: build.cylinder, head: head.value }))
  /** What is planned besides this chamber's own grinding and its head's cut: what the target is reckoned with. */
  const before = computed(() => (build.replayed?.planned ?? []).filter(op => !(op.kind === 'faceCut' && op.scope.level === 'head' && op.scope.head === head.value)
    && !(op.kind === 'relief' && op.scope.level === 'cylinder' && op.scope.cylinder === build.cylinder)))
  /** Standard uncertainty of what is added, cc. */
  const addedU = computed(() => told.value && reliefPrediction(Math.max(0, told.value.drawn), lesson.value).u)
  const squishThen = computed(() => developed.value && squishAreaOver(bore.value, developed.value.opening))
  /** The grinding as it would be planned on a cylinder. */
  const asPlanned = (cylinder: number, { drawn }: Pick<Developed, 'drawn'>): Tried & { kind: 'relief' } => {
    const { added, u } = reliefPrediction(Math.max(0, drawn), lesson.value)
    return { kind: 'relief', scope: { level: 'cylinder', cylinder }, body: { state: 'planned', added: cc(added), u: cc(u), drawn: cc(drawn), reliefs: reliefs.value } }
  }
  /** By the cc alone: what the chamber then looks like takes a solid, and the hand that draws doesn't wait for that. */
  const byVolume = (cylinder: number, metal: Pick<Developed, 'drawn'>): Tried => {
    const { body: { reliefs: _, ...body }, ...rest } = asPlanned(cylinder, metal)
    return { ...rest, body }
  }
  const stateThen = computed(() => told.value && build.ifDone([...before.value, byVolume(build.cylinder, told.value)])?.cylinders.find(c => c.cylinder === build.cylinder)?.state)
  /** This chamber's grinding once the hand rests: until then nothing is told that hangs on the opened chamber's solid. */
  const resting = shallowRef<{ of: string, grinding: Tried[] }>()
  const restOf = computed(() => settled.value && developed.value ? `${build.cylinder} ${developed.value.name}` : '')
  watchDebounced(restOf, (of) => {
    resting.value = of && developed.value ? { of, grinding: reliefs.value.length > 0 ? [asPlanned(build.cylinder, developed.value)] : [] } : undefined
  }, { debounce: 400, immediate: true })
  const payBack = computed(() => build.replayed && resting.value && resting.value.of === restOf.value
    ? payBackOf(build.replayed, here.value, [...before.value, ...resting.value.grinding], tried)
    : undefined)
  /** Whether the cut that pays it back is told of what is drawn, or there is none to tell. */
  const paid = computed(() => payBack.value?.waiting === false)
  /** The cc that may go before a seat stands in the way of the cut that pays it back. */
  const budget = computed(() => build.replayed && groundBudget(build.replayed, here.value, before.value, tried))

  // The developed chamber as master: what every other cylinder gains by the same metal.
  const copies = shallowRef<(Pick<Developed, 'drawn' | 'added' | 'volume'> & { cylinder: number, mirrored: boolean })[]>([])
  const copying = ref(false)
  watch([name, () => build.cylinder], () => copies.value = [])
  let halted = false
  const haltCopying = () => halted = true
  async function copy() {
    halted = false
    copying.value = true
    copies.value = []
    const of = name.value
    for (const cylinder of build.cylinders) {
      // Once something else is drawn, what is still to come is no copy of it.
      if (halted || name.value !== of) break
      const other = modelOf(build.replayed, cylinder, 'asIs')
      const chamber = build.asIs.find(s => s.cylinder === cylinder)
      if (!other || chamber?.head !== head.value) continue
      const asked = solidAsk(other, pouredVolume(chamber))
      const made = await askSolids('solid', `copy ${cylinder}`, asked)
      if (made.kind !== 'done') continue
      const answer = await askSolids('develop', `copy ${cylinder}`, { key: asked.key, name: nameOf(asked.key, reliefs.value), reliefs: onHand(reliefs.value, other.mirrored), share: share.value })
      if (answer.kind === 'done' && name.value === of) copies.value = [...copies.value, { cylinder, ...answer.value, mirrored: other.mirrored }]
    }
    copying.value = false
  }

  const planned = computed(() => (build.replayed?.planned ?? []).filter((op): op is EntryOf<'relief'> => op.kind === 'relief' && op.scope.level === 'cylinder' && build.asIs.find(s => s.cylinder === (op.scope as { cylinder: number }).cylinder)?.head === head.value))
  /** Plans the same metal on every cylinder that was reckoned, or on this one alone. */
  async function plan(note: string): Promise<string | undefined> {
    const list = copies.value.length > 0 ? copies.value : developed.value ? [{ cylinder: build.cylinder, ...developed.value }] : []
    // Its steps are the hand's work: they stay until they are planned.
    if (list.length === 0) return 'The chamber is not ready yet: try again in a moment.'
    const forget = forgetting()
    const said = notKept(await build.planAll('Chambers opened', [], list.map(({ cylinder, drawn }) => {
      const before = planned.value.find(op => op.scope.level === 'cylinder' && op.scope.cylinder === cylinder)
      const { kind, scope, body } = asPlanned(cylinder, { drawn })
      return { kind, scope, body, more: { note, ...(before ? { supersedes: before.id } : {}) } } as ToAdd
    })))
    if (!said) forget()
    return said
  }
  async function finish(to: 'done' | 'dropped', cylinder?: number, hours?: string): Promise<string | undefined> {
    const list = planned.value.filter(o => cylinder === undefined || (o.scope.level === 'cylinder' && o.scope.cylinder === cylinder))
    return notKept(await build.addAll(list.map(op => ({ kind: 'relief', scope: op.scope, body: { ...op.body, state: to }, more: { supersedes: op.id, ...(hours ? { note: `${hours} h` } : {}) } }))))
  }
  return { addedU, squishThen, stateThen, payBack, paid, budget, copies, copying, copy, haltCopying, planned, plan, finish }
}
