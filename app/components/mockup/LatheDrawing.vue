<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { turnedProfile, type LatheSettings, type TurnedShape } from '#core'
import { say } from '#shared/figures'
import { useDevice } from '~/stores/device'

/** Half a turned head as it lies in the chuck, to scale: what is there, what is cut in brass, and where the figures are measured. */
const props = defineProps<{ from: TurnedShape, set: LatheSettings }>()
const device = useDevice()
const holder = useTemplateRef<HTMLElement>('holder')
const size = useElementSize(holder)
const W = computed(() => Math.max(240, size.width.value))
const H = computed(() => Math.max(150, size.height.value))
const R = computed(() => props.from.bore / 2)
const ROOM = { left: 70, right: 24, top: 30, bottom: 40 }
const scale = computed(() => Math.min((W.value - ROOM.left - ROOM.right) / (R.value + 5), (H.value - ROOM.top - ROOM.bottom) / (props.set.depth + 3)))
const px = (r: number) => ROOM.left + r * scale.value
const py = (z: number) => H.value - ROOM.bottom - z * scale.value
const path = (points: [number, number][]) => points.map(([r, z], i) => `${i > 0 ? 'L' : 'M'}${px(r).toFixed(1)} ${py(z).toFixed(1)}`).join('')
const was = computed(() => turnedProfile(props.from))
const is = computed(() => turnedProfile(props.set.to))
const metal = computed(() => `${path(is.value)}L${px(R.value + 5)} ${py(is.value.at(-1)![1])}V${py(0)}H${px(R.value + 5)}V${py(props.set.depth + 3)}H${px(0)}Z`)
const cut = computed(() => `${path(is.value)}${path([...was.value].reverse()).replace('M', 'L')}Z`)
const mm = (value: number) => say(value, 'length', device.lengths)
const mouth = computed(() => props.set.mouthDiameter / 2)
const deepest = computed(() => is.value.reduce((best, point) => point[1] > best[1] + 1e-6 ? point : best))
const says = computed(() => `Half of the head in section: mouth ${mm(props.set.mouthDiameter)} across, ${mm(props.set.depth)} deep from the seat face, radius ${mm(props.set.round.radius)}, band ${mm(props.set.bandLeft)} wide`)
</script>

<template>
  <div ref="holder" class="lathe">
    <svg :width="W" :height="H" role="img" :aria-label="says">
      <path :d="metal" class="metal" />
      <path :d="cut" class="cut" />
      <path :d="path(was)" class="was" />
      <path :d="path(is)" class="is" />
      <path :d="`M${px(0)} ${ROOM.top - 22}V${py(0) + 34}`" class="axis" />
      <path :d="`M${px(0) - 8} ${py(0)}H${px(R + 5)}`" class="face" />
      <g class="dim">
        <path :d="`M${px(mouth)} ${py(0)}V${py(0) + 22}M${px(0)} ${py(0) + 17}H${px(mouth)}`" />
        <text :x="px(mouth / 2)" :y="py(0) + 34" text-anchor="middle">half of the mouth</text>
        <path :d="`M${px(deepest[0])} ${py(set.depth)}H${px(0) - 26}M${px(0) - 21} ${py(0)}V${py(set.depth)}`" />
        <text :x="px(0) - 28" :y="(py(0) + py(set.depth)) / 2 + 4" text-anchor="end">depth</text>
        <path :d="`M${px(mouth)} ${py(0) + 17}H${px(R)}M${px(R)} ${py(0)}V${py(0) + 22}`" />
        <text :x="px((mouth + R) / 2)" :y="py(0) + 34" text-anchor="middle">band</text>
        <text v-if="set.to.dome.form !== 'flat' || set.to.dome.corner > 0" :x="px(R) + 4" :y="ROOM.top - 10" text-anchor="end" class="radius">radius {{ mm(set.round.radius) }}</text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.lathe { min-height: 180px; flex: 1; }
svg { display: block; }
.metal { fill: color-mix(in srgb, var(--ink) 10%, var(--sheet)); stroke: none; }
.cut { fill: var(--brass-fill); stroke: none; }
.was { fill: none; stroke: var(--ink); stroke-width: 1; stroke-dasharray: 5 4; }
.is { fill: none; stroke: var(--ink); stroke-width: 2.5; }
.axis { fill: none; stroke: var(--ink); stroke-dasharray: 10 3 2 3; }
.face { fill: none; stroke: var(--ink); stroke-width: 1.5; }
.dim path { fill: none; stroke: var(--ink); stroke-width: 1; }
text { font-size: var(--s13); fill: var(--ink); }
.radius { font-size: var(--s15); }
</style>
