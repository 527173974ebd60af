import { until } from '@vueuse/core'
import type { Ref } from 'vue'

/** How long figures may lag behind what is drawn before they go pale: a drag's blink is not shown. */
const BLINK = 400

/** Figures that follow what is drawn from a worker: pale once they lag, and a way to wait until they have caught up. */
export function useSettling(settled: Ref<boolean>) {
  const pale = ref(false)
  let lag: ReturnType<typeof setTimeout> | undefined
  watch(settled, (now) => {
    clearTimeout(lag)
    if (now) pale.value = false
    else lag = setTimeout(() => pale.value = true, BLINK)
  }, { immediate: true })
  onBeforeUnmount(() => clearTimeout(lag))
  return { pale, caughtUp: () => until(settled).toBe(true) }
}
