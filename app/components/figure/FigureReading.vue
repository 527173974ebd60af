<script setup lang="ts">
import { uncertainty, type Dimension, type Part } from '#core'
import { sayDoubt, shown } from '#shared/figures'
import { useDevice } from '~/stores/device'

/** A figure that is read, not typed: number, unit, where it comes from by its rule, and its slip on demand. Its button is our own: a table has
 * hundreds of them, and what is pressed looks like the figure it is. */
defineOptions({ inheritAttrs: false })
const props = withDefaults(defineProps<{
  label: string
  part?: Part
  dimension: Dimension
  formula?: string
  extra?: number
  doubt?: boolean
}>(), { part: undefined, formula: undefined, extra: 0 })
const device = useDevice()
const button = useTemplateRef<HTMLElement>('button')
const view = computed(() => props.part && shown(props.part.estimate.value, props.dimension, device.lengths, props.extra))
const spoken = computed(() => props.part && view.value
  ? `${props.label} ${view.value.number} ${view.value.unit} ${sayDoubt(uncertainty(props.part.estimate), props.dimension, device.lengths, props.extra)}, ${props.part.provenance}`
  : `${props.label} unknown`)

// The slip is made only while it is wanted: hovered, focused, or pinned by a tap.
const hovered = ref(false)
const focused = ref(false)
const pinned = ref(false)
const wanted = computed(() => hovered.value || focused.value || pinned.value)
let lingering: ReturnType<typeof setTimeout> | undefined
function hover(on: boolean) {
  clearTimeout(lingering)
  lingering = setTimeout(() => hovered.value = on, 250)
}
function leave() {
  focused.value = pinned.value = hovered.value = false
}
onBeforeUnmount(() => clearTimeout(lingering))
</script>

<template>
  <span v-if="!part || !view" v-bind="$attrs" class="reading quiet" :aria-label="spoken" role="img">–</span>
  <template v-else>
    <button
      ref="button" class="reading" type="button" v-bind="$attrs" :aria-label="spoken" :aria-expanded="wanted"
      @mouseenter="hover(true)" @mouseleave="hover(false)" @focus="focused = true" @blur="leave" @click="pinned = true" @keydown.esc="leave"
    >
      <span class="num" :class="part.provenance">{{ view.number }}</span><span v-if="view.unit" class="unit">{{ view.unit }}</span>
      <span v-if="part.provenance === 'assumed'" class="ask">?</span>
      <span v-if="doubt" class="num quiet doubt">{{ sayDoubt(uncertainty(part.estimate), dimension, device.lengths, extra) }}</span>
    </button>
    <v-tooltip
      v-if="wanted && button" :model-value="true" :target="button"
      :location="button.closest('.stack') ? 'start' : 'bottom'" content-class="slip-holder" :transition="false"
    >
      <SlipPaper :label="label" :part="part" :dimension="dimension" :formula="formula" />
    </v-tooltip>
  </template>
</template>

<style scoped>
.reading { background: none; border: 0; padding: 0; cursor: help; white-space: nowrap; font-size: inherit; }
.doubt { font-size: var(--s13); margin-left: 6px; }
.ask { color: var(--stop); margin-left: 3px; }
</style>

<style>
.v-overlay__content.slip-holder { background: transparent !important; padding: 0 !important; opacity: 1 !important; }
</style>
