import { placeAlong, quantityOf } from '#core'
import { useBuild } from '~/stores/build'

/** The face of the head on the bench, as it is drawn: mm from its middle, + to the right and towards the exhaust side. */
export function useFace() {
  const build = useBuild()
  const head = computed(() => build.state?.head ?? 1)
  const bore = computed(() => quantityOf(build.replayed, 'bore', build.cylinder)?.estimate.value ?? 90)
  const spacing = computed(() => quantityOf(build.replayed, 'boreSpacing', build.cylinder)?.estimate.value ?? bore.value * 1.1)
  const row = computed(() => build.replayed?.layout.heads[head.value - 1] ?? [])
  /** Half length and half width: half a bore beyond the outermost, and past the bores' edge. */
  const half = computed(() => ({ x: Math.round(((row.value.length - 1) / 2) * spacing.value + bore.value * 0.55), y: Math.round(bore.value * 0.62) }))
  const bores = computed(() => row.value.map(cylinder => ({ cylinder, x: build.replayed ? placeAlong(build.replayed.layout, cylinder, spacing.value) : 0 })))
  return { head, bore, spacing, half, bores }
}
