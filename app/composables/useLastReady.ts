import type { ComputedRef } from 'vue'

/**
 * A figure that is now and then not ready: until it is again, what it was last stays to be looked at, and `ready` says that
 * it is of something else.
 *
 * @param of whose figure it is: another's last one is never told as its own
 */
export function useLastReady<T>(of: () => unknown, read: () => T, isReady: (value: T) => boolean): { now: ComputedRef<T>, last: ComputedRef<T | undefined>, ready: ComputedRef<boolean> } {
  const now = computed(read)
  const kept = shallowRef<{ of: unknown, value: T }>()
  const ready = computed(() => isReady(now.value))
  watch([now, ready], ([value, is]) => {
    if (is) kept.value = { of: of(), value }
  }, { immediate: true, flush: 'sync' })
  return { now, last: computed(() => ready.value ? now.value : kept.value && kept.value.of === of() ? kept.value.value : undefined), ready }
}
