<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { mouthOf, roundEdge, runOf, valveFrame, type ChamberSpec, type Point, type SeatCircle } from '#core'
import { sayDrawnValve } from '~/words/ports'
import { useBuild } from '~/stores/build'

/** A chamber seen from below, as the head lies on the bench: +y points down. The face is dyed; air is bare. */
const props = withDefaults(defineProps<{ spec: ChamberSpec, bore: number, gasketBore?: number, least?: number, label: string }>(), { gasketBore: undefined, least: 240 })
const build = useBuild()
const holder = useTemplateRef<HTMLElement>('holder')
const size = useElementSize(holder)
const W = computed(() => Math.max(props.least, size.width.value))
const H = computed(() => Math.max(props.least, size.height.value))
const ring = computed(() => Math.max(props.bore, props.gasketBore ?? 0) / 2)
/** Metal round the ring, mm; and the line of words under it, px, which it does not touch on a small plan. */
const [AROUND, WORDS] = [5, 18]
const scale = computed(() => Math.min(Math.min(W.value, H.value) / 2 / (ring.value + AROUND), (H.value / 2 - WORDS) / ring.value))
const at = ([x, y]: readonly number[]): [number, number] => [W.value / 2 + x! * scale.value, H.value / 2 + y! * scale.value]
const path = (points: readonly (readonly number[])[]) => points.length ? `M${points.map(p => at(p).map(v => v.toFixed(1)).join(' ')).join('L')}Z` : ''
const mouth = computed(() => path(mouthOf(props.spec)))
const outline = computed(() => path(runOf(props.spec)))
const valves = computed(() => props.spec.valves.map((valve) => {
  const { axis, seat, topCut, seatRadius, topCutRadius } = valveFrame(valve)
  const round = (centre: SeatCircle['centre'], diameter: number) => path(roundEdge({ centre, axis, diameter }))
  return { valve, seat: round(seat, 2 * seatRadius), topCut: round(topCut, 2 * topCutRadius), throat: round(seat, 2 * (seatRadius - valve.seatWidth)), name: at([valve.x, valve.y]) }
}))
const recessed = computed(() => props.spec.pads.some(pad => pad.recess > 0))
defineExpose({ scale, from: (event: { offsetX: number, offsetY: number }): Point => [(event.offsetX - W.value / 2) / scale.value, (event.offsetY - H.value / 2) / scale.value] })
</script>

<template>
  <div ref="holder" class="plan">
    <svg :width="W" :height="H" role="img" :aria-label="label">
      <rect :width="W" :height="H" class="face" />
      <circle v-if="gasketBore" :cx="W / 2" :cy="H / 2" :r="gasketBore / 2 * scale" class="gasket" />
      <circle :cx="W / 2" :cy="H / 2" :r="bore / 2 * scale" class="bore" />
      <path v-if="recessed" :d="outline" class="pad" />
      <path :d="mouth" class="air" />
      <g v-for="(v, i) in valves" :key="i">
        <path :d="v.topCut" class="topcut" /><path :d="v.seat" class="seat" /><path :d="v.throat" class="throat" />
        <text v-for="(word, k) in sayDrawnValve(spec.valves, i).split(', ')" :key="word" :x="v.name[0]" :y="v.name[1] + 18 + 13 * k" text-anchor="middle">{{ word }}</text>
      </g>
      <circle v-if="spec.plug" :cx="at([spec.plug.x, spec.plug.y])[0]" :cy="at([spec.plug.x, spec.plug.y])[1]" :r="spec.plug.diameter / 2 * scale" class="plug" />
      <slot :at="at" :path="path" :scale="scale" />
      <text x="6" y="16" class="on-face">intake side</text>
      <g v-if="build.rowBegins?.left">
        <text x="34" :y="H - 6" class="on-face">to cylinder {{ build.rowBegins.cylinder }}</text>
        <path :d="`M28 ${H - 10} h-20 m5 -4 l-5 4 l5 4`" class="arrow" />
      </g>
      <g v-else-if="build.rowBegins">
        <text :x="W - 34" :y="H - 6" text-anchor="end" class="on-face">to cylinder {{ build.rowBegins.cylinder }}</text>
        <path :d="`M${W - 28} ${H - 10} h20 m-5 -4 l5 4 l-5 4`" class="arrow" />
      </g>
      <text :x="build.rowBegins?.left ? W - 6 : 6" :y="H - 6" :text-anchor="build.rowBegins?.left ? 'end' : 'start'" class="on-face">seen from below</text>
    </svg>
    <slot name="handles" :at="at" :scale="scale" />
  </div>
</template>

<style scoped>
.plan { position: relative; min-height: 0; min-width: 0; overflow: hidden; }
svg { display: block; position: absolute; inset: 0; }
.face { fill: color-mix(in srgb, var(--dye) 26%, var(--sheet)); }
.gasket { fill: none; stroke: var(--ink); stroke-width: 1; stroke-dasharray: 9 3; }
.bore { fill: none; stroke: var(--ink); stroke-width: 1; stroke-dasharray: 2 4; }
.pad { fill: color-mix(in srgb, var(--dye) 12%, var(--sheet)); }
.air { fill: var(--sheet); stroke: var(--ink); stroke-width: 2; }
.seat { fill: none; stroke: var(--ink); stroke-width: 1.5; }
.topcut { fill: var(--sheet-deep); stroke: var(--quiet); }
.throat { fill: none; stroke: var(--hair); }
.plug { fill: var(--sheet); stroke: var(--ink); stroke-dasharray: 5 3; }
.on-face { fill: var(--ink); }
.arrow { fill: none; stroke: var(--ink); }
</style>
