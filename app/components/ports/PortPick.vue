<script setup lang="ts">
import { usePorts } from '~/composables/usePorts'
import { useBuild } from '~/stores/build'
import { plainPairs } from '~/words/pairs'

/** Which port something is entered for, where the form itself asks. */
const build = useBuild()
const { side, many, n, nth } = usePorts()
</script>

<template>
  <div class="pick">
    <BenchSelect label="Port" :model-value="side" :items="plainPairs(['intake', 'exhaust'])" @update:model-value="side = $event!" />
    <BenchSelect v-if="many > 1" label="Which of them" :model-value="String(n)" :items="Array.from({ length: many }, (_, i) => [String(i + 1), `no. ${i + 1}`] as const)" @update:model-value="nth = $event!" />
    <p class="of">of cylinder <strong class="num">{{ build.cylinder }}</strong></p>
  </div>
</template>

<style scoped>
.pick { display: flex; gap: 12px; align-items: end; flex-wrap: wrap; }
.pick > .v-select { width: 130px; flex: none; }
.of { padding-bottom: 12px; }
</style>
