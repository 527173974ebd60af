import { STARTING_SHAPING, highestLift, modelOf, pouredVolume, quantityOf, wallSetting, type Relief, type School, type Shaping } from '#core'
import { useBuild } from '~/stores/build'
import { useDrafts } from '~/stores/drafts'
import { useHistory } from '~/stores/history'
import { solidAsk } from '~/workers/solidAsk'

export interface Step { words: string, reliefs: Relief[] }
interface ShapeSetup extends Shaping { school: School, valve: number, steps: Step[] }

const BEGIN: ShapeSetup = { ...STARTING_SHAPING, school: 'match', valve: 0, steps: [] }

/** Where a head's setup is kept on this device. */
export const shapeKey = (build: string | undefined, head: number) => `${build}/shape/${head}`
export const shapeSetupOf = (text: string | undefined): ShapeSetup => text === undefined ? BEGIN : { ...BEGIN, ...JSON.parse(text) as Partial<ShapeSetup> }

/** What is looked at and by what limits, and the steps drawn so far: kept on this device until they are planned. */
export function useShapeSetup() {
  const build = useBuild()
  const drafts = useDrafts()
  const history = useHistory()
  const head = computed(() => build.state?.head ?? 1)
  const key = computed(() => shapeKey(build.view?.id, head.value))
  const setup = computed(() => shapeSetupOf(drafts.get(key.value)))
  const set = (change: Partial<ShapeSetup>) => drafts.set(key.value, JSON.stringify({ ...setup.value, ...change }))
  /** What was ground on paper is a step that can be taken back; how it is looked at is none. */
  const grind = (steps: Step[]) => history.draw(key.value, JSON.stringify({ ...setup.value, steps }))

  const model = computed(() => modelOf(build.replayed, build.cylinder, 'asIs'))
  const spec = computed(() => model.value?.spec)
  const setting = computed(() => wallSetting(build.replayed, build.cylinder, spec.value, setup.value))
  const bore = computed(() => setting.value.bore)
  const gasketBore = computed(() => setting.value.gasketBore)
  const line = computed(() => setting.value.line)
  const below = computed(() => setting.value.below)
  const limits = computed(() => setting.value.limits)
  const valve = computed(() => Math.min(setup.value.valve, (spec.value?.valves.length ?? 1) - 1))
  const kind = computed(() => spec.value?.valves[valve.value]?.valve ?? 'intake')
  const highest = computed(() => build.replayed && highestLift(build.replayed, build.cylinder, { valve: kind.value, diameter: spec.value?.valves[valve.value]?.diameter ?? 40 }))
  /** The cam's own table, where somebody measured it. */
  const liftEntry = computed(() => highest.value?.entry)
  const mostLift = computed(() => highest.value?.most ?? 10)
  const lift = computed(() => Math.min(setup.value.lift, mostLift.value))
  const duration = computed(() => quantityOf(build.replayed, `${kind.value}Duration`, build.cylinder)?.estimate.value ?? 240)
  const ask = computed(() => model.value && solidAsk(model.value, build.state && pouredVolume(build.state)))

  const reliefs = computed(() => setup.value.steps.flatMap(s => s.reliefs))
  const turned = computed(() => model.value?.mirrored ?? false)
  const addStep = (words: string, list: Relief[]) => {
    const worth = list.filter(r => r.radii.some(x => x > 0))
    if (worth.length > 0) grind([...setup.value.steps, { words, reliefs: worth }])
  }
  const undo = () => grind(setup.value.steps.slice(0, -1))
  /** Forgets this head's steps once they are planned: how it is looked at stays. */
  function forgetting() {
    const at = key.value
    return drafts.forgetting(at, text => JSON.stringify(shapeSetupOf(text).steps), () => drafts.set(at, JSON.stringify({ ...shapeSetupOf(drafts.get(at)), steps: [] })))
  }
  return { head, setup, set, forgetting, model, spec, bore, gasketBore, line, below, limits, valve, kind, liftEntry, mostLift, lift, duration, ask, reliefs, turned, addStep, undo }
}
export type ShapeSetupOf = ReturnType<typeof useShapeSetup>
