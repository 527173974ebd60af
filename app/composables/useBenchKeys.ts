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
  let held: { timer: ReturnType<typeof setTimeout>, action: () => void } | undefined
  const hold = (action: () => void) => {
    held = { timer: setTimeout(() => {
      held = undefined
      action()
    }, GAUGE_PAUSE + 10), action }
  }
  /** The key that is held back: dropped where it belongs to a gauge's line, else done now. */
  const release = (done: boolean) => {
    if (!held) return
    clearTimeout(held.timer)
    const { action } = held
    held = undefined
    if (done) action()
  }

  useEventListener(window, 'keydown', (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return
    const fast = event.timeStamp - lastAt <= GAUGE_PAUSE
    if (event.key === 'Enter') {
      if (fast && /\d/.test(run) && run.length > 1) {
        release(false)
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
    // On a busy machine the next key may come before the moment is over, though the hand was no gauge.
    release(!fast)
    const action = actions()[event.key]
    if (!action || !device.bareKeys || run.length > 1) return
    // Space and Enter belong to the focused button; every other bare key is free.
    event.preventDefault()
    hold(action)
  })
}
