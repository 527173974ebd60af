import { useEventListener } from '@vueuse/core'
import { isTyping } from './useStage'
import { useDevice } from '~/stores/device'

/** Longest pause, in ms, between two characters of a gauge that types. No hand is that fast. */
export const GAUGE_PAUSE = 30

/** A reading a gauge typed while no field had the focus: it waits to be told where it belongs. */
export const gaugeReading = shallowRef('')

/**
 * Bare keys, and gauges that type. A key is held back for a moment: if more follow faster than a hand can type and
 * Enter ends them, they are a reading and never shortcuts.
 *
 * @param actions what each bare key does
 */
export function useBenchKeys(actions: () => Record<string, () => void>): void {
  const device = useDevice()
  let run = ''
  let lastAt = 0
  let held: ReturnType<typeof setTimeout> | undefined

  useEventListener(window, 'keydown', (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return
    const fast = event.timeStamp - lastAt <= GAUGE_PAUSE
    if (event.key === 'Enter') {
      if (fast && /\d/.test(run) && run.length > 1) {
        clearTimeout(held)
        event.preventDefault()
        gaugeReading.value = run
      }
      run = ''
      return
    }
    if (event.key.length !== 1) return
    // A gauge's line is short; whatever runs on is no reading.
    run = fast ? (run + event.key).slice(-64) : event.key
    lastAt = event.timeStamp
    clearTimeout(held)
    const action = actions()[event.key]
    if (!action || !device.bareKeys || run.length > 1) return
    // Space and Enter belong to the focused button; every other bare key is free.
    event.preventDefault()
    held = setTimeout(action, GAUGE_PAUSE + 10)
  })
}
