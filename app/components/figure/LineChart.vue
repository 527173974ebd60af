<script setup lang="ts">
import { CategoryScale, Chart, LineElement, LinearScale, PointElement, type ChartData, type ChartOptions, type Plugin } from 'chart.js'
import { Line } from 'vue-chartjs'

/** Lines with their names at their ends, in the look of `useChartInk`. Asked for lazily, once there is something to draw. */
defineProps<{ data: ChartData<'line'>, options: ChartOptions<'line'>, says: string }>()
Chart.register(CategoryScale, LinearScale, LineElement, PointElement)

/** Writes each line's name at its end: a legend would have to be looked up. */
const endNames: Plugin<'line'> = {
  id: 'endNames',
  afterDatasetsDraw(chart: Chart<'line'>) {
    const { ctx, chartArea } = chart
    let taken: number[] = []
    chart.data.datasets.forEach((set, i) => {
      const points = chart.getDatasetMeta(i).data.filter((_, k) => typeof set.data[k] !== 'number' || Number.isFinite(set.data[k]))
      const last = points.at(-1)
      if (!set.label || !last) return
      // Names that would stand on each other step aside, downwards.
      let y = Math.max(chartArea.top + 8, Math.min(chartArea.bottom - 4, last.y))
      while (taken.some(at => Math.abs(at - y) < 15)) y += 15
      taken = [...taken, y]
      ctx.font = '13px B612'
      ctx.fillStyle = String(set.borderColor)
      ctx.textAlign = 'left'
      ctx.textBaseline = 'middle'
      ctx.fillText(set.label, chartArea.right + 6, y)
    })
  }
}
</script>

<template>
  <Line :data="data" :options="options" :plugins="[endNames]" :aria-label="says" />
</template>
