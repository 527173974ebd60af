<script setup lang="ts">
import type { Bodies } from '#core'
import { sayEngine } from '~/words/engines'

/** The engine seen from above as it is described: banks, heads, and the number of each cylinder. */
const props = defineProps<{ layout: Bodies['layout'] }>()
const W = 640
const banks = computed(() => props.layout.banks)
const H = computed(() => banks.value.length > 1 ? 310 : 150)
const most = computed(() => Math.max(...banks.value.map(b => b.length)))
const pitch = computed(() => Math.min(88, (W - 150) / most.value))
const R = computed(() => pitch.value * 0.36)
const engine = computed(() => props.layout.engine!)
/** Numbers run from the end they begin at; the front is drawn on the left. */
const x = (i: number, bank: number) => {
  const from = (W - (most.value - 1) * pitch.value) / 2
  // The banks of a vee stand a little apart along the crank, as their rods do.
  const along = from + i * pitch.value + (banks.value.length > 1 ? (bank - 0.5) * R.value * 0.5 : 0)
  return engine.value.first === 'front' ? along : W - along
}
const y = (bank: number) => banks.value.length === 1 ? H.value / 2 : H.value / 2 + (bank === 0 ? -1 : 1) * Math.max(76, R.value * 1.9)
const cells = computed(() => banks.value.flatMap((cylinders, bank) => cylinders.map((cylinder, i) => ({ cylinder, x: x(i, bank), y: y(bank) }))))
const heads = computed(() => props.layout.heads.map((cylinders, i) => {
  const own = cells.value.filter(c => cylinders.includes(c.cylinder))
  const [left, right] = [Math.min(...own.map(c => c.x)), Math.max(...own.map(c => c.x))]
  const [top, bottom] = [Math.min(...own.map(c => c.y)), Math.max(...own.map(c => c.y))]
  const m = R.value + 9
  return { name: `head ${i + 1}`, x: left - m, y: top - m, width: right - left + 2 * m, height: bottom - top + 2 * m }
}))
const many = computed(() => heads.value.length > most.value || pitch.value < 60)
const half = computed(() => (engine.value.bankAngle?.value ?? (engine.value.arrangement === 'flat' ? 180 : 0)) / 2 * Math.PI / 180)
const told = computed(() => `${sayEngine(engine.value)}; ${heads.value.length} ${heads.value.length === 1 ? 'head' : 'heads'}; ${banks.value.map((b, i) => `bank ${i + 1}: ${b.join(', ')}`).join('; ')}`)
</script>

<template>
  <svg :viewBox="`0 0 ${W} ${H}`" role="img" :aria-label="told">
    <line :x1="18" :x2="W - 18" :y1="H / 2" :y2="H / 2" class="crank" />
    <text x="20" :y="H / 2 - 8" class="end">front</text>
    <text :x="W - 20" :y="H / 2 - 8" text-anchor="end" class="end">flywheel</text>
    <g v-for="head in heads" :key="head.name">
      <rect :x="head.x" :y="head.y" :width="head.width" :height="head.height" class="head" :class="engine.head" />
      <text v-if="!many" :x="head.x + 6" :y="head.y - 6" class="label">{{ engine.head === 'blind' ? 'closed barrel' : head.name }}</text>
    </g>
    <g v-for="cell in cells" :key="cell.cylinder">
      <circle :cx="cell.x" :cy="cell.y" :r="R" class="bore" />
      <text :x="cell.x" :y="cell.y + 8" text-anchor="middle" class="num">{{ cell.cylinder }}</text>
    </g>
    <g v-if="half > 0" :transform="`translate(${W - 66} 66)`">
      <path :d="`M0 0 L${-44 * Math.sin(half)} ${-44 * Math.cos(half)} M0 0 L${44 * Math.sin(half)} ${-44 * Math.cos(half)}`" class="vee" />
      <text y="20" text-anchor="middle" class="label num">{{ engine.bankAngle ? `${Number(engine.bankAngle.value.toFixed(1))}°` : '180°' }}</text>
    </g>
  </svg>
</template>

<style scoped>
svg { width: 100%; display: block; }
.crank { stroke: var(--hair); stroke-dasharray: 14 4 3 4; stroke-width: 1.5; }
.head { fill: var(--dye); fill-opacity: .14; stroke: var(--ink); stroke-width: 1.5; }
.head.blind { fill: none; stroke-dasharray: 3 3; }
.bore { fill: var(--sheet); stroke: var(--ink); stroke-width: 2; }
text { fill: var(--ink); font-size: 22px; font-weight: 700; }
.end, .label { font-size: 13px; font-weight: 400; fill: var(--quiet); }
.vee { fill: none; stroke: var(--ink); stroke-width: 2.5; }
</style>
