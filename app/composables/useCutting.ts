import {
  DEFAULT_U, cutAtChamber, cutOf, cutsTogether, exact, fromSource, headCut, headCutOf, outcomesAt, outcomesOf, solidTarget, valveDrop, valveMargins,
  type Cut, type CylinderCut, type EntryOf, type FaceCutBody, type Figure, type HeadCut, type HeadSetup, type OperationEntry, type OperationKind, type Removed
} from '#core'
import { useCutSetup } from './useCutSetup'
import { useHeadSolids } from './useHeadSolids'
import { askSolids } from './useSolids'
import { notKept } from './useStatement'
import { useBuild } from '~/stores/build'
import type { Held, Look, Solved } from '~/workers/solidBench'

/** A figure that was pressed for, not typed. */
const figure = (value: number, unit = 'mm'): Figure => ({ value, unit, typed: '' })

/** The cut of one head: how it is laid, what the target asks for, what it would leave, what is planned and done. */
export function useCutting() {
  const build = useBuild()
  const head = computed(() => build.state?.head ?? 1)
  const of = <K extends OperationKind>(list: OperationEntry[] | undefined, kind: K) =>
    (list ?? []).filter((op): op is OperationEntry & EntryOf<K> => op.kind === kind && op.scope.level === 'head' && op.scope.head === head.value)
  const planned = computed(() => of(build.replayed?.planned, 'faceCut').at(-1))
  const plannedGasket = computed(() => of(build.replayed?.planned, 'gasketChange').at(-1))
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
      roll: plan.slopeX ? 'acrossCrank' as const : 'aboutCrank' as const, angle: Math.atan(slope) * 180 / Math.PI, depth: plan.depth.value, flat: plan.flat?.value ?? 0
    }
  })
  const free = computed(() => setup.value.free)
  const exactly = computed(() => solid.drawn.value && solid.ready.value)

  // What each cylinder asks of the free figure, by its solid.
  const solved = shallowRef<Solved[]>([])
  const solvedOf = ref('')
  const question = computed(() => {
    const { mode, roll, angle, depth, flat } = setup.value
    const wanted = planned.value ? 'depth' : free.value
    if (!exactly.value || wanted === 'none') return undefined
    const chambers = solid.solids.value.flatMap(({ cylinder, model, key, facts }) => {
      const state = build.replayed?.beforeCut.find(s => s.cylinder === cylinder)
      const target = state && solidTarget(build.replayed!, state, facts!.opening, mode === 'flat')
      return target === undefined || target <= 0 ? [] : [{ key, cylinder, x: model.x, target }]
    })
    const laid: HeadSetup = { roll, angle: mode === 'flat' ? 0 : angle, depth: mode === 'flat' || wanted === 'depth' ? 0 : depth, flat: mode === 'both' && wanted !== 'flat' ? flat : 0 }
    return { chambers, setup: laid, free: wanted }
  })
  const questionOf = computed(() => question.value ? JSON.stringify(question.value) : '')
  watch(questionOf, async (of) => {
    if (!question.value) return
    const answer = await askSolids('solve', 'solve', question.value)
    if (answer.kind !== 'done') return
    solved.value = answer.value
    solvedOf.value = of
  }, { immediate: true })
  const unreachable = computed(() => question.value ? solved.value.filter((s): s is Extract<Solved, { argument: string }> => 'argument' in s) : [])

  const byArea = computed(() => build.replayed && headCut(build.replayed, head.value))
  const needed = computed<HeadCut | undefined>(() => {
    if (!build.replayed) return undefined
    if (!solid.drawn.value) return byArea.value
    const found = solved.value.flatMap((s): CylinderCut[] => {
      if (!('value' in s)) return []
      // The doubt in depth is the gap's and the walls'; an angle is told without one.
      const by = free.value === 'angle' ? undefined : byArea.value?.cylinders.find(c => c.cylinder === s.cylinder)?.depth.by
      return [{ cylinder: s.cylinder, depth: by ? { value: s.value, by } : exact(s.value) }]
    })
    return headCutOf(build.replayed, head.value, found)
  })

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
  /** The plane as a chamber sees it, with what was cut before. */
  const planeAt = (cylinder: number): Cut | undefined => {
    const one = solid.solids.value.find(s => s.cylinder === cylinder)
    return one && cutsTogether([one.model.done, cutAtChamber(cutOf(laid.value), { x: one.model.x, y: 0 })])
  }

  const held = shallowRef<Held[]>([])
  const heldOf = ref('')
  const look = shallowRef<Look>()
  const holdOf = computed(() => exactly.value ? JSON.stringify([laid.value, solid.solids.value.map(s => s.key), build.cylinder]) : '')
  watch(holdOf, async (now) => {
    if (!now) return
    const mine = solid.solids.value.find(s => s.cylinder === build.cylinder)
    const all = solid.solids.value.map(({ key, cylinder, model }) => ({ key, cylinder, x: model.x }))
    const middle = mine?.model.spec.valves.find(v => v.valve === 'exhaust')?.x ?? 0
    // The selected chamber first, the others following.
    const [one, rest] = await Promise.all([
      mine && askSolids('look', 'look', { key: mine.key, cut: planeAt(build.cylinder)!, x: middle }),
      askSolids('hold', 'hold', { chambers: all, setup: laid.value })
    ])
    if (one?.kind === 'done') look.value = one.value
    if (rest.kind !== 'done') return
    held.value = rest.value
    heldOf.value = now
  }, { immediate: true })
  /** Whether what is told is of the chambers and the plane as they stand. */
  const settled = computed(() => !solid.drawn.value || (exactly.value && (!questionOf.value || solvedOf.value === questionOf.value) && heldOf.value === holdOf.value))

  const bites = (list: Held[]): Removed[] => solid.solids.value.flatMap(({ cylinder, model, facts }) => {
    const left = list.find(h => h.cylinder === cylinder)
    return facts && left ? [{ cylinder, x: model.x, cc: Math.max(0, facts.volume - left.volume), perMm: left.perMm, factor: facts.factor }] : []
  })
  const removed = computed(() => bites(held.value))
  const body = computed<FaceCutBody>(() => {
    const { slopeX, slopeY } = cutOf({ ...laid.value, depth: 0, flat: 0 })
    return {
      state: 'planned', depth: figure(depth.value), ...(slopeX ? { slopeX } : {}), ...(slopeY ? { slopeY } : {}),
      ...(laid.value.flat > 0 ? { flat: figure(laid.value.flat) } : {}), ...(exactly.value && removed.value.length ? { removed: removed.value } : {})
    }
  })
  const outcomes = computed(() => {
    if (!build.replayed) return []
    if (exactly.value) return removed.value.length ? outcomesOf(build.replayed, head.value, { ...body.value, state: 'done', measured: body.value.depth }) : []
    return solid.drawn.value ? [] : outcomesAt(build.replayed, head.value, fromSource(depth.value, DEFAULT_U.cutMeasured, 'this cut'))
  })
  const plane = computed<Cut>(() => {
    const one = solid.solids.value.find(s => s.cylinder === build.cylinder)
    return cutAtChamber(cutOf(laid.value), { x: one?.model.x ?? 0, y: 0 })
  })
  const valves = computed(() => build.replayed?.valves(build.cylinder, plane.value) ?? [])
  const margins = computed(() => solid.solids.value.map(({ cylinder, model }) => ({
    cylinder, seats: model.seats,
    valves: model.spec.valves.map(valve => ({ valve, ...valveMargins(valve, planeAt(cylinder)!), ...valveDrop(valve, model.done, planeAt(cylinder)!) }))
  })))

  const scope = computed(() => ({ level: 'head' as const, head: head.value }))
  /** Plans the cut as it lies; `typed` takes the place of the free depth, with what its models say at just that depth. */
  async function plan(typed?: Figure): Promise<string | undefined> {
    let entry: FaceCutBody = typed ? { ...body.value, depth: typed } : body.value
    if (exactly.value) {
      // Asked once more for just this plane: what stands on the screen may be a moment behind the hand.
      const answer = await askSolids('hold', 'plan', { chambers: solid.solids.value.map(({ key, cylinder, model }) => ({ key, cylinder, x: model.x })), setup: { ...laid.value, depth: entry.depth.value } })
      if (answer.kind !== 'done') return 'The chambers are not ready yet: try again in a moment.'
      entry = { ...entry, removed: bites(answer.value) }
    }
    const supersedes = planned.value?.id
    const said = notKept(await build.add('faceCut', scope.value, entry, supersedes ? { supersedes } : {}))
    if (!said) {
      tried.value = undefined
      lay.forget()
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
  async function gasket(state: 'planned' | 'done' | 'dropped', change?: { thickness: Figure, bore: Figure }): Promise<string | undefined> {
    const now = plannedGasket.value
    const figures = change ?? (now && { thickness: now.body.thickness, bore: now.body.bore })
    if (!figures) return undefined
    return notKept(await build.add('gasketChange', scope.value, { state, ...figures }, now ? { supersedes: now.id } : {}))
  }
  return {
    head, needed, planned, plannedGasket, cuts, tried, value, depth, laid, setup, lay, free, outcomes, valves, perMm, solid, exactly, settled, unreachable, look, margins,
    planeAt, plan, done, drop, gasket
  }
}
