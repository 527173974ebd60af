<script setup lang="ts">
import { resumeSolids, solidsAsked, solidsStopped, stopSolids } from '~/composables/useSolids'

/** Solids that take longer than a moment: that they are being made, and a way to stop them and to go on. */
const LONG = 2500
/** A pause between two questions is not the end of the work. */
const PAUSE = 400
const long = ref(false)
let timer: ReturnType<typeof setTimeout> | undefined
watch(() => solidsAsked.value > 0, (on) => {
  clearTimeout(timer)
  if (on !== long.value) timer = setTimeout(() => long.value = on, on ? LONG : PAUSE)
})
onBeforeUnmount(() => clearTimeout(timer))
</script>

<template>
  <div v-if="solidsStopped || long" class="solids">
    <p class="small" role="status">{{ solidsStopped ? 'Chambers stopped' : 'Making chambers' }}</p>
    <v-btn v-if="solidsStopped" @click="resumeSolids">Go on</v-btn>
    <v-btn v-else aria-label="Stop making the chambers" @click="stopSolids">Stop</v-btn>
    <v-progress-linear v-if="!solidsStopped" class="line" location="bottom" absolute indeterminate :height="3" aria-label="The drawn chambers are being worked out" />
  </div>
</template>

<style scoped>
.solids { position: relative; display: flex; align-items: center; gap: 8px; white-space: nowrap; height: 100%; }
</style>
