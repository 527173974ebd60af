import { chamberModel, pouredVolume, type ChamberModel } from '#core'
import { solidAsk } from '~/workers/solidAsk'
import { useBuild } from '~/stores/build'
import { useChambers } from '~/stores/chambers'
import type { SolidFacts } from '~/workers/solidBench'

export interface HeadSolid { cylinder: number, model: ChamberModel, key: string, facts?: SolidFacts, fault?: string }

/** The chambers of a head as solids, with what is planned apart from face cuts: the selected cylinder's is asked for first. */
export function useHeadSolids(head: () => number) {
  const build = useBuild()
  const { chambers, made, faults, withSolids } = useChambers()
  withSolids()
  const asks = computed(() => build.cylinders.flatMap((cylinder) => {
    const r = build.replayed
    const state = r?.beforeCut.find(s => s.cylinder === cylinder)
    if (!r || !state || state.head !== head()) return []
    const model = chamberModel(r.ledger, cylinder, r.planned.filter(op => op.kind !== 'faceCut'))
    return model ? [{ cylinder, model, poured: pouredVolume(state) }] : []
  }))
  watchEffect(() => {
    for (const { model, poured } of [...asks.value].sort((a, b) => Number(b.cylinder === build.cylinder) - Number(a.cylinder === build.cylinder))) chambers.shape(model, poured)
  })
  const solids = computed<HeadSolid[]>(() => asks.value.map(({ cylinder, model, poured }) => {
    const { key } = solidAsk(model, poured)
    return { cylinder, model, key, facts: made.get(key), fault: faults.get(key) }
  }))
  const count = computed(() => build.asIs.filter(s => s.head === head()).length)
  return {
    solids,
    /** Whether every chamber of the head is drawn. */
    drawn: computed(() => solids.value.length > 0 && solids.value.length === count.value),
    ready: computed(() => solids.value.length > 0 && solids.value.every(s => s.facts)),
    faulty: computed(() => solids.value.find(s => s.fault))
  }
}
