import type { ChamberModel } from '#core'
import { solidAsk } from './useDrawing'
import { askSolids } from './useSolids'
import { useBuild } from '~/stores/build'
import type { SolidFacts } from '~/workers/solidBench'

export interface HeadSolid { cylinder: number, model: ChamberModel, key: string, facts?: SolidFacts, fault?: string }

/** Made solids by name, for every station of the page: a chamber that has not changed is not made again. */
const made = shallowReactive(new Map<string, SolidFacts>())
const whole = new Set<string>()

/**
 * The chambers of a head as solids, with what is planned apart from face cuts: the selected cylinder's first, the others
 * following.
 */
export function useHeadSolids(head: () => number) {
  const build = useBuild()
  const asks = computed(() => build.cylinders.flatMap((cylinder) => {
    const model = build.replayed?.model(cylinder, 'beforeCut')
    const state = build.replayed?.beforeCut.find(s => s.cylinder === cylinder)
    if (!model || state?.head !== head()) return []
    const chamber = state.parts.chamber
    const known = chamber && (chamber.provenance === 'measured' || chamber.provenance === 'derived')
    return [{ cylinder, model, ask: solidAsk(model, known ? chamber.value.value : undefined) }]
  }))
  const faults = shallowReactive(new Map<string, string>())
  let round = 0
  watch(() => asks.value.map(a => a.ask.key).join(), async () => {
    const mine = ++round
    const order = [...asks.value].sort((a, b) => Number(b.cylinder === build.cylinder) - Number(a.cylinder === build.cylinder))
    // All from their rings first, which is as good as the solid to a ten-thousandth; then each as the solid itself.
    for (const [quick, { cylinder, ask }] of [true, false].flatMap(q => order.map(o => [q, o] as const))) {
      if (mine !== round) return
      if (faults.has(ask.key) || (quick ? made.has(ask.key) : whole.has(ask.key))) continue
      const answer = await askSolids('solid', `solid ${cylinder}`, { ...ask, quick })
      if (answer.kind === 'done') made.set(ask.key, answer.value)
      // A chamber with metal ground out has no rings to go by: it was made whole the first time.
      if (answer.kind === 'done' && (!quick || ask.spec.reliefs?.length)) whole.add(ask.key)
      else if (answer.kind === 'faults') faults.set(ask.key, answer.faults[0]?.path ?? 'outline')
      else if (answer.kind === 'refused') faults.set(ask.key, answer.argument)
    }
  }, { immediate: true })
  const solids = computed<HeadSolid[]>(() => asks.value.map(({ cylinder, model, ask }) =>
    ({ cylinder, model, key: ask.key, facts: made.get(ask.key), fault: faults.get(ask.key) })))
  const count = computed(() => build.cylinders.filter(c => build.asIs.find(s => s.cylinder === c)?.head === head()).length)
  return {
    solids,
    /** Whether every chamber of the head is drawn. */
    drawn: computed(() => solids.value.length > 0 && solids.value.length === count.value),
    ready: computed(() => solids.value.length > 0 && solids.value.every(s => s.facts)),
    faulty: computed(() => solids.value.find(s => s.fault))
  }
}
