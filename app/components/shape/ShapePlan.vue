<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { directionIn, headPlane, mouthOf, type ChamberSpec, type WallAt, type WallProposal } from '#core'
import { say } from '#shared/figures'
import { useDevice } from '~/stores/device'

/** The chamber from below: the scribed line, the open valve and the walls round it in its head's plane, what a school would take. */
const props = defineProps<{ spec: ChamberSpec, bore: number, gasketBore: number, line: number, valve: number, lift: number, now?: WallAt, then?: WallAt, proposal?: WallProposal, school: string, pinMarks: number[], edge: number[][], label: string }>()
const emit = defineEmits<{ draw: [azimuth: number, far: number] }>()
const device = useDevice()
const plane = computed(() => headPlane(props.spec.valves[props.valve]!, props.lift))
const place = (azimuth: number, far: number): [number, number] => {
  const d = directionIn(plane.value, azimuth)
  return [plane.value.centre[0] + d[0] * far, plane.value.centre[1] + d[1] * far]
}
const r = computed(() => plane.value.radius)
type At = (p: readonly number[]) => [number, number]
const ring = (at: At, far: (i: number) => number, steps = 180) => `M${Array.from({ length: steps }, (_, i) => at(place(i * 360 / steps, far(i * 360 / steps))).map(v => v.toFixed(1)).join(' ')).join('L')}Z`
const gapAt = (wall: WallAt | undefined, degrees: number) => Math.min(60, wall?.shroud.gap[Math.round(degrees) % 360] ?? 0)
/** A wall as far as it is one: where the way is open across a neighbour or out under the deck it breaks off. */
const NEAR = 16
const wallPath = (at: At, wall: WallAt) => {
  let path = ''
  let joined = false
  for (let d = 0; d <= 360; d++) {
    const [gap, before] = [gapAt(wall, d), gapAt(wall, d - 1 + 360)]
    if (gap < NEAR) path += `${joined && Math.abs(gap - before) < 2.5 ? 'L' : 'M'}${at(place(d, r.value + gap)).map(v => v.toFixed(1)).join(' ')}`
    joined = gap < NEAR
  }
  return path
}
/** Where the wall is nearer than it need be, as spokes from the valve's edge to the wall. */
const spokes = (at: At) => Array.from({ length: 120 }, (_, i) => i * 3).filter(d => ((props.then ?? props.now)?.shroud.ratio[d] ?? 1) < 0.995)
  .map(d => `M${at(place(d, r.value)).map(v => v.toFixed(1)).join(' ')}L${at(place(d, r.value + Math.max(0.6, gapAt(props.then ?? props.now, d)))).map(v => v.toFixed(1)).join(' ')}`).join('')
/** The metal a school would take: between the wall and the proposed line. */
const metal = (at: At) => (props.proposal?.arcs ?? []).map((arc) => {
  const n = Math.round(arc.to - arc.from) + 1
  const list = Array.from({ length: n }, (_, k) => (arc.from + k) % 360)
  const wall = (d: number) => r.value + gapAt(props.then ?? props.now, d)
  // At the lift that is looked at the wall may stand further out than where another lift takes metal.
  const outer = list.map(d => at(place(d, Math.max(wall(d), props.proposal!.radii[d]!))))
  const inner = list.map(d => at(place(d, wall(d)))).reverse()
  return `M${[...outer, ...inner].map(p => p.map(v => v.toFixed(1)).join(' ')).join('L')}Z`
}).join('')
/** Where the cutter's form comes out at the face, if it goes as far up as the seat: in plan, along the valve's axis. */
const onFace = (at: At) => {
  const seat = headPlane(props.spec.valves[props.valve]!, 0)
  const foot = (azimuth: number, far: number): [number, number] => {
    const [dx, dy, dz] = directionIn(seat, azimuth)
    const down = (seat.centre[2] + dz * far) / seat.axis[2]
    return at([seat.centre[0] + dx * far - seat.axis[0] * down, seat.centre[1] + dy * far - seat.axis[1] * down])
  }
  return (props.proposal?.arcs ?? []).map((arc) => {
    const list = Array.from({ length: Math.round(arc.to - arc.from) + 1 }, (_, k) => (arc.from + k) % 360)
    return `M${[...list.map(d => foot(d, props.proposal!.radii[d]!)), ...list.map(d => foot(d, seat.radius)).reverse()].map(p => p.map(v => v.toFixed(1)).join(' ')).join('L')}Z`
  }).join('')
}
const flat = (loop: number[]) => Array.from({ length: loop.length / 3 }, (_, i) => [loop[3 * i]!, loop[3 * i + 1]!])
/** The face between the scribed line and the mouth. */
const scribed = computed(() => Array.from({ length: 180 }, (_, i) => [props.line * Math.cos(i * Math.PI / 90), props.line * Math.sin(i * Math.PI / 90)]))
const mouths = computed(() => props.edge.length ? props.edge.map(flat) : [mouthOf(props.spec)])

const handles = computed(() => Array.from({ length: 24 }, (_, i) => i * 15).map(azimuth => ({ azimuth, far: r.value + gapAt(props.then ?? props.now, azimuth), room: (props.now?.limit[azimuth] ?? 0) + r.value }))
  // Where nothing may be taken, nothing can be drawn.
  .filter(h => h.far < r.value + NEAR && (props.now?.limit[h.azimuth] ?? 0) > gapAt(props.now, h.azimuth) + 0.05))
const held = ref<{ azimuth: number, far: number, x: number, y: number, scale: number }>()
let latest: PointerEvent | undefined
let frame = 0
useEventListener(window, 'pointermove', (event: PointerEvent) => {
  if (!held.value) return
  latest = event
  frame ||= requestAnimationFrame(() => {
    frame = 0
    if (!held.value || !latest) return
    const d = directionIn(plane.value, held.value.azimuth)
    const long = Math.hypot(d[0], d[1])
    const moved = ((latest.clientX - held.value.x) * d[0] + (latest.clientY - held.value.y) * d[1]) / long / held.value.scale
    emit('draw', held.value.azimuth, Math.round((held.value.far + moved) * 100) / 100)
  })
})
useEventListener(window, 'pointerup', () => held.value = undefined)
function key(event: KeyboardEvent, azimuth: number, far: number) {
  const step = { ArrowUp: 0.1, ArrowRight: 0.1, ArrowDown: -0.1, ArrowLeft: -0.1 }[event.key]
  if (!step) return
  event.preventDefault()
  emit('draw', azimuth, Math.round((far + step * (event.shiftKey ? 5 : 1)) * 100) / 100)
}
</script>

<template>
  <ChamberPlan :spec="spec" :bore="bore" :gasket-bore="gasketBore" :label="label">
    <template #default="{ at, path, scale }">
      <defs><pattern id="take" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"><line x1="0" y1="0" x2="0" y2="6" class="hatch" /></pattern></defs>
      <clipPath id="deck"><path :d="path(scribed) + mouths.map(path).join('')" clip-rule="evenodd" /></clipPath>
      <path v-if="now && school !== 'leave'" :d="onFace(at)" clip-path="url(#deck)" class="metal" />
      <template v-if="then || spec.reliefs?.length"><path v-for="(loop, i) in edge" :key="`e${i}`" :d="path(flat(loop))" class="opened" /></template>
      <circle :cx="at([0, 0])[0]" :cy="at([0, 0])[1]" :r="line * scale" class="line" /><circle :cx="at([0, 0])[0]" :cy="at([0, 0])[1]" :r="line * scale + 3" class="line" />
      <template v-if="now">
        <path v-if="school !== 'leave'" :d="metal(at)" class="metal" />
        <path :d="spokes(at)" class="spokes" />
        <path :d="wallPath(at, now)" class="wall" />
        <path v-if="then" :d="wallPath(at, then)" class="wall then" />
        <path :d="ring(at, () => r + now!.shroud.required)" class="need" />
        <path v-for="mark in pinMarks" :key="mark" :d="`M${at(place(mark, r - 1)).join(' ')}L${at(place(mark, r + gapAt(now, mark) + 3)).join(' ')}`" class="mark" />
      </template>
      <path :d="ring(at, () => r)" class="head" />
    </template>
    <template #handles="{ at, scale }">
      <div class="handles">
        <v-btn
          v-for="h in handles" :key="h.azimuth" variant="text" class="handle" :class="{ held: held?.azimuth === h.azimuth }" :data-wall="h.azimuth"
          :style="{ left: `${at(place(h.azimuth, h.far))[0]}px`, top: `${at(place(h.azimuth, h.far))[1]}px` }"
          :aria-label="`Wall at ${h.azimuth}°, ${say(h.far - r, 'length', device.lengths)} from the valve. Arrow keys move it ${say(0.1, 'length', device.lengths)} at a time.`"
          @pointerdown.prevent="held = { azimuth: h.azimuth, far: h.far, x: $event.clientX, y: $event.clientY, scale }; ($event.currentTarget as HTMLElement).focus()" @keydown="key($event, h.azimuth, h.far)"
        />
      </div>
    </template>
  </ChamberPlan>
</template>

<style scoped>
.line { fill: none; stroke: var(--stop); stroke-width: 1; }
.opened { fill: none; stroke: var(--dye); stroke-width: 1.5; }
.metal { fill: url(#take); stroke: var(--dye); stroke-width: 1; }
.hatch { stroke: var(--dye); stroke-width: 2.5; }
.spokes { stroke: var(--stop); stroke-width: 1.5; fill: none; }
.wall { fill: none; stroke: var(--ink); stroke-width: 1.5; }
.wall.then { stroke: var(--dye); stroke-width: 2.5; }
.need { fill: none; stroke: var(--ink); stroke-width: 1; stroke-dasharray: 2 3; }
.mark { stroke: var(--stop); stroke-width: 3; }
.head { fill: color-mix(in srgb, var(--ink) 12%, transparent); stroke: var(--ink); stroke-width: 2; }
.handles { position: absolute; inset: 0; pointer-events: none; }
.handle.v-btn { position: absolute; width: 11px; height: 11px; transform: translate(-50%, -50%); border: 2px solid var(--dye); background: var(--sheet); padding: 0; cursor: move; pointer-events: auto; touch-action: none; }
.handle::before { content: ''; position: absolute; inset: -6px; }
.handle.held { background: var(--dye); }
@media (max-width: 1000px) { .handle.v-btn { width: 16px; height: 16px; } .handle::before { inset: -16px; } }
</style>
