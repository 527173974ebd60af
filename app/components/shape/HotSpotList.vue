<script setup lang="ts">
import { nthOfKind, ridgesOf, untyped, type ChamberSpec, type HotSpot, type Ridge, type Scope } from '#core'
import { digits, say } from '#shared/figures'
import { notKept } from '~/composables/useStatement'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { sayDrawnValve } from '~/words/ports'

/** Places to round, smooth or look at, and what to do there; ridges as they were measured. */
const props = defineProps<{ spots: HotSpot[], spec: ChamberSpec, valve: number }>()
const build = useBuild()
const device = useDevice()
const mm = (value: number) => say(value, 'length', device.lengths)
const name = (i: number) => sayDrawnValve(props.spec.valves, i)
const lines = computed(() => props.spots.map((spot): { where: string, what: string, stop?: boolean } => {
  switch (spot.kind) {
    case 'ledge': return { where: `Rim round the ${name(spot.valve)}`, what: `${mm(spot.height)} high, ${mm(spot.width)} wide, left by sinking it: blend it into the ceiling.` }
    case 'overhang': return { where: `Gasket, ${digits(spot.from, 0)}° to ${digits(spot.to, 0)}°`, what: `its ring stands ${mm(spot.depth)} inside the chamber: another gasket, nothing of it may be exposed.`, stop: true }
    case 'thinRim': return { where: `Rim at the gasket, ${digits(spot.from, 0)}° to ${digits(spot.to, 0)}°`, what: `only ${mm(spot.width)} between mouth and ring: round the edge, take no more there.` }
    case 'bridge': return { where: `Bridge between ${spot.valves.map(name).join(' and ')}`, what: spot.width > 0 ? `${mm(spot.width)} of metal: round it, never narrow it.` : `drawn ${mm(-spot.width)} into each other: measure where these valves stand and how large they are.` }
    case 'plugLip': return { where: 'Lip over the plug', what: `${mm(spot.height)} high: round it, it glows first.` }
  }
}))
const ridges = computed(() => build.replayed ? ridgesOf(build.replayed, build.cylinder) : [])
/** A ridge is stated at the valve that is looked at. */
const at = computed<Scope>(() => {
  const { valve } = props.spec.valves[props.valve]!
  return { level: 'valve', cylinder: build.cylinder, valve, ...(props.spec.valves.filter(v => v.valve === valve).length > 1 ? { n: nthOfKind(props.spec.valves, props.valve) } : {}) }
})
const sentence = ref('')
async function blend({ entry, volume }: Ridge) {
  const added = untyped(volume, 'cc', 3)
  sentence.value = notKept(await build.add('relief', { level: 'cylinder', cylinder: build.cylinder }, { state: 'planned', added }, { note: `ridge round the ${entry.scope.level === 'valve' ? entry.scope.valve : ''} blended` })) ?? ''
}
</script>

<template>
  <div class="list">
    <ul class="spots">
      <li v-for="line in lines" :key="line.where"><strong :class="{ warn: line.stop }">{{ line.where }}</strong> <span class="small">{{ line.what }}</span></li>
      <li v-for="r in ridges" :key="r.entry.id" data-ridge>
        <strong>Ridge round the {{ r.entry.scope.level === 'valve' ? r.entry.scope.valve : '' }}</strong>
        <span class="small">{{ mm(r.entry.body.height.value) }} high over {{ digits(r.entry.body.arc.value, 0) }}°, measured: blending it gives <strong class="num">{{ say(r.volume, 'volume', 'mm', 2) }}</strong>.</span>
        <v-btn @click="blend(r)">Plan the blending</v-btn>
      </li>
      <li v-if="lines.length === 0 && ridges.length === 0" class="quiet">The drawing shows none. Look for sharp lips all the same.</li>
    </ul>
    <p v-if="sentence" class="sentence">{{ sentence }}</p>
    <BenchFold title="A ridge that a cutter left"><KindForm :key="JSON.stringify(at)" kind="ridge" :scope="at" keep-label="Keep the ridge" /></BenchFold>
  </div>
</template>

<style scoped>
.list { display: grid; gap: 8px; align-content: start; overflow: auto; }
.spots li .v-btn { margin-left: 8px; }
.spots { display: grid; gap: 6px; align-content: start; }
</style>
