<script setup lang="ts">
import type { WallAt } from '#core'
import { digits, inLengths, say } from '#shared/figures'
import { useDevice } from '~/stores/device'

/** Gap against need round the clock at one lift, or the factor over lift; as it is and as developed. */
const props = defineProps<{ show: 'gap' | 'factor', now?: WallAt, then?: WallAt, before: WallAt[], after: WallAt[] }>()
const device = useDevice()
const figures = ref(false)
const { line, axis, clock, options: looks } = useChartInk()
const MOST = 12
const here = (mm: number) => inLengths(mm, device.lengths)
const decimals = computed(() => device.lengths === 'in' ? 3 : 1)
const EVERY = 5
const every = (list: number[] | undefined): number[] => (list ?? []).filter((_, i) => i % EVERY === 0)
/** Where no wall is near, the valve beside it or the plug is: the line breaks there. */
const gaps = (list: number[] | undefined) => every(list).map(g => g > MOST ? Number.NaN : here(g))
const degrees = computed(() => every(props.now?.shroud.azimuth).map(a => `${Math.round(a)}`))
const data = computed(() => props.show === 'gap'
  ? {
      labels: degrees.value,
      datasets: [
        line(0, gaps(props.now?.shroud.gap), 'as it is'),
        ...props.then ? [line(1, gaps(props.then.shroud.gap), 'developed')] : [],
        line(2, every(props.now?.shroud.azimuth).map(() => here(props.now?.shroud.required ?? 0)), 'the need')
      ]
    }
  : {
      labels: props.before.map(w => digits(here(w.lift), decimals.value)),
      datasets: [line(0, props.before.map(w => w.shroud.factor), 'as it is'), line(1, props.after.map(w => w.shroud.factor), 'developed')]
    })
const options = computed(() => looks({
  x: props.show === 'gap' ? clock('degrees round the valve', degrees.value) : axis(`lift, ${device.lengths}`, { maxTicksLimit: 7, maxRotation: 0 }),
  y: axis(props.show === 'gap' ? `gap, ${device.lengths}` : 'factor', { maxTicksLimit: 5 }, { min: 0, max: props.show === 'gap' ? here(MOST) : 1 })
}))
/** Past this nothing is near: a number would only look like one. */
const gapAt = (wall: WallAt | undefined, d: number) => !wall ? '–' : wall.shroud.gap[d]! > 99 ? 'open' : digits(here(wall.shroud.gap[d]!), decimals.value + 1)
const said = computed(() => props.show === 'gap'
  ? `Gap round the valve at ${say(props.now?.lift ?? 0, 'length', device.lengths)} of lift against the ${say(props.now?.shroud.required ?? 0, 'length', device.lengths)} it needs`
  : 'Shrouding factor over lift, as it is and as developed')
const rows = computed(() => props.show === 'gap'
  ? [0, 45, 90, 135, 180, 225, 270, 315].map(d => [`${d}°`, gapAt(props.now, d), gapAt(props.then, d)])
  : props.before.map((w, i) => [digits(here(w.lift), decimals.value), digits(w.shroud.factor, 3), digits(props.after[i]?.shroud.factor ?? 0, 3)]))
</script>

<template>
  <div class="charts">
    <div v-if="figures" class="table">
      <v-table class="small">
        <thead><tr><th>{{ show === 'gap' ? `gap, ${device.lengths}, at` : `lift, ${device.lengths}` }}</th><th class="r">as it is</th><th class="r">developed</th></tr></thead>
        <tbody><tr v-for="row in rows" :key="row[0]"><td class="num">{{ row[0] }}</td><td class="r num">{{ row[1] }}</td><td class="r num">{{ row[2] }}</td></tr></tbody>
      </v-table>
    </div>
    <div v-else-if="now && before.length" class="chart"><LazyLineChart :data="data" :options="options" :says="said" /></div>
    <WaitsForChambers v-else class="chart" says="The walls are being worked out." />
    <p class="small quiet"><v-btn variant="text" class="go" @click="figures = !figures">{{ figures ? 'Chart' : 'Figures' }}</v-btn></p>
  </div>
</template>

<style scoped>
.charts { display: flex; flex-direction: column; min-height: 0; min-width: 0; height: 176px; }
.chart { flex: 1; min-height: 0; position: relative; }
.table { flex: 1; overflow: auto; }
</style>
