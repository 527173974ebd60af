import {
  angleOf, cutAtChamber, cutOf, cutsTogether, gasketFigures, gasketPlanned, headCut,
  untyped, type Cut, type EntryOf, type FaceCutBody, type Figure, type GasketFigures, type HeadSetup, type OperationEntry, type OperationKind, type Tried
} from '#core'
import { until } from '@vueuse/core'
import { useCutSetup } from './useCutSetup'
import { useHeadSolids } from './useHeadSolids'
import { useLastReady } from './useLastReady'
import { askSolids } from './useSolids'
import { notKept } from './useStatement'
import { useBuild } from '~/stores/build'
import { useChambers } from '~/stores/chambers'
import type { Look } from '~/workers/solidBench'

/** A figure that was pressed for, not typed. */
const figure = (value: number, unit = 'mm') => untyped(value, unit)

/** The cut of one head: how it is laid, what the target asks for, what it would leave, what is planned and done. */
export function useCutting() {
  const build = useBuild()
  const { chambers } = useChambers()
  const head = computed(() => build.state?.head ?? 1)
  const of = <K extends OperationKind>(list: OperationEntry[] | undefined, kind: K, on = head.value) =>
    (list ?? []).filter((op): op is OperationEntry & EntryOf<K> => op.kind === kind && op.scope.level === 'head' && op.scope.head === on)
  const planned = computed(() => of(build.replayed?.planned, 'faceCut').at(-1))
  const plannedGasket = computed(() => build.replayed && gasketPlanned(build.replayed, build.cylinder))
  const cuts = computed(() => of(build.replayed?.done, 'faceCut'))
  const perMm = computed(() => build.replayed?.perMm.get(build.cylinder))
  const solid = useHeadSolids(() => head.value)
  const lay = useCutSetup(() => head.value)
  /** A planned cut is looked at as it was planned; otherwise the set-up as it stands. */
  const setup = computed(() => {
    const plan = planned.value?.body
    if (!plan) return lay.setup.value
    const slope = plan.slopeX || plan.slopeY || 0
    return {
      ...lay.setup.value, mode: slope === 0 ? 'flat' as const : plan.flat ? 'both' as const : 'angled' as const, free: 'none' as const,
      roll: plan.slopeX ? 'acrossCrank' as const : 'aboutCrank' as const, angle: angleOf(slope), depth: plan.depth.value, flat: plan.flat?.value ?? 0
    }
  })
  const free = computed(() => setup.value.free)
  const exactly = computed(() => solid.drawn.value && solid.ready.value)
  /** Everything planned that comes before this head's cut. */
  const before = computed(() => (build.replayed?.planned ?? []).filter(op => op.id !== planned.value?.id))

  const { last: needed, ready: solved } = useLastReady(() => head.value, () => {
    const wanted = planned.value || free.value === 'none' ? 'depth' : free.value
    const { mode, roll, angle, depth, flat } = setup.value
    const laid: HeadSetup = { roll, angle: mode === 'flat' ? 0 : angle, depth: wanted === 'depth' ? 0 : depth, flat: mode === 'both' && wanted !== 'flat' ? flat : 0 }
    // Where every figure of the set-up is typed there is none to find: what a flat cut would take is told then.
    return build.replayed && headCut(build.replayed, head.value, before.value, chambers, free.value === 'none' && !planned.value ? {} : { setup: laid, free: wanted })
  }, cut => cut !== undefined && cut.head === head.value && cut.waiting.length === 0)
  const unreachable = computed(() => needed.value?.unreachable ?? [])

  /** The free figure looked at: what is being typed or dragged, else the most that passes nobody. */
  const tried = ref<number>()
  watch([head, free, () => setup.value.mode], () => tried.value = undefined)
  const value = computed(() => tried.value ?? (planned.value ? setup.value.depth : Math.max(free.value === 'angle' ? -30 : 0, needed.value?.deepest?.depth.value ?? 0)))
  const laid = computed<HeadSetup>(() => {
    const { mode, roll, angle, depth, flat } = setup.value
    const base: HeadSetup = { roll, angle: mode === 'flat' ? 0 : angle, depth, flat: mode === 'both' ? flat : 0 }
    return free.value === 'none' ? { ...base, depth: tried.value ?? base.depth } : { ...base, [free.value]: value.value }
  })
  const depth = computed(() => laid.value.depth)
  const scope = computed(() => ({ level: 'head' as const, head: head.value }))
  /** The cut as it would be entered, but for what it takes off each chamber. */
  const bodyOf = (setup: HeadSetup, depthOf: Figure): FaceCutBody => {
    const { slopeX, slopeY } = cutOf({ ...setup, depth: 0, flat: 0 })
    return { state: 'planned', depth: depthOf, ...(slopeX ? { slopeX } : {}), ...(slopeY ? { slopeY } : {}), ...(setup.flat > 0 ? { flat: figure(setup.flat) } : {}) }
  }
  const takes = computed(() => depth.value + laid.value.flat > 0 || laid.value.angle !== 0)
  const asTried = (body: FaceCutBody) => ({ kind: 'faceCut', scope: scope.value, body }) satisfies Tried
  const { now: outcomeNow, last: outcome, ready: held } = useLastReady(
    () => head.value,
    () => build.ifDone(takes.value ? [...before.value, planned.value && tried.value === undefined ? planned.value : asTried(bodyOf(laid.value, figure(depth.value)))] : before.value),
    after => after !== undefined && !after.cylinders.some(c => c.head === head.value && c.waiting)
  )
  const outcomes = computed(() => (outcome.value?.cylinders ?? []).filter(c => c.head === head.value))
  const moves = computed(() => outcome.value?.cylinders.find(c => c.cylinder === build.cylinder)?.moves)

  /** The plane as a chamber sees it, with what was cut before. */
  const planeAt = (cylinder: number): Cut | undefined => {
    const one = solid.solids.value.find(s => s.cylinder === cylinder)
    return one && cutsTogether([one.model.done, cutAtChamber(cutOf(laid.value), { x: one.model.x, y: 0 })])
  }
  const look = shallowRef<Look>()
  watch(() => exactly.value ? JSON.stringify([laid.value, solid.solids.value.find(s => s.cylinder === build.cylinder)?.key]) : '', async (now) => {
    const mine = solid.solids.value.find(s => s.cylinder === build.cylinder)
    if (!now || !mine) return
    const middle = mine.model.spec.valves.find(v => v.valve === 'exhaust')?.x ?? 0
    const one = await askSolids('look', 'look', { key: mine.key, cut: planeAt(build.cylinder)!, x: middle })
    if (one.kind === 'done') look.value = one.value
  }, { immediate: true })
  /** Whether what is told is of the chambers and the plane as they stand. */
  const settled = computed(() => !solid.drawn.value || (exactly.value && solved.value && held.value))

  // Seats and clearances hang on the plane alone: no solid is waited for.
  const here = computed(() => (outcomeNow.value?.cylinders ?? []).filter(c => c.head === head.value))
  const valves = computed(() => here.value.find(c => c.cylinder === build.cylinder)?.valves ?? [])
  const margins = computed(() => here.value.flatMap(({ cylinder, room }) => room ? [{ cylinder, ...room }] : []))

  /** Plans the cut as it lies; `typed` takes the place of the free depth. What it takes off each chamber is its promise; why it was planned past a limit stays with it. */
  async function plan(typed?: Figure, note?: string): Promise<string | undefined> {
    // Another head may be turned to while the chambers are being asked: the cut stays this one's.
    const [mine, looked, forget] = [asTried(bodyOf(laid.value, typed ?? figure(depth.value))), tried.value, lay.forgetting()]
    const { head: on } = mine.scope
    const plannedOn = () => of(build.replayed?.planned, 'faceCut', on).at(-1)
    const promised = computed(() => build.ifDone([...(build.replayed?.planned ?? []).filter(op => op.id !== plannedOn()?.id), mine]))
    const ready = computed(() => promised.value?.cylinders.some(c => c.head === on && c.waiting) === false)
    if (!await until(ready).toBe(true, { timeout: 60_000 })) return 'The chambers are not ready yet: try again in a moment.'
    const entry = promised.value!.operations.at(-1)!
    const supersedes = plannedOn()?.id
    const said = notKept(await build.add('faceCut', mine.scope, entry.body as FaceCutBody, { ...(supersedes ? { supersedes } : {}), ...(note ? { note } : {}) }))
    if (!said) {
      if (tried.value === looked) tried.value = undefined
      forget()
    }
    return said
  }
  async function done(measured: Figure | undefined): Promise<string | undefined> {
    if (!planned.value) return 'Plan the cut first.'
    return notKept(await build.add('faceCut', scope.value, { ...planned.value.body, state: 'done', ...(measured ? { measured } : {}) }, { supersedes: planned.value.id }))
  }
  async function drop(): Promise<string | undefined> {
    if (!planned.value) return undefined
    return notKept(await build.add('faceCut', scope.value, { ...planned.value.body, state: 'dropped' }, { supersedes: planned.value.id }))
  }
  async function gasket(state: 'planned' | 'done' | 'dropped', change?: GasketFigures): Promise<string | undefined> {
    const now = plannedGasket.value
    const of = change ?? now?.body
    if (!of) return undefined
    return notKept(await build.add('gasketChange', scope.value, { state, ...gasketFigures(of) }, now ? { supersedes: now.id } : {}))
  }
  return {
    head, needed, planned, plannedGasket, cuts, tried, value, depth, laid, setup, lay, free, outcomes, moves, valves, perMm, solid, exactly, settled, unreachable, look, here, margins,
    planeAt, plan, done, drop, gasket
  }
}
