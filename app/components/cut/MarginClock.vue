<script setup lang="ts">
import type { ValveRoom } from '#core'
import { digits, inLengths, say } from '#shared/figures'
import { useDevice } from '~/stores/device'
import { sayDrawnValve } from '~/words/ports'

/** How far the cut stays from each seat and top cut, round the clock: azimuth from the line along the head to the right, seen from below clockwise. */
const props = defineProps<{ margins: ValveRoom[] }>()
const device = useDevice()
const figures = ref(false)
const { line, axis, clock, options: looks } = useChartInk()
const MOST = 6
const here = (mm: number) => inLengths(mm, device.lengths)
const labels = computed(() => props.margins[0]?.seat.round.map((_, i, all) => `${i * 360 / all.length}`) ?? [])
/** Of several valves of a kind each has its number. */
const names = computed(() => props.margins.map((_, i) => sayDrawnValve(props.margins.map(m => m.valve), i)))
/** Nothing is near enough to be drawn. */
const none = computed(() => props.margins.every(m => m.seat.margin > MOST && m.topCut.margin > MOST))
const short = (name: string) => name.replace('intake', 'in.').replace('exhaust', 'ex.').replace(', no.', '')
/** As far up as the nearest places of the edges lie, so that none of them stands over the chart. */
const top = computed(() => Math.min(MOST, Math.max(3, ...props.margins.flatMap(m => [m.seat.margin, m.topCut.margin]).map(left => Math.ceil(left) + 1))))
const WORDS = { seat: 'seat', topCut: 'top cut' } as const
const data = computed(() => ({
  labels: labels.value,
  datasets: [
    ...props.margins.flatMap((m, i) => (['seat', 'topCut'] as const).map((name, k) => line(1 + 2 * i + k, m[name].round.map(v => v > MOST ? Number.NaN : here(v)), `${short(names.value[i]!)} ${WORDS[name]}`))),
    line(0, labels.value.map(() => 0), 'new face')
  ]
}))
const options = computed(() => looks({ x: clock('degrees round the valve', labels.value), y: axis(`${device.lengths} clear`, {}, { min: here(-1), max: here(top.value) }) }, props.margins.length > 2 ? 94 : undefined))
const quarters = [0, 90, 180, 270]
const at = (round: number[], degrees: number) => digits(here(round[Math.round(degrees / 360 * round.length)]!), device.lengths === 'in' ? 4 : 2)
</script>

<template>
  <div class="clock">
    <v-table v-if="figures" class="small">
      <thead><tr><th>{{ device.lengths }} clear at</th><th v-for="d in quarters" :key="d" class="r num">{{ d }}°</th><th class="r">least</th></tr></thead>
      <tbody>
        <template v-for="(m, i) in margins" :key="i">
          <tr v-for="name in (['seat', 'topCut'] as const)" :key="name"><td>{{ names[i] }} {{ WORDS[name] }}</td><td v-for="d in quarters" :key="d" class="r num">{{ at(m[name].round, d) }}</td><td class="r num">{{ say(m[name].margin, 'length', device.lengths) }}</td></tr>
        </template>
      </tbody>
    </v-table>
    <p v-else-if="none" class="small">Every seat and top cut stands more than {{ say(MOST, 'length', device.lengths) }} clear.</p>
    <div v-else class="chart"><LazyLineChart :data="data" :options="options" says="Distance of seats and top cuts from the new face, round each valve" /></div>
    <p class="small quiet"><v-btn variant="text" class="go" @click="figures = !figures">{{ figures ? 'Chart' : 'Figures' }}</v-btn></p>
  </div>
</template>

<style scoped>
.clock { display: flex; flex-direction: column; min-height: 0; min-width: 0; }
.chart { flex: 1; min-height: 0; position: relative; }
</style>
