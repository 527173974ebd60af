<script setup lang="ts">
import { useEventListener, useMediaQuery } from '@vueuse/core'
import { say, sayDoubt, shown } from '#shared/figures'
import { useDevice } from '~/stores/device'

/** What lies on the way down: a cylinder's target, an edge the face meets, a clearance that is used up. Depths mm. */
export interface StairMark { key: string, at: number, words: string, kind: 'target' | 'top' | 'seat' | 'least', doubt?: number, answer?: 'deepest' | 'lowest' }

/** A cut's depth as a way down, to scale: on the left who comes to target where, on the right what is met. The handle stops at each. */
const props = defineProps<{ depth: number, marks: StairMark[], fixed?: boolean }>()
const emit = defineEmits<{ look: [depth: number] }>()
const device = useDevice()
const mm = (value: number) => say(value, 'length', device.lengths)
const bare = (value: number) => shown(value, 'length', device.lengths).number
const W = 298
const TOP = 26
const [LEFT, RIGHT] = [88, 122]
/** By a clean finger a mark needs room to be hit. */
const byFinger = useMediaQuery('(max-width: 1000px)')
const TALL = computed(() => byFinger.value ? 340 : 214)
/** A line of words, and as near as the handle may come to a mark before it stops there, px. */
const LINE = 18
const NEAR = 5
/** Farther from the stair than this the hand moves the handle by a tenth, px. */
const FAR = 90

const full = computed(() => Math.max(0.5, props.depth, ...props.marks.map(m => m.at)) * 1.08)
const px = (depth: number) => TOP + depth / full.value * TALL.value
/** Words keep a line between them and stay in order, so that leaders never cross. */
function laid(kinds: StairMark['kind'][], line: number) {
  const list = props.marks.filter(m => kinds.includes(m.kind)).sort((a, b) => a.at - b.at).map(m => ({ ...m, y: px(m.at) }))
  list.forEach((m, i) => m.y = Math.max(m.y, i > 0 ? list[i - 1]!.y + line : TOP))
  for (let i = list.length - 1; i >= 0; i--) list[i]!.y = Math.min(list[i]!.y, (list[i + 1]?.y ?? TOP + TALL.value + line + 8) - line)
  return list
}
const targets = computed(() => laid(['target'], byFinger.value ? 44 : LINE))
const met = computed(() => laid(['top', 'seat', 'least'], LINE))
const firstSeat = computed(() => props.marks.filter(m => m.kind === 'seat').sort((a, b) => a.at - b.at)[0]?.at)
/** Scale lines: tenths of a millimetre, or ten thou, the fifth of them longer; wider where they would touch. */
const scale = computed(() => {
  const fine = device.lengths === 'mm' ? 0.1 : 0.254
  const step = [fine, 5 * fine, 10 * fine].find(s => s / full.value * TALL.value >= 5) ?? 50 * fine
  return Array.from({ length: Math.floor(full.value / step) + 1 }, (_, i) => ({ y: px(i * step), long: i % 5 === 0 }))
})

const held = ref<{ x: number, depth: number }>()
let from = 0
function take(event: PointerEvent) {
  if (props.fixed) return
  held.value = { x: event.clientX, depth: props.depth }
  from = event.clientY
  ;(event.currentTarget as HTMLElement).focus()
  event.preventDefault()
}
useEventListener(window, 'pointermove', (event: PointerEvent) => {
  if (!held.value) return
  const slow = Math.abs(event.clientX - held.value.x) > FAR ? 10 : 1
  held.value.depth = Math.max(0, Math.min(12, held.value.depth + (event.clientY - from) / TALL.value * full.value / slow))
  from = event.clientY
  const stop = slow > 1 ? undefined : props.marks.find(m => Math.abs(px(m.at) - px(held.value!.depth)) < NEAR)
  emit('look', stop?.at ?? Math.round(held.value.depth * 100) / 100)
})
useEventListener(window, 'pointerup', () => held.value = undefined)
function key(event: KeyboardEvent) {
  const step = { ArrowUp: -0.01, ArrowDown: 0.01, PageUp: -0.1, PageDown: 0.1 }[event.key]
  if (!step || props.fixed) return
  event.preventDefault()
  emit('look', Math.max(0, Math.round((props.depth + step) * 100) / 100))
}
const here = (at: number) => Math.abs(at - props.depth) < 0.005
</script>

<template>
  <div class="stair" :style="{ height: `${TOP + TALL + 20}px` }">
    <svg :width="W" :height="TOP + TALL + 20" aria-hidden="true">
      <defs><pattern id="stair-goes" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"><line x1="0" y1="0" x2="0" y2="6" class="hatch" /></pattern></defs>
      <text v-if="targets.length" :x="LEFT" :y="TOP - 12" text-anchor="end" class="soft">on target</text>
      <text v-if="met.length" :x="RIGHT" :y="TOP - 12" class="soft">met on the way, {{ device.lengths }}</text>
      <rect :x="LEFT + 6" :y="TOP" :width="RIGHT - LEFT - 12" :height="TALL" class="metal" />
      <rect :x="LEFT + 6" :y="TOP" :width="RIGHT - LEFT - 12" :height="Math.max(0, px(depth) - TOP)" class="goes" />
      <path :d="scale.map(s => `M${LEFT + 6} ${s.y}h${s.long ? 9 : 5}`).join('')" class="scale" />
      <path v-if="firstSeat !== undefined && firstSeat < full" :d="`M${RIGHT - 6} ${px(firstSeat)}V${TOP + TALL}M${RIGHT - 3} ${px(firstSeat)}V${TOP + TALL}`" class="lost" />
      <path :d="`M${LEFT} ${TOP}H${RIGHT}`" class="face" />
      <path v-for="m in targets" :key="m.key" :d="`M${LEFT + 14} ${px(m.at)}H${LEFT + 2}L${LEFT - 8} ${m.y}`" class="leader" />
      <g v-for="m in met" :key="m.key" :class="[m.kind, { through: m.at <= depth }]">
        <path :d="`M${RIGHT - 14} ${px(m.at)}H${RIGHT - 2}L${RIGHT + 8} ${m.y}`" class="leader" />
        <path v-if="m.kind === 'seat'" :d="`M${RIGHT - 14} ${px(m.at) + 3}H${RIGHT - 2}`" class="leader" />
        <text :x="RIGHT + 11" :y="m.y + 5"><tspan class="num">{{ bare(m.at) }}</tspan> {{ m.words }}</text>
      </g>
      <path :d="`M${LEFT - 4} ${px(depth)}H${RIGHT + 4}`" class="plane" />
    </svg>
    <v-btn
      v-for="m in targets" :key="m.key" variant="text" class="mark" :class="{ here: here(m.at) }" :style="{ top: `${m.y}px` }" :data-answer="m.answer" :disabled="fixed"
      :aria-label="`Look at ${mm(m.at)} ${m.doubt ? sayDoubt(m.doubt, 'length', device.lengths) : ''}: ${m.words} on target`" @click="emit('look', m.at)"
    >
      <span class="num">{{ bare(m.at) }}</span><span class="visually-hidden">{{ ` ${device.lengths}${m.doubt ? ` ${sayDoubt(m.doubt, 'length', device.lengths)}` : ''}` }}</span> <span class="who num">{{ m.key }}</span>
    </v-btn>
    <v-btn
      v-if="!fixed" variant="text" class="grip" :class="{ held }" :style="{ top: `${px(depth)}px`, left: `${(LEFT + RIGHT) / 2}px` }" role="slider" aria-orientation="vertical"
      aria-label="Depth of the cut" :aria-valuenow="depth" aria-valuemin="0" aria-valuemax="12" :aria-valuetext="mm(depth)" data-grip @pointerdown="take" @keydown="key"
    />
  </div>
</template>

<style scoped>
.stair { position: relative; flex: none; }
svg { display: block; }
.metal { fill: color-mix(in srgb, var(--dye) 26%, var(--sheet)); }
.goes { fill: url(#stair-goes); }
.hatch { stroke: var(--dye); stroke-width: 2.5; }
.scale { stroke: var(--ink); stroke-width: 1; fill: none; }
.face { stroke: var(--ink); stroke-width: 2; }
.plane { stroke: var(--dye); stroke-width: 2.5; }
.lost { stroke: var(--stop); stroke-width: 1.5; fill: none; }
.leader { stroke: var(--ink); stroke-width: 1; fill: none; }
.seat .leader, .least .leader { stroke: var(--stop); stroke-width: 1.5; }
.through text { fill: var(--stop); font-weight: 700; }
.soft { fill: var(--quiet); }
.mark.v-btn { position: absolute; left: 0; width: 80px; --v-btn-height: 18px; transform: translateY(-50%); padding: 0; justify-content: end; font-size: var(--s13); }
.mark :deep(.v-btn__content) { display: flex; gap: 6px; width: 100%; justify-content: end; }
.mark.here { color: var(--dye); font-weight: 700; }
.who { min-width: 18px; text-align: right; font-weight: 700; }
.grip.v-btn { position: absolute; width: 44px; height: 44px; min-width: 0; transform: translate(-50%, -50%); padding: 0; cursor: ns-resize; touch-action: none; }
.grip::before { content: ''; position: absolute; inset: 15px 8px; border: 2px solid var(--dye); background: var(--sheet); }
.grip.held::before { background: var(--dye); }
@media (max-width: 1000px) { .mark.v-btn { --v-btn-height: 44px; } }
</style>
