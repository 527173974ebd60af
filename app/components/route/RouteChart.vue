<script setup lang="ts">
import { Chart, LinearScale, PointElement, type Plugin } from 'chart.js'
import { Scatter } from 'vue-chartjs'
import { digits, inLengths } from '#shared/figures'
import type { Route } from '#core/plan/route'
import { useChartInk } from '~/composables/useChartInk'
import { useDevice } from '~/stores/device'

/** Routes by their chance against what they cost; each point wears its number. */
const props = defineProps<{ routes: readonly Route[], chosen: number }>()
Chart.register(LinearScale, PointElement)
const device = useDevice()
const ink = useChartInk()
const against = ref<'metal' | 'hours' | 'money'>('metal')
const AGAINST: (readonly ['metal' | 'hours' | 'money', string])[] = [['metal', 'Metal'], ['hours', 'Hours'], ['money', 'Cost']]
const xOf = (r: Route) => against.value === 'metal' ? inLengths(r.metal, device.lengths) : r[against.value]
const data = computed(() => {
  const { borderColor } = ink.line(0, [], '')
  const dye = ink.line(1, [], '').borderColor
  return { datasets: [{
    data: props.routes.map(r => ({ x: xOf(r), y: r.chance * 100 })), pointRadius: props.routes.map((_, i) => i === props.chosen ? 8 : 5), backgroundColor: props.routes.map((_, i) => String(i === props.chosen ? dye : borderColor))
  }] }
})
const title = computed(() => ({ metal: `off face and deck, ${device.lengths}`, hours: 'hours', money: 'cost' })[against.value])
const options = computed(() => ({
  ...ink.options({ x: { type: 'linear', ...ink.axis(title.value, {}) }, y: ink.axis('chance, %', {}, { suggestedMin: 0, suggestedMax: 100 }) }, 20)
}) as never)
/** Each point's number beside it. */
const numbers: Plugin<'scatter'> = {
  id: 'numbers',
  afterDatasetsDraw(chart) {
    chart.ctx.font = '13px B612'
    chart.ctx.fillStyle = getComputedStyle(document.body).color
    chart.getDatasetMeta(0).data.forEach((point, i) => chart.ctx.fillText(String(i + 1), point.x + 9, point.y - 6))
  }
}
const says = computed(() => `Chance against ${title.value}: ${props.routes.map((r, i) => `route ${i + 1}, ${Math.round(r.chance * 100)} % at ${digits(xOf(r), 2)}`).join('; ')}`)
</script>

<template>
  <div class="chart">
    <RadioRow v-model="against" :choices="AGAINST" label="Chance against" />
    <div class="plot"><Scatter :data="data" :options="options" :plugins="[numbers]" :aria-label="says" /></div>
  </div>
</template>

<style scoped>
.chart { display: grid; grid-template-columns: minmax(0, 1fr); gap: 8px; }
.plot { height: 220px; position: relative; }
</style>
