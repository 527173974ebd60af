<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import type { Fill, Instrument } from '#core'
import { digits } from '#shared/figures'

/** A burette, or a measuring cylinder: its scale upright, levels at the meniscus' lower edge, a loupe at the level. */
const props = defineProps<{
  instrument: Instrument
  start: number
  /** Where the liquid stands now, if it is known. */
  level?: number
  earlier: Fill[]
  stop?: { fill: number, reading: number }
}>()
const TOP = 34
const X = 46
const WIDE = 44
const MAGNIFY = 8
const R = 62

const place = useTemplateRef<HTMLElement>('place')
const size = useElementSize(place)
// Drawn at its true size, so that its text keeps its own.
const W = computed(() => Math.max(230, size.width.value))
const TALL = computed(() => Math.max(220, size.height.value - TOP - 30))

const counts = computed(() => props.instrument.kind === 'burette')
const perCc = computed(() => TALL.value / props.instrument.capacity)
const y = (v: number) => counts.value ? TOP + v * perCc.value : TOP + TALL.value - v * perCc.value
const on = (v: number) => Math.max(0, Math.min(props.instrument.capacity, v))
const level = computed(() => on(props.level ?? props.start))
const step = computed(() => props.instrument.capacity > 60 ? 10 : props.instrument.capacity > 20 ? 5 : 1)
const marks = computed(() => {
  const small = step.value / 5
  return Array.from({ length: Math.floor(props.instrument.capacity / small + 1e-9) + 1 }, (_, i) => {
    const v = i * small
    return { v, big: i % 5 === 0 }
  })
})
const lens = computed(() => ({ x: W.value - R - 3, y: Math.max(TOP + R - 20, Math.min(TOP + TALL.value - R, y(level.value))) }))
const near = computed(() => {
  const per = perCc.value * MAGNIFY
  const fine = per * 0.1 >= 2.5 ? 0.1 : per >= 2.5 ? 1 : step.value / 5
  const from = Math.ceil((level.value - R / per) / fine)
  const to = Math.floor((level.value + R / per) / fine)
  return Array.from({ length: Math.max(0, to - from + 1) }, (_, i) => {
    const n = from + i
    const v = n * fine
    return { v, dy: (v - level.value) * per * (counts.value ? 1 : -1), long: n % 10 === 0, half: n % 5 === 0 }
  }).filter(m => m.v >= -1e-9 && m.v <= props.instrument.capacity + 1e-9)
})
const stopY = computed(() => props.stop && y(on(props.stop.reading)))
const moving = computed(() => ({ transform: `translateY(${y(level.value)}px)` }))
</script>

<template>
  <div ref="place" class="glass">
    <svg :width="W" :height="TOP + TALL + 28" role="img" :aria-label="`${instrument.kind}, start ${digits(start, 1)}, level ${digits(level, 1)} cc`">
      <defs><clipPath id="lens"><circle :cx="lens.x" :cy="lens.y" :r="R" /></clipPath><clipPath id="tube"><rect :x="X" :y="TOP - 14" :width="WIDE" :height="TALL + 28" /></clipPath></defs>
      <!-- earlier fills, as thin ghosts -->
      <g v-for="(fill, i) in earlier" :key="i" class="ghost">
        <rect :x="W - 12 - i * 13" :y="TOP" width="9" :height="TALL" />
        <rect :x="W - 12 - i * 13" :y="Math.min(y(fill.start), y(fill.end))" width="9" :height="Math.abs(y(fill.end) - y(fill.start))" class="was" />
      </g>
      <!-- glass and liquid -->
      <g clip-path="url(#tube)">
        <g :style="moving" class="liquid">
          <path v-if="counts || instrument.kind === 'cylinder'" :d="`M${X} -7 Q${X + WIDE / 2} 7 ${X + WIDE} -7 V${TALL + 60} H${X} Z`" />
        </g>
      </g>
      <path :d="counts ? `M${X} 12 V${TOP + TALL + 12} Q${X + WIDE / 2 - 4} ${TOP + TALL + 16} ${X + WIDE / 2 - 4} ${TOP + TALL + 26} M${X + WIDE} 12 V${TOP + TALL + 12} Q${X + WIDE / 2 + 4} ${TOP + TALL + 16} ${X + WIDE / 2 + 4} ${TOP + TALL + 26}` : `M${X} 20 V${TOP + TALL} H${X + WIDE} V20 M${X - 16} ${TOP + TALL + 3} H${X + WIDE + 16}`" class="wall" />
      <g v-for="mark in marks" :key="mark.v">
        <line :x1="X" :x2="X + (mark.big ? 18 : 9)" :y1="y(mark.v)" :y2="y(mark.v)" class="mark" />
        <text v-if="mark.big" :x="X - 6" :y="y(mark.v) + 4" text-anchor="end" class="num">{{ mark.v }}</text>
      </g>
      <!-- start hollow, end filled -->
      <path :transform="`translate(${X + WIDE + 7} ${y(on(start))})`" d="M0 0 L7 -6 L14 0 L7 6 Z" class="start" />
      <path v-if="props.level !== undefined" :style="moving" :d="`M${X + WIDE + 7} 0 l7 -6 l7 6 l-7 6 Z`" class="end" />
      <!-- stop at -->
      <g v-if="stop && stopY !== undefined" class="stop">
        <rect :x="X - 5" :y="stopY - 3.5" :width="WIDE + 10" height="7" />
      </g>
      <!-- loupe -->
      <line :x1="X + WIDE + 24" :x2="lens.x - R" :y1="y(level)" :y2="lens.y" class="beam" />
      <circle :cx="lens.x" :cy="lens.y" :r="R" class="lens" />
      <g clip-path="url(#lens)">
        <path :d="`M${lens.x - 90} ${lens.y - 16} Q${lens.x + 20} ${lens.y + 16} ${lens.x + 90} ${lens.y - 12} V${lens.y + 90} H${lens.x - 90} Z`" class="liquid" />
        <g v-for="m in near" :key="m.v">
          <line :x1="lens.x - R" :x2="lens.x - R + (m.long ? 60 : m.half ? 44 : 28)" :y1="lens.y + m.dy" :y2="lens.y + m.dy" class="mark" />
          <text v-if="m.long || (m.half && near.length < 9)" :x="lens.x + 2" :y="lens.y + m.dy + 5" class="num fine">{{ digits(m.v, m.long ? 0 : 1) }}</text>
        </g>
        <line :x1="lens.x - R" :x2="lens.x + R" :y1="lens.y" :y2="lens.y" class="hair" />
      </g>
      <circle :cx="lens.x" :cy="lens.y" :r="R" class="rim" />
      <text :x="lens.x" :y="lens.y + R + 17" text-anchor="middle" class="soft">loupe, 8 ×</text>
    </svg>
  </div>
</template>

<style scoped>
.glass { height: 100%; overflow: hidden; }
svg { display: block; }
.wall { fill: none; stroke: var(--ink); stroke-width: 1.5; }
.liquid { fill: var(--dye); opacity: .28; transition: transform var(--move); }
.mark { stroke: var(--ink); stroke-width: 1; }
.start { fill: var(--sheet); stroke: var(--ink); stroke-width: 1.5; }
.end { fill: var(--dye); stroke: var(--dye); transition: transform var(--move); }
.stop rect { fill: var(--brass-fill); stroke: var(--ink); }
.ghost rect { fill: none; stroke: var(--hair); }
.ghost .was { fill: var(--dye); opacity: .25; stroke: none; }
.lens { fill: var(--sheet); }
.rim { fill: none; stroke: var(--ink); stroke-width: 3; }
.beam { stroke: var(--hair); }
.hair { stroke: var(--stop); stroke-width: 1.2; }
.fine { font-size: 15px; }
.soft { fill: var(--quiet); }
</style>
