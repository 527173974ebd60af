<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { asSet } from '#core'
import type { Place } from '~/composables/spotSet'
import { useSpots } from '~/composables/useSpots'
import { useBuild } from '~/stores/build'

/** The crown seen from above, with a well at each place something is read. */
const props = defineProps<{ kind: 'solder' | 'deckReadings' }>()
const build = useBuild()
const { bore, entry, places, part, keep, startAfresh, strand, keepStrand } = useSpots(props.kind)
const holder = useTemplateRef<HTMLElement>('holder')
const size = useElementSize(holder)
const W = computed(() => Math.max(300, size.width.value))
const H = computed(() => Math.max(236, size.height.value))
/** The crown leaves room for wells that stand at its edge. */
const scale = computed(() => Math.min((W.value - 104) / bore.value, (H.value - 60) / bore.value))
const at = ({ x, y }: Place) => ({ left: W.value / 2 + x * scale.value, top: H.value / 2 - y * scale.value })
const noun = computed(() => props.kind === 'solder' ? 'Solder' : 'Deck')
const side = ({ x, y }: Place) => Math.abs(y) < 3 ? (x > 0 ? 'pin, front' : 'pin, back') : `${y > 0 ? 'far' : 'intake'} side, ${x > 0 ? 'front' : 'back'}`
const smallest = computed(() => entry.value ? Math.min(...entry.value.body.readings.map(r => r.figure.value)) : undefined)
const isSmallest = (place: Place) => props.kind === 'solder' && smallest.value !== undefined && part(place)?.estimate.value === smallest.value
const first = computed(() => places.value.findIndex(p => !part(p)))
</script>

<template>
  <div class="crown">
    <div ref="holder" class="holder">
      <svg :width="W" :height="H" aria-hidden="true">
        <circle :cx="W / 2" :cy="H / 2" :r="bore / 2 * scale" class="bore" />
        <circle :cx="W / 2" :cy="H / 2" :r="bore / 2 * scale * 0.55" class="inner" />
        <line :x1="W / 2 - bore / 2 * scale - 10" :x2="W / 2 + bore / 2 * scale + 10" :y1="H / 2" :y2="H / 2" class="pin" />
        <path :d="`M${W / 2 + 54} ${H / 2 + 33} h22 m-6 -4 l6 4 l-6 4`" class="arrow" />
        <text :x="W / 2 + 48" :y="H / 2 + 38" text-anchor="end">pin, to cylinder 1</text>
        <text :x="W / 2 + 74" :y="H - 4">intake side</text>
      </svg>
      <div v-for="(place, i) in places" :key="`${place.x}/${place.y}`" class="place" :class="{ least: isSmallest(place), low: place.y < 0 }" :style="{ left: `${at(place).left}px`, top: `${at(place).top}px` }">
        <FigureField
          :field="`${build.view?.id}/${kind}/${build.cylinder}/${place.x}/${place.y}`" :label="`${noun} ${i + 1}, ${side(place)}`" hide-label dimension="length"
          :usual="kind === 'solder' ? [0.3, 6] : undefined" :part="part(place)" :base="entry?.id" :data-new="i === Math.max(0, first) ? true : undefined"
          :gauge-at="{ what: kind === 'solder' ? 'solder' : 'deck', x: place.x, y: place.y }" :commit="(figure, _t, base) => keep(place, figure, base)"
        />
      </div>
    </div>
    <div class="foot">
      <p v-if="kind === 'deckReadings'" class="small quiet">Seen from above. Negative where the crown stands proud.</p>
      <p v-else class="caution">Seen from above. Solder may hold lead: wash your hands. Turn by hand only, the head torqued.</p>
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
.place { position: absolute; width: 88px; transform: translate(-50%, -50%); }
.place.least::after { content: 'smallest'; position: absolute; top: -17px; left: 0; font-size: var(--s13); color: var(--stop); font-weight: 700; }
.place :deep(.v-text-field__suffix) { padding: 0 5px 0 0; }
.strand { width: 104px; flex: none; }
.foot { display: flex; justify-content: space-between; align-items: center; gap: 10px; }
.place.least.low::after { top: auto; bottom: -17px; }
</style>
