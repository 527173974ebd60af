import { useDevice } from '~/stores/device'

/** The colours and the type a chart is drawn with: a canvas knows no style sheet, and asks again when night falls. */
export function useChartInk() {
  const device = useDevice()
  const colours = computed(() => {
    void device.night
    const style = getComputedStyle(document.body)
    const css = (name: string) => style.getPropertyValue(name).trim()
    return { ink: css('--ink'), dye: css('--dye'), hair: css('--hair'), stop: css('--stop') }
  })
  const font = { size: 13, family: 'B612' }
  /** An axis with its name. */
  const axis = (text: string, ticks: object, bounds: object = {}) => ({
    ...bounds, ticks: { color: colours.value.ink, font, ...ticks }, grid: { color: colours.value.hair, lineWidth: 0.5 },
    title: { display: true, text, color: colours.value.ink, font }
  })
  return { colours, axis }
}
