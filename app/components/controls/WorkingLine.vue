<script setup lang="ts">
import { solidsStopped } from '~/composables/useSolids'

/** Shows that figures are still being reckoned: a line along the top of what they stand in, so that nothing moves. It waits a moment, for most are there at once. */
const props = defineProps<{ working: boolean, label: string }>()
const shown = ref(false)
let timer: ReturnType<typeof setTimeout> | undefined
watch(() => props.working, (on) => {
  clearTimeout(timer)
  shown.value = false
  if (on) timer = setTimeout(() => shown.value = true, 400)
}, { immediate: true })
onBeforeUnmount(() => clearTimeout(timer))
</script>

<template>
  <v-progress-linear v-if="shown && !solidsStopped" class="working-line" indeterminate :height="3" :aria-label="label" />
</template>

<style scoped>
.working-line.v-progress-linear { position: absolute; top: 0; left: 0; right: 0; transform: none; z-index: 3; }
</style>
