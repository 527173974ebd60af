<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { asSet, planeAt, type SpotPlane } from '#core'
import { shown } from '#shared/figures'
import type { Place } from '~/composables/spotSet'
import { useSpots } from '~/composables/useSpots'
import { QUANTITY_WORDS } from '#shared/words/quantities'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'

/** The crown seen from above, with a well at each place something is read. */
const props = defineProps<{ kind: 'solder' | 'deckReadings', plane?: SpotPlane }>()
const build = useBuild()
const device = useDevice()
const { bore, entry, places, part, keep, startAfresh, strand, keepStrand } = useSpots(props.kind)
const holder = useTemplateRef<HTMLElement>('holder')
const size = useElementSize(holder)
const W = computed(() => Math.max(300, size.width.value))
const H = computed(() => Math.max(240, size.height.value))
/** Wells stand beside the crown, one under the other, and a leader goes to where each was read. */
const WELL = 92
const APART = 62
/** Room beneath for the crown seen edge-on. */
const edgeOn = computed(() => plane.value ? 86 : 20)
const middle = computed(() => ({ left: W.value / 2, top: (H.value - edgeOn.value) / 2 }))
const scale = computed(() => Math.max(20, Math.min(W.value - 2 * WELL - 44, H.value - edgeOn.value - 26)) / bore.value)
const dot = ({ x, y }: Place) => ({ left: middle.value.left + x * scale.value, top: middle.value.top - y * scale.value })
const wells = computed(() => {
  const right = places.value.filter(p => p.x > 0 || (p.x === 0 && p.y > 0))
  return [right, places.value.filter(p => !right.includes(p))].flatMap((list, k) => {
    const sorted = [...list].sort((a, b) => b.y - a.y).map(place => ({ place, left: k === 0 ? W.value - WELL : 0, top: dot(place).top }))
    // In order of height, a well's height apart, none past the edge.
    sorted.forEach((one, i) => one.top = Math.max(one.top, i > 0 ? sorted[i - 1]!.top + APART : 24))
    for (let i = sorted.length - 1; i >= 0; i--) sorted[i]!.top = Math.min(sorted[i]!.top, (sorted[i + 1]?.top ?? H.value - 24 + APART) - APART)
    return sorted
  })
})
const wellOf = (place: Place) => wells.value.find(w => w.place === place)!
const leader = (place: Place) => {
  const { left, top } = wellOf(place)
  const to = dot(place)
  return `M${left === 0 ? WELL : left} ${top}L${to.left} ${to.top}`
}
/** The plane the station tells of, while the wells still hold the set it was laid through. */
const plane = computed(() => entry.value && entry.value.body.readings.length > 1 ? props.plane : undefined)
/** The crown edge-on, looking along the crank: the gap at either edge, its difference drawn fifty times as large as the bore. */
const TIMES = 50
const edge = computed(() => {
  const p = plane.value
  if (!p) return undefined
  const half = bore.value / 2
  const reach = half * scale.value
  const gaps = [-1, 1].map(side => ({ x: middle.value.left + side * reach, gap: planeAt(p, { x: 0, y: side * half }), side }))
  const face = H.value - 66
  const near = Math.min(...gaps.map(g => g.gap))
  // The scale would run out of its strip where a piston rocks far.
  const rise = (gap: number) => Math.min(32, (gap - near) * TIMES * scale.value)
  return { face, gaps: gaps.map(g => ({ ...g, y: face + 9 + rise(g.gap), first: g.gap === near && gaps[0]!.gap !== gaps[1]!.gap })) }
})
const noun = computed(() => props.kind === 'solder' ? 'Solder' : 'Deck')
const end = (x: number) => (x > 0) === build.frontIsPlus ? 'front' : 'back'
const side = ({ x, y }: Place) => Math.abs(y) < 3 ? `pin, ${end(x)}` : `${y > 0 ? 'far' : 'intake'} side, ${end(x)}`
const smallest = computed(() => entry.value ? Math.min(...entry.value.body.readings.map(r => r.figure.value)) : undefined)
const isSmallest = (place: Place) => props.kind === 'solder' && smallest.value !== undefined && part(place)?.estimate.value === smallest.value
const first = computed(() => places.value.findIndex(p => !part(p)))
</script>

<template>
  <div class="crown">
    <div ref="holder" class="holder">
      <svg :width="W" :height="H" aria-hidden="true">
        <circle :cx="middle.left" :cy="middle.top" :r="bore / 2 * scale" class="bore" />
        <circle :cx="middle.left" :cy="middle.top" :r="bore / 2 * scale * 0.55" class="inner" />
        <line :x1="middle.left - bore / 2 * scale - 8" :x2="middle.left + bore / 2 * scale + 8" :y1="middle.top" :y2="middle.top" class="pin" />
        <path v-for="place in places" :key="`${place.x}/${place.y}`" :d="leader(place)" class="leader" />
        <circle v-for="place in places" :key="`dot ${place.x}/${place.y}`" :cx="dot(place).left" :cy="dot(place).top" r="4" class="dot" :class="{ read: part(place), least: isSmallest(place) }" />
        <g v-if="build.rowBegins">
          <path :d="build.rowBegins.left ? `M${middle.left - 20} ${middle.top - 12} h-22 m6 -4 l-6 4 l6 4` : `M${middle.left + 20} ${middle.top - 12} h22 m-6 -4 l6 4 l-6 4`" class="arrow" />
          <text :x="middle.left + (build.rowBegins.left ? -14 : 14)" :y="middle.top - 7" :text-anchor="build.rowBegins.left ? 'start' : 'end'">to {{ bore * scale > 170 ? 'cylinder ' : '' }}{{ build.rowBegins.cylinder }}</text>
        </g>
        <text :x="middle.left" :y="middle.top + bore / 2 * scale + 16" text-anchor="middle">intake side</text>
        <g v-if="edge">
          <path :d="`M${edge.gaps[0]!.x - 12} ${edge.face}H${edge.gaps[1]!.x + 12}`" class="face" />
          <path :d="`M${edge.gaps[0]!.x} ${edge.gaps[0]!.y}L${edge.gaps[1]!.x} ${edge.gaps[1]!.y}`" class="edge" />
          <path v-for="g in edge.gaps.filter(one => one.first)" :key="g.side" :d="`M${g.x - 3} ${g.y}V${edge.face}M${g.x + 1} ${g.y}V${edge.face}`" class="first" />
          <text v-for="g in edge.gaps" :key="g.side" :x="g.x + g.side * 18" :y="edge.face + 20" :text-anchor="g.side < 0 ? 'end' : 'start'" class="num">{{ shown(g.gap, 'length', device.lengths).number }}</text>
          <text :x="middle.left" :y="H - 9" text-anchor="middle" class="soft">edge-on, intake left; tilt × {{ TIMES }}</text>
        </g>
      </svg>
      <div v-for="(place, i) in places" :key="`${place.x}/${place.y}`" class="place" :class="{ least: isSmallest(place) }" :style="{ left: `${wellOf(place).left}px`, top: `${wellOf(place).top}px` }">
        <FigureField
          :field="`${build.view?.id}/${kind}/${build.cylinder}/${place.x}/${place.y}`" :label="`${noun} ${i + 1}, ${side(place)}`" hide-label dimension="length"
          :usual="kind === 'solder' ? [0.3, 6] : QUANTITY_WORDS.deckClearance.usual" :part="part(place)" :base="entry?.id" :data-new="i === Math.max(0, first) ? true : undefined"
          :gauge-at="{ what: kind === 'solder' ? 'solder' : 'deck', x: place.x, y: place.y }" :commit="(figure, _t, base) => keep(place, figure, base)"
        />
      </div>
    </div>
    <div class="foot">
      <p v-if="kind === 'deckReadings'" class="small quiet">Seen from above. Negative where the crown stands proud.</p>
      <p v-else class="caution">Seen from above. Solder may hold lead: wash your hands. Turn the engine by hand only, with the {{ build.closed ? 'barrel' : 'head' }} torqued.</p>
      <FigureField
        v-if="kind === 'solder'" class="strand" :field="`${build.view?.id}/strand`" label="Strand, before" dimension="length" :usual="[0.5, 6]" empty-text="?"
        :part="asSet(strand?.value)" :commit="figure => keepStrand(figure)"
      />
      <v-btn v-if="entry" @click="startAfresh">New set</v-btn>
    </div>
  </div>
</template>

<style scoped>
.crown { display: flex; flex-direction: column; min-height: 0; }
.holder { position: relative; flex: 1; min-height: 240px; }
svg { position: absolute; inset: 0; }
.bore { fill: var(--sheet-deep); stroke: var(--ink); stroke-width: 1.5; }
.inner { fill: none; stroke: var(--hair); stroke-dasharray: 4 4; }
.pin { stroke: var(--hair); stroke-dasharray: 14 4 3 4; }
.arrow { fill: none; stroke: var(--ink); }
.leader { stroke: var(--hair); stroke-width: 1; fill: none; }
.dot { fill: var(--sheet); stroke: var(--ink); stroke-width: 1; }
.dot.read { fill: var(--ink); }
.dot.least { fill: var(--stop); stroke: var(--stop); }
.face { stroke: var(--ink); stroke-width: 2; }
.edge { stroke: var(--dye); stroke-width: 2.5; fill: none; }
.first { stroke: var(--stop); stroke-width: 1; fill: none; }
.soft { fill: var(--quiet); }
.place { position: absolute; width: 92px; transform: translateY(-50%); }
.place.least::after { content: 'smallest'; position: absolute; top: -17px; left: 0; font-size: var(--s13); color: var(--stop); font-weight: 700; }
.place :deep(.v-text-field__suffix) { padding: 0 5px 0 0; }
.strand { width: 104px; flex: none; }
.foot { display: flex; justify-content: space-between; align-items: center; gap: 10px; }
</style>
