<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import type { ValveStanding } from '#core'
import { say } from '#shared/figures'
import { useDevice } from '~/stores/device'

/** The face and the slab that goes, to scale in depth, with the lowest edges the cut must keep from. */
const props = defineProps<{ depth: number, valves: ValveStanding[], target?: number }>()
const device = useDevice()
const H = 142
const place = useTemplateRef<HTMLElement>('place')
const size = useElementSize(place)
/** The head is as wide as leaves room for the names beside it. */
const wide = computed(() => Math.max(110, size.width.value - 236))
const FACE = 116
// What earlier cuts have taken already is no edge any more; the list beside the drawing says so.
const edges = computed(() => props.valves.flatMap(v => [
  ...(v.seatLeft ? [{ name: `${v.valve} seat`, at: v.seatLeft.value + props.depth, kind: 'seat' }] : []),
  ...(v.topCutLeft ? [{ name: `${v.valve} top cut`, at: v.topCutLeft.value + props.depth, kind: 'top' }] : [])
]).filter(edge => edge.at > 0))
const full = computed(() => Math.max(1, props.depth * 1.25, ...edges.value.map(e => e.at * 1.15)))
const up = (mm: number) => FACE - mm / full.value * (FACE - 14)
const plane = computed(() => up(props.depth))
const labelled = computed(() => {
  let last = Infinity
  return [...edges.value].sort((a, b) => a.at - b.at).map((edge) => {
    const y = Math.min(up(edge.at) + 4, last - 16)
    last = y
    return { ...edge, y }
  })
})
</script>

<template>
  <div ref="place">
    <svg :width="Math.max(340, size.width.value)" :height="H" class="slab" role="img" :aria-label="`Cut of ${say(depth, 'length', device.lengths)}; ${edges.map(e => `${e.name} at ${say(e.at, 'length', device.lengths)}`).join(', ')}`">
      <rect x="0" y="0" :width="wide" :height="FACE" class="metal" />
      <path :d="`M${wide * 0.24} ${FACE} L${wide * 0.33} 8 H${wide * 0.58} L${wide * 0.67} ${FACE} Z`" class="air" />
      <rect x="0" :y="plane" :width="wide" :height="Math.max(0, FACE - plane)" class="goes" />
      <line x1="0" :x2="wide + 6" :y1="FACE" :y2="FACE" class="face" />
      <line x1="0" :x2="wide + 6" :y1="plane" :y2="plane" class="plane" />
      <text v-if="wide > 190" x="4" :y="FACE + 17">face now</text>
      <text :x="wide" :y="FACE + 17" text-anchor="end" class="num">{{ say(depth, 'length', device.lengths) }} goes</text>
      <g v-for="edge in labelled" :key="edge.name" :class="[edge.kind, { through: edge.at <= depth }]">
        <line :x1="wide - 54" :x2="wide + 6" :y1="up(edge.at)" :y2="up(edge.at)" class="edge" />
        <line v-if="edge.kind === 'seat'" :x1="wide - 54" :x2="wide + 6" :y1="up(edge.at) - 4" :y2="up(edge.at) - 4" class="edge" />
        <path :d="`M${wide + 6} ${up(edge.at)} L${wide + 22} ${edge.y - 4}`" class="leader" />
        <text :x="wide + 26" :y="edge.y">{{ edge.name }} <tspan class="num">{{ say(edge.at, 'length', device.lengths) }}</tspan>{{ edge.at <= depth ? ' — cut' : '' }}</text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.slab { display: block; margin-top: 6px; }
.metal { fill: var(--dye); opacity: .25; }
.air { fill: var(--sheet); stroke: var(--ink); }
.goes { fill: var(--sheet); opacity: .55; }
.face { stroke: var(--ink); stroke-width: 2; }
.plane { stroke: var(--dye); stroke-width: 2.5; }
.edge { stroke: var(--ink); stroke-width: 1.5; }
.through .edge { stroke: var(--stop); stroke-width: 2.5; }
.through text { fill: var(--stop); font-weight: 700; }
.leader { stroke: var(--hair); fill: none; }
.plane, .goes, .edge { transition: all var(--move); }
</style>
