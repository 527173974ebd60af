<script setup lang="ts">
import { targetBand, uncertainty, type CylinderState } from '#core'
import { digits } from '#shared/figures'
import { useBuild } from '~/stores/build'

const build = useBuild()
const HEIGHT = 72

const band = computed(() => targetBand(build.replayed?.target))
const rows = computed(() => build.replayed?.layout.banks.map(bank => bank.flatMap(c => build.asIs.find(s => s.cylinder === c) ?? [])) ?? [])
const middle = computed(() => band.value
  ? (band.value.low + band.value.high) / 2
  : build.asIs.reduce((sum, s) => sum + (s.ratio?.value.value ?? 0), 0) / Math.max(1, build.asIs.filter(s => s.ratio).length))
/** Ratio shown by half the strip's height: all ticks fit, and the band stays clear of the figures. */
const reach = computed(() => {
  const far = build.asIs.map(s => s.ratio ? Math.abs(s.ratio.value.value - middle.value) : 0)
  const tolerance = band.value ? (band.value.high - band.value.low) / 2 : 0
  return Math.max(...far, tolerance * 5, 0.05) * 1.18
})
const y = (ratio: number) => HEIGHT / 2 - (ratio - middle.value) / reach.value * (HEIGHT / 2)
const bandTop = computed(() => band.value ? y(band.value.high) : 0)
const bandHeight = computed(() => band.value ? Math.max(3, y(band.value.low) - y(band.value.high)) : 0)

function gap(state: CylinderState): string {
  if (!state.gap) return build.replayed?.target ? '' : 'no target'
  const value = state.gap.value.value
  return `${value >= 0 ? '+' : '−'}${digits(Math.abs(value), 1)} cc`
}
function spoken(state: CylinderState): string {
  const ratio = state.ratio ? `${state.ratio.value.value.toFixed(2)} to one` : 'no ratio yet'
  const against = state.gap ? `, ${Math.abs(state.gap.value.value).toFixed(1)} cc ${state.gap.value.value >= 0 ? 'over' : 'under'} the target’s clearance` : ''
  return `Cylinder ${state.cylinder}, ${ratio}${against}${state.cylinder === build.worst ? ', the worst' : ''}`
}
</script>

<template>
  <nav class="strip" aria-label="Cylinders">
    <div v-for="(row, i) in rows" :key="i" class="bank" :style="{ height: `${HEIGHT}px` }">
      <div v-if="band" class="band" :style="{ top: `${bandTop}px`, height: `${bandHeight}px` }" />
      <v-btn
        v-for="state in row" :key="state.cylinder" variant="text" class="cell" :class="{ on: state.cylinder === build.cylinder }"
        :aria-pressed="state.cylinder === build.cylinder" :aria-label="spoken(state)" @click="build.cylinder = state.cylinder"
      >
        <span class="who num">{{ state.cylinder }}</span>
        <span class="ratio num">{{ state.ratio ? state.ratio.value.value.toFixed(2) : '—' }}</span>
        <span class="gap num small">{{ gap(state) }}</span>
        <span v-if="state.cylinder === build.worst && build.asIs.length > 1" class="worst small">worst</span>
        <span
          v-if="state.ratio" class="tick" :style="{ top: `${y(state.ratio.value.value)}px` }"
          :data-u="uncertainty(state.ratio.value).toFixed(3)"
        />
      </v-btn>
    </div>
  </nav>
</template>

<style scoped>
.strip { border-bottom: 1px solid var(--ink); }
.bank { position: relative; display: flex; }
.band { position: absolute; left: 0; right: 0; background: var(--brass-fill); border: 1px solid var(--ink); border-width: 1px 0; z-index: 0; opacity: .55; }
.cell.v-btn { position: relative; flex: 1; height: 100%; border-right: 1px solid var(--hair); display: block; padding: 0 34px 0 10px; z-index: 1; }
.cell :deep(.v-btn__content) { display: grid; grid-template: 36px 36px / auto 1fr; align-items: center; text-align: left; column-gap: 10px; justify-content: start; }
.cell.v-btn:last-child { border-right: 0; }
.cell.on { box-shadow: inset 0 -4px 0 var(--dye); }
.who { font-size: var(--s15); color: var(--quiet); }
.cell.on .who { color: var(--dye); font-weight: 700; }
.ratio { font-size: var(--s22); font-weight: 700; }
.gap { grid-column: 1 / 3; align-self: start; }
.worst { position: absolute; right: 34px; bottom: 8px; color: var(--stop); font-weight: 700; }
.tick { position: absolute; right: 4px; width: 24px; height: 3px; margin-top: -1.5px; background: var(--ink); transition: top var(--move); }
.cell.on .tick { background: var(--dye); width: 30px; height: 5px; margin-top: -2.5px; right: 2px; }
@media (max-width: 1000px) {
  .cell.v-btn { padding-right: 26px; padding-left: 8px; }
  .cell :deep(.v-btn__content) { column-gap: 6px; }
  .tick { width: 18px; }
  .cell.on .tick { width: 22px; }
  .worst { right: 26px; }
}
</style>
