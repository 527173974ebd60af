<script setup lang="ts">
import type { Reckoned } from '#shared/dto'
import { halfOf } from '~/composables/useCcScale'

/** A build's cylinders at a glance, as its own strip has them: bars from the brass, up where there are cc over. */
const props = defineProps<{ reckoned: Reckoned }>()
const [W, H] = [200, 40]
const half = computed(() => halfOf(Math.max(0.1, ...props.reckoned.gaps.map(g => Math.abs(g ?? 0)), (props.reckoned.band?.over ?? 0) * 5)))
const y = (cc: number) => H / 2 - cc / half.value * (H / 2 - 2)
const step = computed(() => W / Math.max(4, props.reckoned.gaps.length))
</script>

<template>
  <svg :width="W" :height="H" aria-hidden="true">
    <rect v-if="reckoned.band" x="0" :width="W" :y="y(reckoned.band.over)" :height="Math.max(2, y(reckoned.band.under) - y(reckoned.band.over))" class="band" />
    <template v-for="(gap, i) in reckoned.gaps" :key="i">
      <rect v-if="gap !== null" class="bar" :x="i * step + step / 2 - 4" width="8" :y="Math.min(H / 2, y(gap))" :height="Math.max(2, Math.abs(H / 2 - y(gap)))" />
    </template>
  </svg>
</template>

<style scoped>
.band { fill: var(--brass-fill); stroke: var(--brass); stroke-width: 1; }
.bar { fill: var(--ink); }
</style>
