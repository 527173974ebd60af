<script setup lang="ts">
import type { ChamberSpec, HotSpot } from '#core'
import { digits, say } from '#shared/figures'
import { useDevice } from '~/stores/device'

/** Places to round, smooth or look at, and what to do there. */
const props = defineProps<{ spots: HotSpot[], spec: ChamberSpec }>()
const device = useDevice()
const mm = (value: number) => say(value, 'length', device.lengths)
const name = (i: number) => props.spec.valves[i]!.valve
const lines = computed(() => props.spots.map((spot): { where: string, what: string, stop?: boolean } => {
  switch (spot.kind) {
    case 'ledge': return { where: `Rim round the ${name(spot.valve)}`, what: `${mm(spot.height)} high, ${mm(spot.width)} wide, left by sinking it: blend it into the ceiling.` }
    case 'overhang': return { where: `Gasket, ${digits(spot.from, 0)}° to ${digits(spot.to, 0)}°`, what: `its ring stands ${mm(spot.depth)} inside the chamber: another gasket, nothing of it may be exposed.`, stop: true }
    case 'thinRim': return { where: `Rim at the gasket, ${digits(spot.from, 0)}° to ${digits(spot.to, 0)}°`, what: `only ${mm(spot.width)} between mouth and ring: round the edge, take no more there.` }
    case 'bridge': return { where: `Bridge between ${spot.valves.map(name).join(' and ')}`, what: `${mm(spot.width)} of metal: round it, never narrow it.` }
    case 'plugLip': return { where: 'Lip over the plug', what: `${mm(spot.height)} high: round it, it glows first.` }
  }
}))
</script>

<template>
  <ul class="spots">
    <li v-for="line in lines" :key="line.where"><strong :class="{ warn: line.stop }">{{ line.where }}</strong> <span class="small">{{ line.what }}</span></li>
    <li v-if="lines.length === 0" class="quiet">The drawing shows none. Look for sharp lips all the same.</li>
  </ul>
</template>

<style scoped>
.spots { display: grid; gap: 6px; align-content: start; }
</style>
