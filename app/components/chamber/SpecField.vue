<script setup lang="ts">
import { asSet, mouthOf, specFaults, type ChamberSpec } from '#core'
import { SPEC_WORDS, sayFault } from '#shared/words/chamber'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'

/** One figure of a chamber's drawing. What would make no chamber is said here, and the drawing stays. */
const props = defineProps<{ spec: ChamberSpec, path: string, label?: string, hideLabel?: boolean }>()
const emit = defineEmits<{ change: [spec: ChamberSpec] }>()
const build = useBuild()
const device = useDevice()
const steps = computed(() => props.path.split(/[.[\]]+/).filter(Boolean))
const word = computed(() => SPEC_WORDS[steps.value.at(-1)!]!)
const value = computed(() => steps.value.reduce<unknown>((at, step) => (at as Record<string, unknown>)?.[step], props.spec) as number | undefined)
const part = computed(() => asSet(value.value))

async function commit({ value: to }: { value: number }): Promise<string | undefined> {
  const changed = JSON.parse(JSON.stringify(props.spec)) as ChamberSpec
  const last = steps.value.at(-1)!
  const holder = steps.value.slice(0, -1).reduce<unknown>((at, step) => (at as Record<string, unknown>)[step], changed) as Record<string, number>
  holder[last] = to
  const before = new Set(specFaults(props.spec, mouthOf).map(f => f.path))
  const fault = specFaults(changed, mouthOf).find(f => f.path === props.path || !before.has(f.path))
  if (fault) return sayFault(fault, device.lengths)
  emit('change', changed)
  return undefined
}
</script>

<template>
  <FigureField
    :field="`${build.view?.id}/spec/${build.state?.head}/${path}`" :label="label ?? word.label" :hide-label="hideLabel" :dimension="word.dimension" :part="part"
    :commit="figure => commit(figure)"
  />
</template>
