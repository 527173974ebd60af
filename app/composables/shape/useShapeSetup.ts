import { liftTable, modelOf, pouredVolume, quantityOf, scribedLine, type Below, type EntryOf, type Quantity, type Relief, type School, type WallLimits } from '#core'
import { useBuild } from '~/stores/build'
import { useDrafts } from '~/stores/drafts'
import { useHistory } from '~/stores/history'
import { solidAsk } from '~/workers/solidAsk'

export interface Step { words: string, reliefs: Relief[] }
interface ShapeSetup { school: School, margin: number, keepPads: boolean, into: number, pin: number, valve: number, lift: number, needs: 'seat' | 'cylinder', steps: Step[] }

const BEGIN: ShapeSetup = { school: 'match', margin: 0.5, keepPads: true, into: 0, pin: 4, valve: 0, lift: 6, needs: 'seat', steps: [] }

/** What is looked at and by what limits, and the steps drawn so far: kept on this device until they are planned. */
export function useShapeSetup() {
  const build = useBuild()
  const drafts = useDrafts()
  const history = useHistory()
  const head = computed(() => build.state?.head ?? 1)
  const key = computed(() => `${build.view?.id}/shape/${head.value}`)
  const setup = computed<ShapeSetup>(() => {
    const text = drafts.get(key.value)
    return text === undefined ? BEGIN : { ...BEGIN, ...JSON.parse(text) as Partial<ShapeSetup> }
  })
  const set = (change: Partial<ShapeSetup>) => drafts.set(key.value, JSON.stringify({ ...setup.value, ...change }))
  /** What was ground on paper is a step that can be taken back; how it is looked at is none. */
  const grind = (steps: Step[]) => history.draw(key.value, JSON.stringify({ ...setup.value, steps }))

  const model = computed(() => modelOf(build.replayed, build.cylinder, 'asIs'))
  const spec = computed(() => model.value?.spec)
  const known = (name: Quantity) => quantityOf(build.replayed, name, build.cylinder)?.estimate.value
  const bore = computed(() => known('bore') ?? 90)
  const gasketBore = computed(() => known('gasketBore') ?? bore.value * 1.02)
  const line = computed(() => scribedLine(gasketBore.value, bore.value, setup.value.margin))
  const below = computed<Below>(() => ({ bore: bore.value, gasketBore: gasketBore.value, gasketThickness: known('gasketThickness') ?? 1.2 }))
  const limits = computed<WallLimits>(() => ({ line: line.value, pads: setup.value.keepPads ? spec.value?.pads ?? [] : [], fromSeat: 5, ...(setup.value.into > 0 ? { into: setup.value.into } : {}) }))
  const valve = computed(() => Math.min(setup.value.valve, (spec.value?.valves.length ?? 1) - 1))
  const kind = computed(() => spec.value?.valves[valve.value]?.valve ?? 'intake')
  /** The cam's own table, where somebody measured it. */
  const liftEntry = computed(() => [...build.replayed?.live.entries ?? []].reverse().find((e): e is EntryOf<'liftTable'> => e.kind === 'liftTable' && e.body.valve === kind.value))
  const mostLift = computed(() => (liftEntry.value && liftTable(liftEntry.value.body.rows).most) ?? known(`${kind.value}Lift`) ?? Math.round((spec.value?.valves[valve.value]?.diameter ?? 40) * 2.4) / 10)
  const lift = computed(() => Math.min(setup.value.lift, mostLift.value))
  const duration = computed(() => known(`${kind.value}Duration`) ?? 240)
  const ask = computed(() => model.value && solidAsk(model.value, build.state && pouredVolume(build.state)))

  const reliefs = computed(() => setup.value.steps.flatMap(s => s.reliefs))
  const turned = computed(() => model.value?.mirrored ?? false)
  const addStep = (words: string, list: Relief[]) => {
    const worth = list.filter(r => r.radii.some(x => x > 0))
    if (worth.length > 0) grind([...setup.value.steps, { words, reliefs: worth }])
  }
  const undo = () => grind(setup.value.steps.slice(0, -1))
  return { head, setup, set, model, spec, bore, gasketBore, line, below, limits, valve, kind, liftEntry, mostLift, lift, duration, ask, reliefs, turned, addStep, undo }
}
export type ShapeSetupOf = ReturnType<typeof useShapeSetup>
