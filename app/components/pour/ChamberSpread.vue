<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { ccBand, quantityOf, targetBand, uncertainty } from '#core'
import { digits } from '#shared/figures'
import { useBuild } from '~/stores/build'

/** Every chamber to one scale, against the book and against what the target wants. */
const build = useBuild()
const TOP = 26
const place = useTemplateRef<HTMLElement>('place')
const size = useElementSize(place)
// Drawn at its true size, so that its text keeps its own.
const W = computed(() => Math.max(150, size.width.value))
const TALL = computed(() => Math.max(180, size.height.value - TOP - 34))
const marks = computed(() => build.asIs.flatMap((s) => {
  const { chamber } = s.parts
  return chamber ? [{ cylinder: s.cylinder, value: chamber.estimate.value, u: uncertainty(chamber.estimate), provenance: chamber.provenance }] : []
}))
const wanted = computed(() => build.cylinders.flatMap((cylinder) => {
  const then = build.then(cylinder)
  const aim = then?.targetChamber?.estimate.value
  if (!then || aim === undefined) return []
  const { over, under } = ccBand(then, targetBand(build.replayed?.target)) ?? { over: 0, under: 0 }
  return [{ cylinder, most: aim + over, least: aim + under }]
}))
const book = computed(() => quantityOf(build.replayed, 'chamberVolume', build.cylinder)?.estimate.value)
const range = computed(() => {
  const all = [...marks.value.map(m => m.value), ...wanted.value.flatMap(w => [w.least, w.most]), ...(book.value === undefined ? [] : [book.value])]
  if (all.length === 0) return { low: 0, high: 1, step: 1 }
  const span = Math.max(1, Math.max(...all) - Math.min(...all))
  return { low: Math.min(...all) - span * 0.12, high: Math.max(...all) + span * 0.12, step: span > 25 ? 10 : span > 12 ? 5 : span > 5 ? 2 : 1 }
})
const y = (v: number) => TOP + (range.value.high - v) / (range.value.high - range.value.low) * TALL.value
const lines = computed(() => {
  const { low, high, step } = range.value
  return Array.from({ length: Math.floor(high / step) - Math.ceil(low / step) + 1 }, (_, i) => (Math.ceil(low / step) + i) * step)
})
const column = computed(() => (W.value - 44) / Math.max(1, build.cylinders.length))
const x = (c: number) => 40 + (build.cylinders.indexOf(c) + 0.5) * column.value
/** Every second number where they would stand on each other. */
const numbered = computed(() => build.cylinders.filter((_, i) => column.value >= 19 || i % 2 === 0))
const spread = computed(() => marks.value.length > 1 ? Math.max(...marks.value.map(m => m.value)) - Math.min(...marks.value.map(m => m.value)) : undefined)
</script>

<template>
  <figure class="spread">
    <figcaption class="small">As poured, cc{{ book === undefined ? '' : ', against the book' }}<p class="num">{{ spread === undefined ? '' : `spread ${digits(spread, 1)} cc` }}</p></figcaption>
    <div ref="place" class="place">
      <svg :width="W" :height="TOP + TALL + 34" role="img" :aria-label="marks.map(m => `cylinder ${m.cylinder}: ${digits(m.value, 1)} cc`).join(', ')">
        <g v-for="line in lines" :key="line">
          <line x1="36" :x2="W" :y1="y(line)" :y2="y(line)" class="grid" />
          <text class="num" x="30" :y="y(line) + 4" text-anchor="end">{{ line }}</text>
        </g>
        <template v-if="book !== undefined">
          <line x1="36" :x2="W" :y1="y(book)" :y2="y(book)" class="book-line" />
          <text :x="W - 2" :y="y(book) - 5" text-anchor="end">book {{ digits(book, 1) }}</text>
        </template>
        <g v-for="want in wanted" :key="`w${want.cylinder}`">
          <rect :x="x(want.cylinder) - column / 2" :y="y(want.most)" :width="column" :height="Math.max(2, y(want.least) - y(want.most))" class="shim" />
        </g>
        <text v-if="wanted.length" :x="W - 2" :y="y(Math.max(...wanted.map(w => w.most))) - 6" text-anchor="end">wanted</text>
        <g v-for="m in marks" :key="m.cylinder" :class="[m.provenance, { on: m.cylinder === build.cylinder }]" class="chamber">
          <line :x1="x(m.cylinder)" :x2="x(m.cylinder)" :y1="y(m.value + 2 * m.u)" :y2="y(m.value - 2 * m.u)" class="doubt" />
          <rect :x="x(m.cylinder) - 9" :y="y(m.value) - 2.5" width="18" height="5" />
        </g>
        <text v-for="c in numbered" :key="c" :x="x(c)" :y="TOP + TALL + 24" text-anchor="middle" class="num who" :class="{ on: c === build.cylinder }">{{ c }}</text>
      </svg>
    </div>
  </figure>
</template>

<style scoped>
.spread { display: flex; flex-direction: column; min-height: 0; }
figcaption { display: flex; flex-wrap: wrap; justify-content: space-between; align-items: baseline; gap: 0 8px; }
.place { flex: 1; min-height: 0; overflow: hidden; }
svg { display: block; }
.grid { stroke: var(--hair); stroke-width: .6; }
.book-line { stroke: var(--ink); stroke-dasharray: 1 4; stroke-width: 2; stroke-linecap: round; }
.shim { fill: var(--brass-fill); stroke: var(--ink); stroke-width: .8; }
.chamber rect { fill: var(--ink); }
.chamber .doubt { stroke: var(--ink); stroke-width: 1.2; }
.chamber.book rect, .chamber.assumed rect { fill: var(--sheet); stroke: var(--ink); stroke-dasharray: 2 2; }
.chamber.on rect { fill: var(--dye); }
.chamber.on .doubt { stroke: var(--dye); stroke-width: 2; }
.who.on { fill: var(--dye); font-weight: 700; }
</style>
