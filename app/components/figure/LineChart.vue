<script setup lang="ts">
import { CategoryScale, Chart, Filler, LineElement, LinearScale, PointElement, type ChartData, type ChartOptions, type Plugin } from 'chart.js'
import { Line } from 'vue-chartjs'

/** Lines with their names at their ends, in the look of `useChartInk`. Asked for lazily, once there is something to draw. */
defineProps<{ data: ChartData<'line'>, options: ChartOptions<'line'>, says: string }>()
Chart.register(CategoryScale, Filler, LinearScale, LineElement, PointElement)

/** Writes each line's name at its end: a legend would have to be looked up. */
const endNames: Plugin<'line'> = {
  id: 'endNames',
  afterDatasetsDraw(chart: Chart<'line'>) {
    const { ctx, chartArea } = chart
    // From the top down, so that names stand in the order of their lines where they have to step aside.
    const ends = chart.data.datasets.flatMap((set, i) => {
      const last = chart.getDatasetMeta(i).data.filter((_, k) => typeof set.data[k] !== 'number' || Number.isFinite(set.data[k])).at(-1)
      return set.label && last ? [{ label: set.label, colour: String(set.borderColor), y: Math.max(chartArea.top + 8, Math.min(chartArea.bottom - 4, last.y)) }] : []
    }).sort((one, other) => one.y - other.y)
    let free = -Infinity
    for (const { label, colour, y } of ends) {
      const at = Math.max(y, free)
      free = at + 15
      ctx.font = '13px B612'
      ctx.fillStyle = colour
      ctx.textAlign = 'left'
      ctx.textBaseline = 'middle'
      ctx.fillText(label, chartArea.right + 6, at)
    }
  }
}
</script>

<template>
  <Line :data="data" :options="options" :plugins="[endNames]" :aria-label="says" />
</template>
