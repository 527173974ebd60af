<script setup lang="ts">
import { digits, say } from '#shared/figures'
import type { Route } from '#core/plan/route'
import { useDevice } from '~/stores/device'
import { sayChance, sayShort } from '~/words/routes'

/** One route in the list: how sure, by what stages, what it takes and costs. */
defineProps<{ route: Route, number: number, names: readonly string[], chosen: boolean, spread: boolean }>()
defineEmits<{ choose: [] }>()
const device = useDevice()
</script>

<template>
  <v-btn class="route" :class="{ chosen }" variant="outlined" :aria-pressed="chosen" :data-route="number" @click="$emit('choose')">
    <span class="grid">
      <span class="names"><span class="num quiet">{{ number }}</span> {{ names.join(', ') || 'Another way' }}</span>
      <span class="num chance">{{ sayChance(route.chance) }}</span>
      <span class="strip"><span v-for="(stage, i) in route.stages" :key="i" class="stage num">{{ sayShort(stage, device.lengths) }}</span></span>
      <span class="bill num">{{ say(route.metal, 'length', device.lengths) }} off · {{ digits(route.hours, 1) }} h · {{ digits(route.money, 0) }}<template v-if="spread"> · spread {{ digits(route.spread, 2) }}</template></span>
    </span>
  </v-btn>
</template>

<style scoped>
.route.v-btn { height: auto; min-height: 60px; width: 100%; padding: 5px 10px; border-color: var(--hair); text-align: left; justify-content: stretch; }
.route.chosen { border-color: var(--dye); border-left-width: 6px; background: var(--well); }
.route :deep(.v-btn__content) { width: 100%; white-space: normal; }
.grid { display: grid; grid-template: auto auto / minmax(0, 1fr) auto; gap: 2px 12px; width: 100%; align-items: center; }
.names { font-weight: 700; }
.chance { font-size: var(--s22); font-weight: 700; text-align: right; grid-row: 1; grid-column: 2; }
.strip { display: flex; flex-wrap: wrap; gap: 2px 4px; }
.stage { font-size: var(--s13); border: 1px solid currentColor; padding: 0 6px; }
.stage + .stage { border-left-width: 4px; }
.bill { font-size: var(--s13); text-align: right; }
@media (max-width: 1000px) { .grid { grid-template-columns: 1fr; } .chance { grid-row: auto; grid-column: auto; text-align: left; } .bill { text-align: left; white-space: normal; } }
</style>
