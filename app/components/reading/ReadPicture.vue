<script setup lang="ts">
import { MENISCUS, PARALLAX_PER_MM, RING, type ReadTask } from '#core'

/** A picture of what there is to be read. It says no figure: that is for whoever looks. `eye` is how far theirs stands over it, mm. */
const props = defineProps<{ task: ReadTask, eye: number, name: string }>()
const W = 480
const H = 400

/** Marks from one value to another. */
const marks = (from: number, to: number, step: number) => Array.from({ length: Math.max(0, Math.floor((to + 1e-9) / step) - Math.ceil((from - 1e-9) / step) + 1) }, (_, i) => Number(((Math.ceil((from - 1e-9) / step) + i) * step).toFixed(4)))
const whole = (v: number, of = 1) => Math.abs(v / of - Math.round(v / of)) < 1e-6

// The burette: a piece of its tube, near. Its scale counts down from the top.
const CC = 150
const by = (v: number) => H / 2 + (v - (props.task.truth - props.eye * PARALLAX_PER_MM)) * CC
/** The surface as it is seen from above or below: an ellipse that closes as the eye comes level. */
const open = computed(() => Math.min(26, Math.abs(props.eye) * 1.3))
// The syringe lies; its nozzle is to the left.
const sx = (v: number) => 46 + v * 6.6
// The dial: once round is a millimetre.
const hand = (turns: number, length: number) => ({ x: 240 + Math.sin(turns * 2 * Math.PI) * length, y: 200 - Math.cos(turns * 2 * Math.PI) * length })
// The calliper: from some mm before the vernier's zero on.
const MM = 33
const from = computed(() => Math.floor(props.task.truth) - 2)
const kx = (v: number) => 20 + (v - from.value) * MM
// The wheel: a piece of its rim about the pointer; it turns, the pointer stands.
const R = 560
const wheel = (v: number, r: number) => {
  const a = (v - props.task.truth) * Math.PI / 180
  return { x: 240 + Math.sin(a) * r, y: 760 - Math.cos(a) * r }
}
/** Which side is which stands on the wheel, where it can be seen. */
const sides = computed(() => {
  const { truth } = props.task
  return [...truth < 12 ? [{ words: 'before', at: Math.min(-8, truth + 14) }] : [], ...truth > -12 ? [{ words: 'after', at: Math.max(8, truth - 14) }] : []]
})
</script>

<template>
  <svg :viewBox="`0 0 ${W} ${H}`" role="img" :aria-label="`${name}, to be read`" class="picture">
    <g v-if="task.kind === 'burette'">
      <rect x="150" y="-10" width="130" :height="H + 20" class="glass" />
      <path :d="`M150 ${by(task.truth - MENISCUS)}Q215 ${by(task.truth) * 2 - by(task.truth - MENISCUS)} 280 ${by(task.truth - MENISCUS)}V${H + 10}H150Z`" class="liquid" />
      <path :d="`M150 ${by(task.truth - MENISCUS)}Q215 ${by(task.truth) * 2 - by(task.truth - MENISCUS)} 280 ${by(task.truth - MENISCUS)}`" class="line" />
      <ellipse v-if="open > 1" cx="215" :cy="by(task.truth)" rx="62" :ry="open" class="surface" />
      <circle v-if="task.bubble" cx="186" :cy="by(task.truth) + 62" r="15" class="bubble" />
      <g v-for="v in marks(task.truth - 1.6, task.truth + 1.6, 0.1)" :key="v">
        <line :x1="280 - (whole(v) ? 74 : whole(v, 0.5) ? 56 : 38)" x2="280" :y1="by(v)" :y2="by(v)" class="mark" />
        <text v-if="whole(v) && by(v) > 16 && by(v) < H - 12" x="292" :y="by(v) + 7" class="figure">{{ v }}</text>
      </g>
    </g>
    <g v-else-if="task.kind === 'syringe'">
      <rect :x="sx(0)" y="130" :width="sx(60) - sx(0)" height="140" class="glass" /><rect x="20" y="186" width="26" height="28" class="glass" />
      <rect :x="sx(0)" y="131" :width="sx(task.truth) - sx(0)" height="138" class="liquid" />
      <rect :x="sx(task.truth)" y="131" :width="sx(RING) - sx(0)" height="138" class="ring" /><rect :x="sx(task.truth + RING)" y="188" :width="Math.max(0, W - sx(task.truth + RING))" height="24" class="glass" />
      <circle v-if="task.bubble" :cx="sx(3)" cy="148" r="12" class="bubble" />
      <g v-for="v in marks(0, 60, 1)" :key="v">
        <line :x1="sx(v)" :x2="sx(v)" y1="130" :y2="whole(v, 5) ? 172 : 154" class="mark" />
        <text v-if="whole(v, 10)" :x="sx(v)" y="122" text-anchor="middle" class="figure">{{ v }}</text>
      </g>
    </g>
    <g v-else-if="task.kind === 'dial'">
      <circle cx="240" cy="200" r="184" class="glass" />
      <g v-for="i in 100" :key="i">
        <line :x1="hand(i / 100, whole(i, 10) ? 152 : whole(i, 5) ? 160 : 168).x" :y1="hand(i / 100, whole(i, 10) ? 152 : whole(i, 5) ? 160 : 168).y" :x2="hand(i / 100, 180).x" :y2="hand(i / 100, 180).y" class="mark" />
        <text v-if="whole(i, 10)" :x="hand(i / 100, 132).x" :y="hand(i / 100, 132).y + 7" text-anchor="middle" class="figure">{{ i % 100 }}</text>
      </g>
      <g v-for="i in 10" :key="`s${i}`">
        <line :x1="240 + Math.sin(i * Math.PI / 5) * 30" :y1="272 - Math.cos(i * Math.PI / 5) * 30" :x2="240 + Math.sin(i * Math.PI / 5) * 36" :y2="272 - Math.cos(i * Math.PI / 5) * 36" class="mark" />
        <text v-if="whole(i, 2)" :x="240 + Math.sin(i * Math.PI / 5) * 22" :y="276 - Math.cos(i * Math.PI / 5) * 22" text-anchor="middle" class="tiny">{{ i % 10 }}</text>
      </g>
      <line x1="240" y1="272" :x2="240 + Math.sin(task.truth * Math.PI / 5) * 27" :y2="272 - Math.cos(task.truth * Math.PI / 5) * 27" class="hand" />
      <line x1="240" y1="200" :x2="hand(task.truth, 174).x" :y2="hand(task.truth, 174).y" class="hand" /><circle cx="240" cy="200" r="7" class="hub" />
      <text x="240" y="168" text-anchor="middle" class="tiny">0.01 mm</text>
    </g>
    <g v-else-if="task.kind === 'calliper'">
      <rect x="-10" y="110" :width="W + 20" height="96" class="glass" /><rect :x="kx(task.truth) - 18" y="206" :width="9 * MM + 36" height="86" class="slide" />
      <g v-for="v in marks(Math.max(0, from), from + 15, 1)" :key="v">
        <line :x1="kx(v)" :x2="kx(v)" :y1="whole(v, 10) ? 158 : whole(v, 5) ? 168 : 180" y2="206" class="mark" />
        <text v-if="whole(v, 5) && kx(v) > 18 && kx(v) < W - 18" :x="kx(v)" y="150" text-anchor="middle" class="figure">{{ v }}</text>
      </g>
      <g v-for="i in 11" :key="`v${i}`">
        <line :x1="kx(task.truth + (i - 1) * 0.9)" :x2="kx(task.truth + (i - 1) * 0.9)" y1="206" :y2="(i - 1) % 5 ? 230 : 242" class="mark" />
        <text v-if="(i - 1) % 5 === 0" :x="kx(task.truth + (i - 1) * 0.9)" y="264" text-anchor="middle" class="figure">{{ i - 1 }}</text>
      </g>
      <text :x="kx(task.truth) + 4.5 * MM" y="286" text-anchor="middle" class="tiny">tenths of a mm</text>
    </g>
    <g v-else>
      <circle cx="240" cy="760" :r="R" class="glass" />
      <g v-for="v in marks(task.truth - 22, task.truth + 22, 1)" :key="v">
        <line :x1="wheel(v, R - (whole(v, 10) ? 40 : whole(v, 5) ? 30 : 20)).x" :y1="wheel(v, R - (whole(v, 10) ? 40 : whole(v, 5) ? 30 : 20)).y" :x2="wheel(v, R).x" :y2="wheel(v, R).y" class="mark" />
        <text v-if="whole(v, 5) && wheel(v, R - 58).x > 18 && wheel(v, R - 58).x < W - 18" :x="wheel(v, R - 58).x" :y="wheel(v, R - 58).y + 7" text-anchor="middle" class="figure">{{ Math.abs(v) }}</text>
      </g>
      <text v-for="side in sides" :key="side.words" :x="wheel(side.at, R - 100).x" :y="wheel(side.at, R - 100).y" text-anchor="middle" class="figure">{{ side.words }}</text>
      <path d="M240 198l-9 -70h18z" class="hub" />
    </g>
  </svg>
</template>

<style scoped>
.picture { width: 100%; height: auto; display: block; background: var(--sheet-deep); border: 1px solid var(--hair); }
.glass { fill: var(--sheet); stroke: var(--ink); stroke-width: 1.5; }
.slide { fill: var(--sheet); stroke: var(--ink); stroke-width: 1.5; }
.liquid { fill: var(--dye); opacity: 0.22; }
.surface { fill: var(--dye); opacity: 0.3; }
.line { fill: none; stroke: var(--dye); stroke-width: 2.5; }
.ring { fill: var(--ink); opacity: 0.75; }
.bubble { fill: var(--sheet); stroke: var(--ink); stroke-width: 1.5; }
.mark { stroke: var(--ink); stroke-width: 1.2; }
.hand { stroke: var(--dye); stroke-width: 2.5; }
.hub { fill: var(--ink); }
.figure { font: 700 20px B612, sans-serif; fill: var(--ink); }
.tiny { font: 15px B612, sans-serif; fill: var(--quiet); }
</style>
