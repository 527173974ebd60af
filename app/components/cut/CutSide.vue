<script setup lang="ts">
import { useElementSize, useEventListener } from '@vueuse/core'
import type { Cut } from '#core'
import { say } from '#shared/figures'
import { useDevice } from '~/stores/device'

/** The chamber in section across the crank, head upright: the face below, the slab that goes hatched. The plane can be dragged. */
const props = defineProps<{ side: number[][], plane: Cut, done: Cut, x: number, bore: number, depth: number, draggable: boolean }>()
const emit = defineEmits<{ depth: [value: number] }>()
const device = useDevice()
const holder = useTemplateRef<HTMLElement>('holder')
const size = useElementSize(holder)
const W = computed(() => Math.max(180, size.width.value))
const H = computed(() => Math.max(160, size.height.value))
const tall = computed(() => Math.max(12, ...props.side.flatMap(loop => loop.filter((_, i) => i % 3 === 2))))
const scale = computed(() => Math.min((W.value - 20) / (props.bore + 16), (H.value - 62) / (tall.value + 4)))
const base = computed(() => H.value - 44)
const px = (y: number) => W.value / 2 + y * scale.value
const pz = (z: number) => base.value - z * scale.value
const path = computed(() => props.side.map(loop => `M${Array.from({ length: loop.length / 3 }, (_, i) => `${px(loop[3 * i + 1]!).toFixed(1)} ${pz(loop[3 * i + 2]!).toFixed(1)}`).join('L')}Z`).join(''))
const half = computed(() => props.bore / 2 + 7)
const along = (cut: Cut, y: number) => cut.depth + cut.slopeX * props.x + cut.slopeY * y
const line = (cut: Cut) => [along(cut, -half.value), along(cut, half.value)] as const
const slab = computed(() => {
  const [a, b] = line(props.done)
  const [c, d] = line(props.plane)
  return `M${px(-half.value)} ${pz(a)} L${px(half.value)} ${pz(b)} L${px(half.value)} ${pz(d)} L${px(-half.value)} ${pz(c)}Z`
})
const held = ref<{ y: number, depth: number }>()
let latest = 0
let frame = 0
useEventListener(window, 'pointermove', (event: PointerEvent) => {
  if (!held.value) return
  latest = event.clientY
  if (!frame) {
    frame = requestAnimationFrame(() => {
      frame = 0
      if (held.value) emit('depth', Math.round((held.value.depth + (held.value.y - latest) / scale.value) * 100) / 100)
    })
  }
})
useEventListener(window, 'pointerup', () => held.value = undefined)
function key(event: KeyboardEvent) {
  const step = { ArrowUp: 0.01, ArrowDown: -0.01, PageUp: 0.1, PageDown: -0.1 }[event.key]
  if (!step) return
  event.preventDefault()
  emit('depth', Math.round((props.depth + step) * 100) / 100)
}
</script>

<template>
  <div ref="holder" class="side">
    <svg :width="W" :height="H" role="img" :aria-label="`Section across the crank; ${say(depth, 'length', device.lengths)} off at the bore line`">
      <defs><pattern id="goes" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"><line x1="0" y1="0" x2="0" y2="6" class="hatch" /></pattern></defs>
      <rect :x="px(-half)" y="6" :width="2 * half * scale" :height="base - 6" class="metal" />
      <path :d="path" class="air" />
      <path :d="slab" class="slab" />
      <line :x1="px(-half)" :x2="px(half)" :y1="pz(line(done)[0])" :y2="pz(line(done)[1])" class="now" />
      <line :x1="px(-half)" :x2="px(half)" :y1="pz(line(plane)[0])" :y2="pz(line(plane)[1])" class="plane" />
      <text :x="px(-half)" :y="H - 22">intake side</text>
      <text :x="px(half)" :y="H - 22" text-anchor="end" class="num">{{ say(depth, 'length', device.lengths) }} off</text>
      <text :x="px(-half)" :y="H - 5" class="soft">section through the exhaust, to scale</text>
    </svg>
    <v-btn
      v-if="draggable" variant="text" class="grip" :class="{ held }" :style="{ top: `${pz(along(plane, 0))}px`, left: `${px(half) - 10}px` }"
      :aria-label="`The plane of the cut, ${say(depth, 'length', device.lengths)} at the bore line. Arrow keys move it ${say(0.01, 'length', device.lengths)} at a time.`" data-grip
      @pointerdown.prevent="held = { y: $event.clientY, depth }; ($event.currentTarget as HTMLElement).focus()" @keydown="key"
    />
  </div>
</template>

<style scoped>
.side { position: relative; min-height: 0; min-width: 0; overflow: hidden; }
svg { display: block; position: absolute; inset: 0; }
.metal { fill: color-mix(in srgb, var(--dye) 26%, var(--sheet)); }
.air { fill: var(--sheet); stroke: var(--ink); stroke-width: 1.5; }
.slab { fill: url(#goes); stroke: none; }
.hatch { stroke: var(--dye); stroke-width: 2.5; }
.now { stroke: var(--ink); stroke-width: 1.5; }
.plane { stroke: var(--dye); stroke-width: 2.5; }
.soft { fill: var(--quiet); }
.grip.v-btn { position: absolute; width: 20px; height: 20px; transform: translate(-50%, -50%); border: 2px solid var(--dye); background: var(--sheet); cursor: ns-resize; padding: 0; touch-action: none; }
.grip::before { content: ''; position: absolute; inset: -14px; }
.grip.held { background: var(--dye); }
</style>
