<script setup lang="ts">
import { beginsAtLeft, type Bodies } from '#core'

/** The heads as they lie on the bench, face up and intake side away, a bank beside the other: at which side each row begins. */
const props = defineProps<{ layout: Bodies['layout'] }>()
const [W, H, Y] = [640, 116, 58]
const most = computed(() => Math.max(...props.layout.banks.map(b => b.length)))
const wide = computed(() => W / props.layout.banks.length)
const pitch = computed(() => Math.min(56, (wide.value - 44) / most.value))
const R = computed(() => pitch.value * 0.36)
const m = computed(() => Math.min(R.value + 7, pitch.value / 2 - 1))
const rows = computed(() => props.layout.banks.map((bank, row) => {
  const begins = props.layout.heads.findIndex(cylinders => cylinders.includes(bank[0]!)) + 1
  const seen = beginsAtLeft(props.layout, begins) ? bank : [...bank].reverse()
  const middle = (row + 0.5) * wide.value
  const cells = seen.map((cylinder, i) => ({ cylinder, x: middle + (i - (seen.length - 1) / 2) * pitch.value }))
  const heads = props.layout.heads.flatMap((cylinders, i) => {
    const own = cells.filter(({ cylinder }) => cylinders.includes(cylinder)).map(({ x }) => x)
    return own.length > 0 ? [{ head: i + 1, x: Math.min(...own) - m.value, width: Math.max(...own) - Math.min(...own) + 2 * m.value }] : []
  })
  return { middle, cells, heads, name: heads.length === 1 ? `head ${heads[0]!.head}, face up` : 'heads, face up' }
}))
const told = computed(() => `Face up, intake side away, from left to right: ${rows.value.map(({ cells }) => cells.map(({ cylinder }) => cylinder).join(', ')).join('; ')}`)
</script>

<template>
  <svg :viewBox="`0 0 ${W} ${H}`" role="img" :aria-label="told">
    <g v-for="row in rows" :key="row.middle">
      <text :x="row.middle" :y="Y - R - 16" text-anchor="middle" class="label">intake side</text>
      <rect v-for="one in row.heads" :key="one.head" :x="one.x" :y="Y - R - 9" :width="one.width" :height="2 * R + 18" class="head" />
      <template v-for="cell in row.cells" :key="cell.cylinder">
        <circle :cx="cell.x" :cy="Y" :r="R" class="bore" />
        <text :x="cell.x" :y="Y + R * 0.3" text-anchor="middle" class="num" :style="{ fontSize: `${R * 0.85}px` }">{{ cell.cylinder }}</text>
      </template>
      <text :x="row.middle" :y="Y + R + 25" text-anchor="middle" class="label">{{ row.name }}</text>
    </g>
  </svg>
</template>

<style scoped>
svg { width: 100%; display: block; }
.head { fill: var(--dye); fill-opacity: .14; stroke: var(--ink); stroke-width: 1.5; }
.bore { fill: var(--sheet); stroke: var(--ink); stroke-width: 2; }
text { fill: var(--ink); font-weight: 700; }
.label { font-size: 13px; font-weight: 400; fill: var(--quiet); }
</style>
