<script setup lang="ts">
import { useOpening } from '~/composables/useOpening'
import { useBuild } from '~/stores/build'
import { useChoices } from '~/stores/choices'
import { useShop } from '~/stores/shop'
import { STATIONS, STATION_WORDS, type StationName } from '~/words/stations'

const route = useRoute()
const build = useBuild()
const shop = useShop()
const choices = useChoices()
const id = computed(() => String(route.params.id))
const at = computed(() => route.path.split('/')[3] as StationName | undefined)
const station = computed(() => (at.value && STATION_WORDS[at.value]) ?? 'Sheet')
/** A link of another engine leads here, or an address that was typed: the rail has no such station. */
const lacking = computed(() => at.value && at.value in STATIONS && !choices.stations.includes(at.value) ? STATIONS[at.value].lacking : undefined)

watch(id, now => void build.open(now), { immediate: true })
useOpening()
let late: ReturnType<typeof setTimeout> | undefined
const stop = shop.onNews((news) => {
  if (news.kind !== 'reopened' && news.build !== id.value) return
  clearTimeout(late)
  late = setTimeout(() => void build.refresh(), 150)
})
onBeforeUnmount(() => {
  stop()
  clearTimeout(late)
})
useHead({ title: computed(() => build.view ? `${build.view.name} · Precise Bowl` : 'Precise Bowl') })
</script>

<template>
  <div v-if="build.view?.id === id" class="frame" :class="{ tables: /\/(daybook|flow|papers)$/.test(route.path) }">
    <StationRail :build="id" class="at-rail" />
    <div class="middle">
      <FaultBoundary what="The strip of cylinders" line><CylinderStrip v-if="build.cylinders.length" /></FaultBoundary>
      <FaultBoundary what="The next move" line><NextMove /></FaultBoundary>
      <FaultBoundary what="The practice sheet" line><PracticeStrip /></FaultBoundary>
      <main v-if="lacking" class="station-room"><div class="lacking" :class="at" data-station><h1 class="visually-hidden">{{ station }}</h1><p>{{ lacking }}</p></div></main>
      <main v-else class="station-room"><FaultBoundary :what="`The ${station} station`"><NuxtPage /></FaultBoundary></main>
      <GaugeStrip />
    </div>
    <FaultBoundary what="The stack" line><ClearanceStack class="at-stack" /></FaultBoundary>
    <BenchKeypad class="at-pad" />
  </div>
  <main v-else class="waiting">
    <h1 v-if="build.missing">There is no such build in this shop.</h1>
    <p v-else-if="!shop.reachable">The shop does not answer. What you typed is safe on this device.</p>
    <p v-else>Opening the build …</p>
    <NuxtLink to="/" class="go">Shop</NuxtLink>
  </main>
</template>

<style scoped>
.frame { flex: 1; min-height: 0; display: grid; grid-template: minmax(0, 1fr) / 72px minmax(0, 1fr) 312px; }
/* A station with long tables has the stack's room too. */
.frame.tables { grid-template-columns: 72px minmax(0, 1fr) 88px; }
.middle { display: flex; flex-direction: column; min-width: 0; min-height: 0; }
.station-room { flex: 1; min-height: 0; overflow: hidden; display: flex; }
.station-room > :deep(*) { flex: 1; min-width: 0; }
.lacking { padding: 24px 16px; font-size: var(--s18); }
.waiting { padding: 32px; display: grid; gap: 12px; justify-items: start; align-content: start; font-size: var(--s18); }
h1 { font-size: var(--s22); }
@media (max-width: 1000px) {
  .frame { display: flex; flex-direction: column; }
  .middle { flex: 1; }
}
</style>
