import { DEFAULT_U, fromSource, headCut, outcomesAt, type EntryOf, type Figure, type OperationEntry, type OperationKind } from '#core'
import { notKept } from './useStatement'
import { useBuild } from '~/stores/build'

/** The flat cut of one head: what the target asks for, what a depth would give, what is planned and done. */
export function useCutting() {
  const build = useBuild()
  const head = computed(() => build.state?.head ?? 1)
  const needed = computed(() => build.replayed && headCut(build.replayed, head.value))
  const of = <K extends OperationKind>(list: OperationEntry[] | undefined, kind: K) =>
    (list ?? []).filter((op): op is OperationEntry & EntryOf<K> => op.kind === kind && op.scope.level === 'head' && op.scope.head === head.value)
  const planned = computed(() => of(build.replayed?.planned, 'faceCut').at(-1))
  const plannedGasket = computed(() => of(build.replayed?.planned, 'gasketChange').at(-1))
  const cuts = computed(() => of(build.replayed?.done, 'faceCut'))

  /** The depth looked at: what is being typed, else the plan, else the most that passes nobody. */
  const tried = ref<number>()
  const depth = computed(() => tried.value ?? planned.value?.body.depth.value ?? Math.max(0, needed.value?.deepest?.depth.value ?? 0))
  const outcomes = computed(() => build.replayed && depth.value >= 0
    ? outcomesAt(build.replayed, head.value, fromSource(depth.value, DEFAULT_U.cutMeasured, 'this cut'))
    : [])
  const valves = computed(() => build.replayed?.valves(build.cylinder, { depth: depth.value, slopeX: 0, slopeY: 0 }) ?? [])
  const perMm = computed(() => build.replayed?.perMm.get(build.cylinder))

  const scope = computed(() => ({ level: 'head' as const, head: head.value }))
  async function plan(figure: Figure): Promise<string | undefined> {
    const supersedes = planned.value?.id
    const said = notKept(await build.add('faceCut', scope.value, { state: 'planned', depth: figure }, supersedes ? { supersedes } : {}))
    if (!said) tried.value = undefined
    return said
  }
  async function done(measured: Figure | undefined): Promise<string | undefined> {
    if (!planned.value) return 'Plan the cut first.'
    return notKept(await build.add('faceCut', scope.value,
      { state: 'done', depth: planned.value.body.depth, ...(measured ? { measured } : {}) }, { supersedes: planned.value.id }))
  }
  async function drop(): Promise<string | undefined> {
    if (!planned.value) return undefined
    return notKept(await build.add('faceCut', scope.value, { state: 'dropped', depth: planned.value.body.depth }, { supersedes: planned.value.id }))
  }
  async function gasket(state: 'planned' | 'done' | 'dropped', body?: { thickness: Figure, bore: Figure }): Promise<string | undefined> {
    const now = plannedGasket.value
    const figures = body ?? (now && { thickness: now.body.thickness, bore: now.body.bore })
    if (!figures) return undefined
    return notKept(await build.add('gasketChange', scope.value, { state, ...figures }, now ? { supersedes: now.id } : {}))
  }
  return { head, needed, planned, plannedGasket, cuts, tried, depth, outcomes, valves, perMm, plan, done, drop, gasket }
}
