import type { Chart, ChartDataset } from 'chart.js'
import { useDevice } from '~/stores/device'
import { SERIES } from '~/theme/series'

/** Narrower than this a chart has no room for eight angles, px. */
const NARROW = 420

/** The one look of every chart: lines and axes; `LineChart.vue` draws it. A canvas knows no style sheet, and asks again when night falls. */
export function useChartInk() {
  const device = useDevice()
  const colours = computed(() => {
    void device.night
    const style = getComputedStyle(document.body)
    const css = (name: string) => style.getPropertyValue(name).trim()
    return { ink: css('--ink'), hair: css('--hair') }
  })
  const font = { size: 13, family: 'B612' }
  /** A line by its place in the series. */
  const line = <D>(place: number, data: D[], label: string, more: Partial<ChartDataset<'line'>> = {}) => {
    const { width, dash, ...colour } = SERIES[place % SERIES.length]!
    return { data, label, borderColor: device.night ? colour.night : colour.day, borderWidth: width, borderDash: [...dash], pointRadius: 0, spanGaps: false, ...more }
  }
  /** An axis with its name. */
  const axis = (text: string, ticks: object, bounds: object = {}) => ({
    ...bounds, ticks: { color: colours.value.ink, font, ...ticks }, grid: { color: colours.value.hair, lineWidth: 0.5 },
    title: { display: true, text, color: colours.value.ink, font }
  })
  /** Degrees round something, marked at 0, 45, 90 …, where there is no room at every quarter: `labels` are those of the data. */
  const clock = (text: string, labels: readonly string[]) => axis(text, {
    autoSkip: false, maxRotation: 0,
    callback(this: { chart: Chart }, _: unknown, i: number) {
      return Number(labels[i]) % (this.chart.width < NARROW ? 90 : 45) === 0 ? labels[i] : null
    }
  })
  /** Nothing moves, nothing is hovered; room on the right for the names. */
  const options = (scales: { x: object, y: object }, names = 76) => ({
    events: [], animation: false as const, responsive: true, maintainAspectRatio: false, layout: { padding: { right: names } }, plugins: { legend: { display: false } }, scales
  })
  return { line, axis, clock, options }
}
