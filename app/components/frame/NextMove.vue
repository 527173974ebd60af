<script setup lang="ts">
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { sayNextMove } from '~/words/nextMove'
import { STATION_WORDS } from '~/words/stations'

const build = useBuild()
const device = useDevice()
const route = useRoute()
const said = computed(() => sayNextMove(build.next, build.cylinders.length, device.lengths))
const elsewhere = computed(() => said.value.station && !route.path.endsWith(`/${said.value.station}`))
</script>

<template>
  <p class="next" role="status">
    <span class="mark" :class="{ warn: said.urgent }">{{ said.urgent ? 'Stop' : 'Next' }}</span>
    <span class="sentence-of">{{ said.sentence.replace(/^Stop: (.)/, (_, first: string) => first.toUpperCase()) }}</span>
    <NuxtLink v-if="elsewhere && build.view" class="go" :to="`/builds/${build.view.id}/${said.station}`">{{ STATION_WORDS[said.station!] }}</NuxtLink>
  </p>
</template>

<style scoped>
.next { display: flex; align-items: center; gap: 14px; padding: 0 16px; font-size: var(--s18); border-bottom: 1px solid var(--hair); min-height: 52px; line-height: 1.2; }
.mark { font-size: var(--s13); font-weight: 700; color: var(--dye); }
.mark.warn { color: var(--stop); font-size: var(--s18); }
.sentence-of { flex: 1; }
.go { white-space: nowrap; font-size: var(--s15); display: inline-flex; align-items: center; gap: 4px; }
@media (max-width: 1000px) { .next { min-height: 64px; } }
</style>
