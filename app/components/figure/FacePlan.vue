<script setup lang="ts">
import { useElementSize } from '@vueuse/core'

/** A head's face from below, its intake side up as on every plan: its rim and bores, and over them what is to stand at places on it. */
const props = defineProps<{ half: { x: number, y: number }, bores: readonly { cylinder: number, x: number }[], bore: number, most: number, edge?: number, side?: number }>()
const emit = defineEmits<{ touch: [place: { x: number, y: number }] }>()
const holder = useTemplateRef<HTMLElement>('holder')
const size = useElementSize(holder)
const W = computed(() => Math.max(320, size.width.value))
const edge = computed(() => props.edge ?? 22)
const scale = computed(() => Math.min((W.value - 2 * (props.side ?? 10)) / (2 * props.half.x), (props.most - 2 * edge.value) / (2 * props.half.y)))
const height = computed(() => Math.round(2 * (props.half.y * scale.value + edge.value)))
/** Where a place stands; `out` px beyond it, away from the middle line. */
const at = ({ x, y }: { x: number, y: number }, out = 0) => ({ left: `${W.value / 2 + x * scale.value}px`, top: `${height.value / 2 + y * scale.value + out * Math.sign(y)}px` })
function touch({ clientX, clientY }: MouseEvent) {
  const box = holder.value!.getBoundingClientRect()
  const within = (value: number, most: number) => Math.round(Math.max(-most, Math.min(most, value)) * 10) / 10
  emit('touch', { x: within((clientX - box.left - W.value / 2) / scale.value, props.half.x), y: within((clientY - box.top - height.value / 2) / scale.value, props.half.y) })
}
</script>

<template>
  <div ref="holder" class="holder" :style="{ height: `${height}px` }" @click="touch">
    <svg :width="W" :height="height" aria-hidden="true">
      <rect :x="W / 2 - half.x * scale" :y="height / 2 - half.y * scale" :width="2 * half.x * scale" :height="2 * half.y * scale" class="rim" />
      <g v-for="b in bores" :key="b.cylinder">
        <circle :cx="W / 2 + b.x * scale" :cy="height / 2" :r="bore / 2 * scale" class="bore" />
        <text :x="W / 2 + b.x * scale" :y="height / 2 - bore / 2 * scale + 13" text-anchor="middle">{{ b.cylinder }}</text>
      </g>
      <text :x="W / 2" y="14" text-anchor="middle" class="on-face">intake side</text>
    </svg>
    <slot :at="at" />
  </div>
</template>

<style scoped>
.holder { position: relative; }
svg { position: absolute; inset: 0; }
.rim { fill: var(--sheet-deep); stroke: var(--ink); stroke-width: 1.5; }
.on-face { fill: var(--quiet); font-size: 13px; }
.bore { fill: none; stroke: var(--hair); stroke-width: 1.5; }
</style>
