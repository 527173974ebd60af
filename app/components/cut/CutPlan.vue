<script setup lang="ts">
import { roundEdge, valveFrame, type ChamberSpec, type EdgeMargin, type ValveRoom } from '#core'

/** The chamber from below with the cut on it: the mouth as it will be, and round each valve how far seat and top cut stay clear. */
defineProps<{ spec: ChamberSpec, bore: number, gasketBore?: number, edge: number[][], margins: ValveRoom[], label: string }>()
type At = (p: readonly number[]) => [number, number]
/** Distance from the face is drawn inward from the seat, this many px to the mm and no further than 2 mm: the ring pinches where little is left. */
const PX = 7
const MOST = 2
const rings = (at: At, m: ValveRoom) => (['topCut', 'seat'] as const).map((name) => {
  const { axis, seat, topCut, seatRadius, topCutRadius } = valveFrame(m.valve)
  const centre = name === 'seat' ? seat : topCut
  const points = roundEdge({ centre, axis, diameter: 2 * (name === 'seat' ? seatRadius : topCutRadius) })
  return { name, lost: runs(points, m[name]).map(run => `M${run.map(p => at(p).map(v => v.toFixed(1)).join(' ')).join('L')}`).join('') }
})
const clock = (at: At, m: ValveRoom) => {
  const { axis, seat, seatRadius } = valveFrame(m.valve)
  const [cx, cy] = at(seat)
  const points = roundEdge({ centre: seat, axis, diameter: 2 * seatRadius })
  const outer = `M${points.map(p => at(p).map(v => v.toFixed(1)).join(' ')).join('L')}Z`
  return outer + `M${points.map((p, i) => {
    const [x, y] = at(p)
    const long = Math.hypot(x - cx, y - cy)
    const inward = Math.max(0, Math.min(MOST, m.seat.round[i]!) * PX)
    return `${(x - (x - cx) / long * inward).toFixed(1)} ${(y - (y - cy) / long * inward).toFixed(1)}`
  }).join('L')}Z`
}
function runs(points: [number, number, number][], { round }: EdgeMargin): [number, number, number][][] {
  const n = points.length
  if (round.every(v => v <= 0)) return [[...points, points[0]!]]
  const from = round.findIndex(v => v > 0)
  const list: [number, number, number][][] = []
  let run: [number, number, number][] = []
  for (let k = 1; k <= n; k++) {
    const i = (from + k) % n
    if (round[i]! <= 0) run.push(points[i]!)
    else if (run.length) {
      list.push(run)
      run = []
    }
  }
  return run.length ? [...list, run] : list
}
const flat = (loop: number[]) => Array.from({ length: loop.length / 3 }, (_, i) => [loop[3 * i]!, loop[3 * i + 1]!])
</script>

<template>
  <ChamberPlan :spec="spec" :bore="bore" :gasket-bore="gasketBore" :label="label" :least="180">
    <template #default="{ at, path }">
      <path v-for="(loop, i) in edge" :key="`e${i}`" :d="path(flat(loop))" class="after" />
      <g v-for="(m, i) in margins" :key="i">
        <path :d="clock(at, m)" class="clear" />
        <path v-for="ring in rings(at, m)" :key="ring.name" :d="ring.lost" :class="ring.name" />
      </g>
    </template>
  </ChamberPlan>
</template>

<style scoped>
.after { fill: none; stroke: var(--dye); stroke-width: 2; stroke-dasharray: 7 3; }
.clear { fill: color-mix(in srgb, var(--dye) 38%, transparent); fill-rule: evenodd; stroke: none; }
.topCut { fill: none; stroke: var(--stop); stroke-width: 4; stroke-dasharray: 3 3; }
.seat { fill: none; stroke: var(--stop); stroke-width: 6; }
</style>
