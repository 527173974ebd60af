import { liftProfile, meanOverLift, mirroredReliefs, reliefLesson, reliefPrediction, sweepLifts, type Relief, type WallAt } from '#core'
import { watchDebounced } from '@vueuse/core'
import { v5 as uuidv5 } from 'uuid'
import type { ShapeSetupOf } from './useShapeSetup'
import { askSolids } from '../useSolids'
import { useBuild } from '~/stores/build'
import type { Developed, SolidFacts, ValveWalls } from '~/workers/solidBench'

const NAMES = 'a0a4e2f6-1f0f-5f58-8a56-0d4d6c0a7f11'
/** A chamber's solid with some metal gone is known by what it was and what went. */
export const nameOf = (key: string, reliefs: Relief[]) => uuidv5(key + JSON.stringify(reliefs), NAMES)
/** Steps are drawn on the master's hand; on a mirrored cylinder they are the other way round. */
export const onHand = (reliefs: Relief[], turned: boolean) => turned ? mirroredReliefs(reliefs) : reliefs

/** A hand that draws has come to rest, ms: only then is the solid made that the walls are looked at on. */
const RESTS = 250

/** The chamber as it is and as developed, made by the solids' worker: its volume, and its walls at the lift that is looked at and over all lifts. */
export function useDeveloped({ setup, spec, ask, reliefs, turned, valve, lift, mostLift, liftEntry, duration, limits, below }: ShapeSetupOf) {
  const build = useBuild()
  const facts = shallowRef<SolidFacts>()
  const fault = ref('')
  /** What the drawn metal comes to: by the ceiling's field while the hand draws, by the solid once it rests. */
  const told = shallowRef<Pick<Developed, 'drawn' | 'added' | 'volume'>>()
  watch(() => ask.value?.key, async () => {
    // Another chamber: nothing is told of it by the one before.
    told.value = undefined
    if (!ask.value) return
    const answer = await askSolids('solid', 'shape', ask.value)
    if (answer.kind === 'done') facts.value = answer.value
    fault.value = answer.kind === 'faults' ? answer.faults[0]!.kind : answer.kind === 'refused' ? answer.argument : ''
  }, { immediate: true })

  const name = computed(() => facts.value && (reliefs.value.length ? nameOf(facts.value.key, reliefs.value) : `${facts.value.key}/bare`))
  const lesson = computed(() => build.replayed && reliefLesson(build.replayed.settlements))
  /** How much of what is drawn comes out when it is ground here. */
  const share = computed(() => reliefPrediction(1, lesson.value).added)
  const developed = shallowRef<Developed & { name: string }>()
  const asked = () => [name.value, facts.value?.key, share.value] as const
  watch(asked, async ([, from]) => {
    if (!from || reliefs.value.length === 0) return
    const answer = await askSolids('metal', 'metal', { key: from, reliefs: onHand(reliefs.value, turned.value), share: share.value })
    if (answer.kind === 'done' && facts.value?.key === from && developed.value?.name !== name.value) told.value = answer.value
  })
  watchDebounced(asked, async ([as, from]) => {
    if (!as || !from) return
    const answer = await askSolids('develop', 'develop', { key: from, name: as, reliefs: onHand(reliefs.value, turned.value), share: share.value })
    if (answer.kind !== 'done') return
    developed.value = { ...answer.value, name: as }
    if (as === name.value) told.value = answer.value
  }, { debounce: () => reliefs.value.length > 0 ? RESTS : 0, immediate: true })

  const now = shallowRef<WallAt>()
  const then = shallowRef<WallAt>()
  const one = (answer: { kind: string, value?: ValveWalls[] }) => answer.kind === 'done' ? answer.value?.[0] : undefined
  watch(() => [facts.value?.key, developed.value?.name, valve.value, lift.value, setup.value.needs, JSON.stringify(limits.value), JSON.stringify(below.value)] as const, async ([from, as]) => {
    if (!from || !spec.value?.valves.length) return
    const valves = [{ open: valve.value, lifts: [lift.value] }]
    const common = { below: below.value, needs: setup.value.needs, valves, limits: limits.value }
    const [a, b] = await Promise.all([askSolids('walls', 'walls now', { key: from, ...common }), as ? askSolids('walls', 'walls then', { key: as, ...common }) : undefined])
    const [before, after] = [one(a), b && one(b)]
    if (before) now.value = 'walls' in before ? before.walls[0] : undefined
    if (after) then.value = 'walls' in after ? after.walls[0] : undefined
  }, { immediate: true })

  /** Lifts over which the walls are judged: fifteen, up to the highest. */
  const lifts = computed(() => sweepLifts(mostLift.value))
  const sweep = shallowRef<{ of: string, before: ValveWalls[], after: ValveWalls[] }>()
  const sweepOf = computed(() => JSON.stringify([facts.value?.key, developed.value?.name, setup.value.needs, limits.value, below.value, lifts.value]))
  watch(sweepOf, async (of) => {
    const [from, as] = [facts.value?.key, developed.value?.name]
    if (!from || !spec.value?.valves.length) return
    const common = { below: below.value, needs: setup.value.needs, limits: limits.value, valves: spec.value.valves.map((_, open) => ({ open, lifts: lifts.value })) }
    const [a, b] = await Promise.all([askSolids('walls', 'sweep now', { key: from, ...common }), as ? askSolids('walls', 'sweep then', { key: as, ...common }) : undefined])
    if (a.kind === 'done' && (!as || b?.kind === 'done')) sweep.value = { of, before: a.value, after: b?.kind === 'done' ? b.value : a.value }
  }, { immediate: true })
  const wallsOf = (list: ValveWalls[] | undefined, open: number) => {
    const found = list?.find(w => w.open === open)
    return found && 'walls' in found ? found.walls : []
  }
  /** Mean factor over the cam's lift table, or a simple curve from lift and duration. */
  const mean = (list: ValveWalls[] | undefined) => {
    const walls = wallsOf(list, valve.value)
    return walls.length === 0 ? undefined : meanOverLift(liftEntry.value?.body.rows ?? liftProfile(mostLift.value, duration.value, 61), walls)
  }
  const means = computed(() => ({ before: mean(sweep.value?.before), after: mean(sweep.value?.after) }))

  /** Whether what is told is of what is drawn: until then nothing may be taken or planned by it. */
  const settled = computed(() => facts.value?.key === ask.value?.key && developed.value?.name === name.value && sweep.value?.of === sweepOf.value)

  /** What some more metal would do, on top of a chamber the worker knows by `from`. */
  function tryMetal(job: string, from: string, list: Relief[]) {
    const metal = list.filter(r => r.radii.some(x => x > 0))
    const as = nameOf(from, metal)
    return askSolids('develop', job, { key: from, name: as, reliefs: onHand(metal, turned.value), share: share.value }).then(answer => ({ as, answer }))
  }
  return { facts, fault, name, lesson, share, developed, told, now, then, lifts, sweep, wallsOf, mean, means, settled, tryMetal }
}
export type DevelopedOf = ReturnType<typeof useDeveloped>
