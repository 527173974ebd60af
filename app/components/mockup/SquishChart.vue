<script setup lang="ts">
import { CategoryScale, Chart, Filler, LineElement, LinearScale, PointElement, Tooltip } from 'chart.js'
import { Line } from 'vue-chartjs'
import { bowlVolume, peakSquishVelocity, squishShare, squishVelocity, quantityOf, type SquishBand, type SquishStanding } from '#core'
import { digits } from '#shared/figures'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'

Chart.register(LineElement, PointElement, LinearScale, CategoryScale, Filler, Tooltip)

/** Speed of the gas at the band's inner edge over crank angle, as it is and as tried. */
const props = defineProps<{ now: SquishStanding, tried?: SquishStanding, clearanceNow?: number, clearanceTried?: number }>()
const build = useBuild()
const device = useDevice()
const value = (name: 'bore' | 'stroke' | 'rodLength' | 'pinOffset' | 'revs' | 'squishArea' | 'bandEdge') => quantityOf(build.replayed, name, build.cylinder)?.value.value
const missing = computed(() => ([['squishArea', 'squish area'], ['bandEdge', 'length of the band’s inner edge'], ['revs', 'highest revs'], ['rodLength', 'rod length']] as const).filter(([name]) => value(name) === undefined).map(([, words]) => words))

function bandOf(standing: SquishStanding | undefined, clearance: number | undefined): SquishBand | undefined {
  const gap = standing?.gap?.value.value
  if (!gap || gap <= 0 || !clearance || missing.value.length > 0) return undefined
  try {
    const band: SquishBand = {
      bore: value('bore')!, stroke: value('stroke')!, rodLength: value('rodLength')!, pinOffset: value('pinOffset') ?? 0, rpm: value('revs')!,
      squishArea: value('squishArea')!, bandEdge: value('bandEdge')!, clearanceAtTdc: gap, bowlVolume: bowlVolume(clearance, value('bore')!, gap)
    }
    squishVelocity(band, -10)
    return band
  } catch (error) {
    if (error instanceof RangeError) return undefined
    throw error
  }
}
const band = computed(() => bandOf(props.now, props.clearanceNow))
const other = computed(() => props.tried ? bandOf(props.tried, props.clearanceTried) : undefined)
const peak = computed(() => band.value && peakSquishVelocity(band.value))
const otherPeak = computed(() => other.value && peakSquishVelocity(other.value))
const angles = Array.from({ length: 121 }, (_, i) => -60 + i * 0.5)
const share = computed(() => band.value ? squishShare(band.value.squishArea, band.value.bore) : undefined)
const figures = ref(false)

const ink = computed(() => {
  void device.night
  const style = import.meta.client ? getComputedStyle(document.body) : undefined
  return (name: string) => style?.getPropertyValue(name).trim() || '#12202C'
})
const data = computed(() => ({
  labels: angles,
  datasets: [
    ...(band.value ? [{ data: angles.map(a => squishVelocity(band.value!, a)), borderColor: ink.value('--ink'), borderWidth: 1.5, pointRadius: 0 }] : []),
    ...(other.value ? [{ data: angles.map(a => squishVelocity(other.value!, a)), borderColor: ink.value('--dye'), borderWidth: 3, pointRadius: 0 }] : [])
  ]
}))
const options = computed(() => {
  const axis = { color: ink.value('--ink'), font: { size: 13, family: 'B612' } }
  const grid = { color: ink.value('--hair'), lineWidth: 0.5 }
  return {
    responsive: true, maintainAspectRatio: false, animation: false as const, events: [],
    scales: {
      x: { type: 'linear' as const, min: -60, max: 0, ticks: { ...axis, stepSize: 20 }, grid, title: { display: true, text: 'crank, degrees before top', ...axis } },
      y: { beginAtZero: true, ticks: { ...axis, maxTicksLimit: 5 }, grid, title: { display: true, text: 'm/s', ...axis } }
    }
  }
})
</script>

<template>
  <section class="chart">
    <div class="head">
      <h3>Squish velocity</h3>
      <p v-if="peak" class="num">peak <strong data-peak>{{ digits(peak.value, 1) }}</strong> m/s at {{ digits(peak.atCrankAngle, 1) }}°<template v-if="otherPeak">, tried <strong class="tried">{{ digits(otherPeak.value, 1) }}</strong></template></p>
    </div>
    <p v-if="missing.length" class="small quiet">Wants the {{ missing.join(', the ') }}.</p>
    <template v-else-if="band">
      <div v-if="!figures" class="canvas">
        <Line :data="data" :options="options" :aria-label="`Squish velocity rises to ${digits(peak!.value, 1)} metres a second at ${digits(-peak!.atCrankAngle, 1)} degrees before top dead centre`" />
      </div>
      <v-table v-else class="close">
        <thead><tr><th>Crank</th><th v-for="a in [-40, -30, -20, -15, -10, -5]" :key="a" class="r num">{{ a }}°</th></tr></thead>
        <tbody>
          <tr><td>m/s</td><td v-for="a in [-40, -30, -20, -15, -10, -5]" :key="a" class="r num">{{ digits(squishVelocity(band, a), 1) }}</td></tr>
          <tr v-if="other"><td>tried</td><td v-for="a in [-40, -30, -20, -15, -10, -5]" :key="a" class="r num">{{ digits(squishVelocity(other, a), 1) }}</td></tr>
        </tbody>
      </v-table>
      <p class="small quiet foot">The band is <span class="num">{{ digits(share! * 100, 0) }} %</span> of the bore. Ideal gas path, no leakage. <v-btn variant="text" class="go small" @click="figures = !figures">{{ figures ? 'Chart' : 'Figures' }}</v-btn></p>
    </template>
  </section>
</template>

<style scoped>
.head { display: flex; gap: 12px; align-items: baseline; flex-wrap: wrap; }
.foot .go { margin-left: 8px; }
.tried { color: var(--dye); }
.canvas { height: 150px; position: relative; }
</style>
