<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import type { ChamberSpec, Point, SpecFault } from '#core'
import { capital, say } from '#shared/figures'
import { useDevice } from '~/stores/device'
import { sayDrawnValve } from '~/words/ports'

/** Points of the outline, middles of valves and plug, to be dragged or moved by keys: 0.1 mm, with Shift 1 mm. */
const props = defineProps<{ spec: ChamberSpec, at: (p: readonly number[]) => [number, number], scale: number, faults: SpecFault[] }>()
const emit = defineEmits<{ change: [spec: ChamberSpec] }>()
const device = useDevice()
const mm = (value: number) => say(value, 'length', device.lengths)

interface Handle { key: string, name: string, place: Point, kind: 'point' | 'valve' | 'plug', put: (p: Point) => ChamberSpec, bad: boolean }
const round = (value: number) => Math.round(value * 100) / 100
const handles = computed<Handle[]>(() => {
  const { spec } = props
  const bad = (path: string) => props.faults.some(f => f.path.startsWith(path))
  return [
    ...spec.outline.map((place, i): Handle => ({
      key: `o${i}`, name: `Outline point ${i + 1}`, place, kind: 'point', bad: bad(`outline[${i}]`),
      put: p => ({ ...spec, outline: spec.outline.map((old, k) => k === i ? p : old) })
    })),
    ...spec.valves.map((valve, i): Handle => ({
      key: `v${i}`, name: `${capital(sayDrawnValve(spec.valves, i))}, middle`, place: [valve.x, valve.y], kind: 'valve', bad: bad(`valves[${i}]`),
      put: ([x, y]) => ({ ...spec, valves: spec.valves.map((old, k) => k === i ? { ...old, x, y } : old) })
    })),
    ...(spec.plug ? [{ key: 'plug', name: 'Plug, middle', place: [spec.plug.x, spec.plug.y] as Point, kind: 'plug' as const, bad: bad('plug'), put: ([x, y]: Point) => ({ ...spec, plug: { ...spec.plug!, x, y } }) }] : [])
  ]
})
const held = ref<string>()
let from: { pointer: [number, number], place: Point } | undefined
let latest: PointerEvent | undefined
let frame = 0
function take(event: PointerEvent, handle: Handle) {
  held.value = handle.key
  from = { pointer: [event.clientX, event.clientY], place: handle.place }
  ;(event.currentTarget as HTMLElement).focus()
  event.preventDefault()
}
useEventListener(window, 'pointermove', (event: PointerEvent) => {
  if (!held.value) return
  latest = event
  // One change a frame is all that can be seen.
  if (!frame) frame = requestAnimationFrame(follow)
})
function follow() {
  frame = 0
  const handle = handles.value.find(h => h.key === held.value)
  if (!handle || !from || !latest) return
  emit('change', handle.put([round(from.place[0] + (latest.clientX - from.pointer[0]) / props.scale), round(from.place[1] + (latest.clientY - from.pointer[1]) / props.scale)]))
}
useEventListener(window, 'pointerup', () => held.value = undefined)
onBeforeUnmount(() => cancelAnimationFrame(frame))
function key(event: KeyboardEvent, handle: Handle) {
  const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key]
  if (!step) return
  event.preventDefault()
  const by = event.shiftKey ? 1 : 0.1
  emit('change', handle.put([round(handle.place[0] + step[0]! * by), round(handle.place[1] + step[1]! * by)]))
}
</script>

<template>
  <div class="handles">
    <v-btn
      v-for="handle in handles" :key="handle.key" variant="text" class="handle" :class="[handle.kind, { bad: handle.bad, held: held === handle.key }]"
      :style="{ left: `${at(handle.place)[0]}px`, top: `${at(handle.place)[1]}px` }" :data-handle="handle.key"
      :aria-label="`${handle.name}: ${mm(handle.place[0])} along, ${mm(handle.place[1])} across. Arrow keys move it.`"
      @pointerdown="take($event, handle)" @keydown="key($event, handle)"
    />
  </div>
</template>

<style scoped>
.handles { position: absolute; inset: 0; pointer-events: none; }
.handle.v-btn { position: absolute; width: 14px; height: 14px; transform: translate(-50%, -50%); background: var(--sheet); border: 2px solid var(--dye); padding: 0; cursor: grab; pointer-events: auto; touch-action: none; }
.handle::before { content: ''; position: absolute; inset: -8px; }
.handle.valve { border-radius: 50%; border-color: var(--ink); }
.handle.plug { border-style: dashed; border-color: var(--ink); }
.handle.bad { border-color: var(--stop); background: var(--stop); }
.handle.held { cursor: grabbing; background: var(--dye); }
@media (max-width: 1000px) { .handle.v-btn { width: 20px; height: 20px; } .handle::before { inset: -14px; } }
</style>
