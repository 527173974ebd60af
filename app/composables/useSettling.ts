import { until } from '@vueuse/core'
import type { Ref } from 'vue'

/** How long figures may lag behind what is drawn before they go pale: a drag's blink is not shown. */
const BLINK = 400

/**
 * Figures that follow what is drawn from a worker: pale once they lag, and a way to wait until they have caught up.
 *
 * @param on what lies on the bench: whoever waited is told whether it still is that, for nothing is planned on another
 */
export function useSettling(settled: Ref<boolean>, on: () => unknown) {
  const pale = ref(false)
  let lag: ReturnType<typeof setTimeout> | undefined
  watch(settled, (now) => {
    clearTimeout(lag)
    if (now) pale.value = false
    else lag = setTimeout(() => pale.value = true, BLINK)
  }, { immediate: true })
  onBeforeUnmount(() => clearTimeout(lag))
  async function caughtUp(): Promise<boolean> {
    const before = on()
    await until(settled).toBe(true)
    return on() === before
  }
  return { pale, caughtUp }
}
