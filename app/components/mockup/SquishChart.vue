<script setup lang="ts">
import { useTimeoutFn } from '@vueuse/core'
import { bowlVolume, peakSquishVelocity, squishShare, squishVelocity, quantityOf, squishBandOf, type SquishBand, type SquishStanding } from '#core'
import { airSpeed, digits, sayList } from '#shared/figures'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'

/** Speed of the gas at the band's inner edge over crank angle, as it is and as tried. */
const props = defineProps<{ now: SquishStanding, tried?: SquishStanding, clearanceNow?: number, clearanceTried?: number }>()
const build = useBuild()
const device = useDevice()
/** In the shop's own unit. */
const speed = (metres: number) => airSpeed(metres, device.lengths).value
const unit = computed(() => airSpeed(0, device.lengths).unit)
const value = (name: 'bore' | 'stroke' | 'rodLength' | 'pinOffset' | 'revs') => quantityOf(build.replayed, name, build.cylinder)?.estimate.value
const around = computed(() => squishBandOf(build.replayed, build.cylinder))
const missing = computed(() => ([[around.value.area, 'squish area'], [around.value.edge, 'length of the band’s inner edge'], [value('revs'), 'highest revs'], [value('rodLength'), 'rod length']] as const).filter(([known]) => known === undefined).map(([, words]) => words))

function bandOf(standing: SquishStanding | undefined, clearance: number | undefined): SquishBand | undefined {
  const gap = standing?.gap?.estimate.value
  if (!gap || gap <= 0 || !clearance || missing.value.length > 0) return undefined
  try {
    const band: SquishBand = {
      bore: value('bore')!, stroke: value('stroke')!, rodLength: value('rodLength')!, pinOffset: value('pinOffset') ?? 0, rpm: value('revs')!,
      squishArea: around.value.area!, bandEdge: around.value.edge!, clearanceAtTdc: gap, bowlVolume: bowlVolume(clearance, value('bore')!, gap)
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
/** The figures of the station come first, then what draws this one. */
const stands = ref(false)
const { start } = useTimeoutFn(() => stands.value = true, 700, { immediate: false })
onMounted(start)

const { line, axis, options: looks } = useChartInk()
const data = computed(() => ({
  labels: angles,
  datasets: [
    ...(band.value ? [line(0, angles.map(a => speed(squishVelocity(band.value!, a))), 'as it is')] : []),
    ...(other.value ? [line(1, angles.map(a => speed(squishVelocity(other.value!, a))), 'tried')] : [])
  ]
}))
const options = computed(() => looks({
  x: axis('crank, degrees before top', { stepSize: 20 }, { type: 'linear' as const, min: -60, max: 0 }), y: axis(unit.value, { maxTicksLimit: 5 }, { beginAtZero: true })
}, 56))
</script>

<template>
  <section class="chart">
    <div class="head">
      <h3>Squish velocity</h3>
      <p v-if="peak" class="num">peak <strong data-peak>{{ digits(speed(peak.value), 1) }}</strong> {{ unit }} at {{ digits(peak.atCrankAngle, 1) }}°<template v-if="otherPeak">, tried <strong class="tried">{{ digits(speed(otherPeak.value), 1) }}</strong></template></p>
    </div>
    <p v-if="missing.length" class="small quiet">State {{ sayList(missing.map(words => `the ${words}`)) }}.</p>
    <template v-else-if="band">
      <div v-if="!figures" class="canvas">
        <LazyLineChart v-if="stands" :data="data" :options="options" :says="`Squish velocity rises to ${digits(speed(peak!.value), 1)} ${unit} at ${digits(-peak!.atCrankAngle, 1)} degrees before top dead centre`" />
      </div>
      <v-table v-else class="close">
        <thead><tr><th>Crank</th><th v-for="a in [-40, -30, -20, -15, -10, -5]" :key="a" class="r num">{{ a }}°</th></tr></thead>
        <tbody>
          <tr><td>{{ unit }}</td><td v-for="a in [-40, -30, -20, -15, -10, -5]" :key="a" class="r num">{{ digits(speed(squishVelocity(band, a)), 1) }}</td></tr>
          <tr v-if="other"><td>tried</td><td v-for="a in [-40, -30, -20, -15, -10, -5]" :key="a" class="r num">{{ digits(speed(squishVelocity(other, a)), 1) }}</td></tr>
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
