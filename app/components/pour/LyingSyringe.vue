<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import type { Fill, Instrument } from '#core'
import { digits } from '#shared/figures'

/** A syringe lies down, and its scale counts what is left: it runs towards the nozzle as it is pressed. */
const props = defineProps<{ instrument: Instrument, start: number, level?: number, earlier: Fill[], stop?: { fill: number, reading: number } }>()
const X0 = 26
const Y = 150
const place = useTemplateRef<HTMLElement>('place')
const size = useElementSize(place)
// Drawn at its true size, so that its text keeps its own.
const W = computed(() => Math.max(220, size.width.value))
const LONG = computed(() => W.value - X0 - 34)
const HIGH = 60
const x = (v: number) => X0 + v / props.instrument.capacity * LONG.value
const on = (v: number) => Math.max(0, Math.min(props.instrument.capacity, v))
const level = computed(() => on(props.level ?? props.start))
const marks = computed(() => Array.from({ length: 13 }, (_, i) => ({ v: props.instrument.capacity / 12 * i, big: i % 2 === 0 })))
// The loupe: eight times the barrel, marks at the syringe's own resolution.
const lens = computed(() => ({ x: Math.max(78, Math.min(W.value - 78, x(level.value))), y: 340, r: 74 }))
const near = computed(() => {
  const per = LONG.value / props.instrument.capacity * 8
  const fine = props.instrument.resolution
  const from = Math.ceil((level.value - 74 / per) / fine)
  const to = Math.floor((level.value + 74 / per) / fine)
  return Array.from({ length: Math.max(0, to - from + 1) }, (_, i) => ({ v: (from + i) * fine, dx: ((from + i) * fine - level.value) * per }))
    .filter(m => m.v >= 0 && m.v <= props.instrument.capacity)
})
</script>

<template>
  <div ref="place" class="syringe">
    <svg :width="W" height="460" role="img" :aria-label="`syringe, start ${digits(start, 1)}, left ${digits(level, 1)} cc`">
      <defs><clipPath id="syringe-lens"><circle :cx="lens.x" :cy="lens.y" :r="lens.r" /></clipPath></defs>
      <g v-for="(fill, i) in earlier" :key="i" class="ghost">
        <rect :x="X0" :y="20 + i * 16" :width="LONG" height="9" /><rect :x="x(fill.end)" :y="20 + i * 16" :width="x(fill.start) - x(fill.end)" height="9" class="was" />
      </g>
      <path :d="`M6 ${Y + HIGH / 2 - 5} H${X0 - 8} L${X0} ${Y} H${X0 + LONG + 10} M6 ${Y + HIGH / 2 + 5} H${X0 - 8} L${X0} ${Y + HIGH} H${X0 + LONG + 10} M${X0 + LONG + 10} ${Y - 12} V${Y + HIGH + 12}`" class="wall" />
      <rect :x="X0" :y="Y + 2" :width="Math.max(0, x(level) - X0)" :height="HIGH - 4" class="liquid" />
      <rect :x="x(level)" :y="Y + 2" width="9" :height="HIGH - 4" class="plunger" />
      <line :x1="x(level) + 9" :x2="X0 + LONG + 24" :y1="Y + HIGH / 2" :y2="Y + HIGH / 2" class="wall" />
      <g v-for="mark in marks" :key="mark.v">
        <line :x1="x(mark.v)" :x2="x(mark.v)" :y1="Y" :y2="Y + (mark.big ? 18 : 10)" class="mark" />
        <text v-if="mark.big" :x="x(mark.v)" :y="Y - 8" text-anchor="middle" class="num">{{ digits(mark.v, 0) }}</text>
      </g>
      <path :transform="`translate(${x(on(start))} ${Y + HIGH + 6})`" d="M0 0 L6 7 L0 14 L-6 7 Z" class="start" />
      <path v-if="props.level !== undefined" :transform="`translate(${x(level)} ${Y + HIGH + 6})`" d="M0 0 L6 7 L0 14 L-6 7 Z" class="end" />
      <rect v-if="stop" :x="x(on(stop.reading)) - 3.5" :y="Y - 5" width="7" :height="HIGH + 10" class="stop" />
      <circle :cx="lens.x" :cy="lens.y" :r="lens.r" class="lens" />
      <g clip-path="url(#syringe-lens)">
        <rect :x="lens.x - 90" :y="lens.y - 74" width="90" height="148" class="liquid" />
        <g v-for="m in near" :key="m.v">
          <line :x1="lens.x + m.dx" :x2="lens.x + m.dx" :y1="lens.y - 74" :y2="lens.y - 30" class="mark" />
          <text :x="lens.x + m.dx" :y="lens.y - 14" text-anchor="middle" class="num">{{ digits(m.v, 0) }}</text>
        </g>
        <line :x1="lens.x" :x2="lens.x" :y1="lens.y - 74" :y2="lens.y + 74" class="hair" />
      </g>
      <circle :cx="lens.x" :cy="lens.y" :r="lens.r" class="rim" />
      <text :x="lens.x" :y="lens.y + lens.r + 17" text-anchor="middle" class="soft">loupe, 8 ×</text>
    </svg>
  </div>
</template>

<style scoped>
.syringe { height: 100%; overflow: hidden; }
svg { display: block; }
.wall { fill: none; stroke: var(--ink); stroke-width: 1.5; }
.liquid { fill: var(--dye); opacity: .28; }
.plunger { fill: var(--ink); }
.mark { stroke: var(--ink); }
.start { fill: var(--sheet); stroke: var(--ink); stroke-width: 1.5; }
.end { fill: var(--dye); }
.stop { fill: var(--brass-fill); stroke: var(--ink); }
.ghost rect { fill: none; stroke: var(--hair); }
.ghost .was { fill: var(--dye); opacity: .25; stroke: none; }
.lens { fill: var(--sheet); }
.rim { fill: none; stroke: var(--ink); stroke-width: 3; }
.hair { stroke: var(--stop); }
.soft { fill: var(--quiet); }
</style>
