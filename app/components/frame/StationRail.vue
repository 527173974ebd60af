<script setup lang="ts">
import { mdiBookOpenVariantOutline, mdiFileTableBoxOutline, mdiArrowCollapseVertical, mdiChartBellCurve, mdiLayersMinus, mdiMapMarkerPath, mdiPipe, mdiPrinterOutline, mdiTestTube, mdiVectorCurve } from '@mdi/js'
import { useMoulds } from '~/composables/useMoulds'
import { useChoices } from '~/stores/choices'
import { STATIONS, type StationName } from '~/words/stations'

defineProps<{ build: string }>()
const ICONS: Record<StationName, string> = {
  sheet: mdiFileTableBoxOutline, pour: mdiTestTube, shape: mdiVectorCurve, ports: mdiPipe, cut: mdiLayersMinus, mockup: mdiArrowCollapseVertical, route: mdiMapMarkerPath, flow: mdiChartBellCurve, daybook: mdiBookOpenVariantOutline, papers: mdiPrinterOutline
}
/** Numbers never shift, and ten have room at either size; a station that this engine has nothing to do at is left out. */
const choices = useChoices()
/** A mould that may come out is told of wherever the hand is. */
const { due } = useMoulds()
const stations = computed(() => choices.stations.map(path => ({ key: STATIONS[path].key, path, name: STATIONS[path].name, icon: ICONS[path] })))
</script>

<template>
  <nav class="rail" aria-label="Stations">
    <NuxtLink v-for="station in stations" :key="station.key" :to="`/builds/${build}/${station.path}`" class="station" active-class="on">
      <span class="no num">{{ station.key }}</span>
      <span v-if="station.path === 'ports' && due.length" class="due" data-due>cured</span>
      <svg v-else width="22" height="22" viewBox="0 0 24 24" aria-hidden="true"><path :d="station.icon" fill="currentColor" /></svg>
      <span class="name">{{ station.name }}</span>
    </NuxtLink>
  </nav>
</template>

<style scoped>
.rail { display: flex; flex-direction: column; border-right: 1px solid var(--ink); background: var(--sheet-deep); }
.station { position: relative; height: 72px; display: grid; place-items: center; align-content: center; gap: 3px; color: var(--ink); text-decoration: none; border-bottom: 1px solid var(--hair); font-size: var(--s13); }
.station .no { position: absolute; left: 6px; top: 4px; font-size: var(--s13); color: var(--quiet); }
.due { line-height: 22px; font-weight: 700; color: var(--dye); }
.station.on { background: var(--fill); color: var(--on-fill); }
.station.on .no, .station.on .due { color: var(--on-fill); }
@media (max-width: 1000px) {
  .rail { flex-direction: row; border-right: 0; border-bottom: 1px solid var(--ink); }
  /* Ten of them fill the width; those that are not built yet leave theirs free. */
  .station { width: 82px; height: 56px; border-bottom: 0; border-right: 1px solid var(--hair); padding-top: 4px; }
  .station svg { width: 20px; height: 20px; }
}
</style>
