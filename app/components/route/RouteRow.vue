<script setup lang="ts">
import { digits, say } from '#shared/figures'
import type { Route } from '#core/plan/route'
import { useDevice } from '~/stores/device'
import { sayChance, sayShort } from '~/words/routes'

/** One route in the list: how sure, by what stages, what it takes and costs. */
defineProps<{ route: Route, /** The name of the one it fits. */ gasket?: string, number: number, names: readonly string[], chosen: boolean, spread: boolean }>()
defineEmits<{ choose: [] }>()
const device = useDevice()
</script>

<template>
  <v-btn class="route" :class="{ chosen }" variant="outlined" :aria-pressed="chosen" :data-route="number" @click="$emit('choose')">
    <span class="grid">
      <span class="names"><span class="num quiet">{{ number }}</span> {{ names.join(', ') || 'Another way' }}</span>
      <span class="bill num"><span>{{ say(route.metal, 'length', device.lengths) }} off</span><span>{{ digits(route.hours, 1) }} h</span><span>cost {{ digits(route.money, 0) }}</span><span v-if="spread">{{ digits(route.spread, 2) }} spread</span></span>
      <span class="strip"><span v-for="(stage, i) in route.stages" :key="i" class="stage num">{{ sayShort(route, stage, device.lengths, gasket) }}</span></span>
      <span class="chance"><span class="num share">{{ sayChance(route.chance) }}</span><span class="of quiet">{{ spread ? 'all on target' : 'on target' }}</span></span>
    </span>
  </v-btn>
</template>

<style scoped>
.route.v-btn { height: auto; min-height: 58px; width: 100%; padding: 4px 10px; border-color: var(--hair); text-align: left; justify-content: stretch; }
.route.chosen { border-color: var(--dye); border-left-width: 6px; background: var(--well); }
.route :deep(.v-btn__content) { width: 100%; white-space: normal; }
.grid { display: grid; grid-template: 'names bill chance' auto 'strip strip chance' auto / auto minmax(0, 1fr) auto; gap: 3px 16px; width: 100%; align-items: center; }
.names { grid-area: names; font-weight: 700; }
.bill { grid-area: bill; display: flex; flex-wrap: wrap; gap: 0 14px; font-size: var(--s13); font-weight: 400; }
.strip { grid-area: strip; display: flex; flex-wrap: wrap; gap: 3px 4px; }
.chance { grid-area: chance; text-align: right; }
.share { display: block; font-size: var(--s32); font-weight: 700; line-height: 1; }
.of { display: block; font-size: var(--s13); font-weight: 400; }
.stage { font-size: var(--s13); border: 1px solid currentColor; padding: 0 6px; }
.stage + .stage { border-left-width: 4px; }
</style>
