<script setup lang="ts">
import { estimate, type CylinderState } from '#core'
import { digits, signed } from '#shared/figures'
import { useCcScale } from '~/composables/useCcScale'
import { useBuild } from '~/stores/build'

/** Every cylinder on one scale: its bar hangs from the target's brass, up where there are cc over, down where there are too few. */
const build = useBuild()
const { half, shim } = useCcScale()
const HIGH = 76
const MIDDLE = HIGH / 2
/** Pixels for half the scale. */
const TALL = 32
const y = (cc: number) => MIDDLE - cc / half.value * TALL

/** Above this many what is under a ratio stands in two lines; above the other there is room for the ratio alone, and the gap is in the cylinder's own words. */
const CLOSE = 6
const CROWDED = 8
const crowded = computed(() => build.asIs.length > CROWDED)
const close = computed(() => !crowded.value && build.asIs.length > CLOSE)
const banks = computed(() => build.replayed?.layout.banks ?? [])
/** A bank's first cylinder, but the first bank's. */
const begins = (cylinder: number) => banks.value.slice(1).some(bank => bank[0] === cylinder)
const inOrder = computed(() => build.along.flatMap(c => build.asIs.find(s => s.cylinder === c) ?? []))
const spread = computed(() => {
  const all = build.asIs.flatMap(s => s.clearance?.estimate.value ?? [])
  return all.length > 1 ? Math.max(...all) - Math.min(...all) : undefined
})
const poured = (cylinder: number) => build.replayed?.pours.find(p => p.cylinder === cylinder)?.ever === true
  || build.asIs.find(s => s.cylinder === cylinder)?.clearance?.provenance === 'measured'
/** Where the plan leaves it, where anything is planned that moves it. */
function planned({ cylinder, gap }: CylinderState): number | undefined {
  const then = build.planned?.cylinders.find(c => c.cylinder === cylinder)?.state.gap?.estimate.value
  return then === undefined || !gap || Math.abs(then - gap.estimate.value) < 0.005 ? undefined : then
}
const bars = computed(() => new Map(inOrder.value.flatMap((state) => {
  if (!state.gap) return []
  const { value, u } = estimate(state.gap.estimate)
  const then = planned(state)
  return [[state.cylinder, { y: y(value), top: y(value + 2 * u), bottom: y(value - 2 * u), guess: !poured(state.cylinder), then: then === undefined ? undefined : y(then) }] as const]
})))
/** Cylinders the next move is about, where it is not about all of them. */
const concerned = computed(() => {
  const [next] = build.opens
  return next && next.cylinders.length < build.asIs.length ? next.cylinders : []
})

function gap(state: CylinderState): string {
  if (!state.gap) return build.replayed?.target ? '' : 'no target'
  const value = state.gap.estimate.value
  return `${signed(value, 1)} cc`
}
</script>

<template>
  <nav class="strip" :class="{ crowded, close }" aria-label="Cylinders">
    <div class="gutter small" aria-hidden="true">
      <template v-if="shim"><span>over +{{ half }}</span><span>under −{{ half }}</span></template>
    </div>
    <div v-if="shim" class="band" :style="{ top: `${y(shim.over)}px`, height: `${Math.max(3, y(shim.under) - y(shim.over))}px` }" />
    <v-btn
      v-for="state in inOrder" :key="state.cylinder" variant="text" class="cell" :class="{ on: state.cylinder === build.cylinder, begins: begins(state.cylinder) }"
      :aria-pressed="state.cylinder === build.cylinder" @click="build.cylinder = state.cylinder"
    >
      <!-- Heard as it is seen, with the words between: who presses by voice says what stands there. -->
      <span class="visually-hidden">Cylinder </span><span class="who num">{{ state.cylinder }}</span>
      <span class="visually-hidden">{{ state.ratio ? 'ratio' : 'no ratio yet' }} </span><span class="ratio num">{{ state.ratio ? state.ratio.estimate.value.toFixed(2) : '—' }}</span>
      <span v-if="state.gap" class="visually-hidden">off the target by </span><span class="under small"><span class="gap num" :class="{ 'visually-hidden': crowded }">{{ gap(state) }}</span> <span v-if="state.cylinder === build.worst && build.asIs.length > 1" class="worst">worst</span></span>
      <svg v-if="bars.has(state.cylinder)" class="plumb" width="20" :height="HIGH" aria-hidden="true">
        <path class="whisker" :d="`M10 ${bars.get(state.cylinder)!.top}V${bars.get(state.cylinder)!.bottom}`" />
        <rect
          class="bar" :class="{ guess: bars.get(state.cylinder)!.guess }" x="6" width="8" :y="Math.min(MIDDLE, bars.get(state.cylinder)!.y)"
          :height="Math.max(2, Math.abs(MIDDLE - bars.get(state.cylinder)!.y))" :data-up="bars.get(state.cylinder)!.y < MIDDLE"
        />
        <path v-if="bars.get(state.cylinder)!.then !== undefined" class="then" :d="`M10 ${bars.get(state.cylinder)!.then! - 6}l6 6-6 6-6-6z`" />
      </svg>
      <i v-if="concerned.includes(state.cylinder)" class="notch" aria-hidden="true" />
    </v-btn>
    <p v-if="spread !== undefined && !crowded" class="spread small quiet"><span>spread</span> <strong class="num">{{ digits(spread, 1) }} cc</strong></p>
  </nav>
</template>

<style scoped>
.strip { position: relative; display: flex; height: 76px; flex: none; border-bottom: 1px solid var(--ink); }
.gutter { flex: none; width: 80px; display: flex; flex-direction: column; justify-content: space-between; padding: 6px 2px 6px 10px; color: var(--quiet); border-right: 1px solid var(--hair); white-space: nowrap; overflow: hidden; }
.band { position: absolute; left: 0; right: 0; background: var(--brass-fill); border: 1px solid var(--brass); border-width: 1px 0; opacity: .55; }
.cell.v-btn { position: relative; flex: 1 1 0; max-width: 208px; height: 100%; border-right: 1px solid var(--hair); display: block; padding: 0 24px 0 10px; }
.cell.begins { border-left: 2px solid var(--ink); }
.cell :deep(.v-btn__content) { height: 75px; display: grid; grid-template: 37px 37px / auto 1fr; align-items: center; text-align: left; gap: 0 10px; justify-content: start; }
.cell.on { box-shadow: inset 0 -4px 0 var(--dye); }
.who { font-size: var(--s15); color: var(--quiet); }
.cell.on .who { color: var(--dye); font-weight: 700; }
.ratio { font-size: var(--s22); font-weight: 700; }
.under { grid-column: 1 / 3; white-space: nowrap; }
.worst { color: var(--stop); font-weight: 700; margin-left: 4px; }
.plumb { position: absolute; right: 2px; top: 0; }
.bar { fill: var(--ink); stroke: var(--ink); transition: y var(--move), height var(--move); }
.cell.on .bar { fill: var(--dye); stroke: var(--dye); }
.cell .bar.guess { fill: none; stroke-dasharray: 3 2; }
.whisker { stroke: var(--ink); stroke-width: 1; }
.then { fill: var(--sheet); stroke: var(--ink); stroke-width: 1.5; }
.notch { position: absolute; left: 0; top: 0; border: 6px solid; border-color: var(--dye) transparent transparent var(--dye); }
.spread { flex: none; width: 84px; margin-left: auto; padding: 6px 8px 10px 10px; display: flex; flex-direction: column; justify-content: space-between; }
.crowded .cell.v-btn { padding: 0 18px 0 6px; }
.crowded .who { align-self: start; margin-top: 6px; }
.crowded .ratio { font-size: var(--s18); align-self: start; margin-top: 4px; }
.crowded .cell :deep(.v-btn__content) { grid-template: 36px 20px 18px / auto 1fr; }
.crowded .under { grid-area: 3 / 1 / 4 / 3; line-height: 1; align-self: start; }
.crowded .ratio { grid-area: 2 / 1 / 3 / 3; line-height: 1; }
.crowded .worst { margin: 0; }
.crowded .plumb { right: 0; }
.close .cell.v-btn { padding: 0 18px 0 6px; }
.close .cell :deep(.v-btn__content) { column-gap: 5px; }
.close .ratio { font-size: var(--s18); }
.close .under { display: grid; line-height: 1.15; }
.close .worst { margin: 0; }
.close .plumb { right: 0; }
@media (max-width: 1000px) {
  .gutter { width: 70px; padding: 6px 0 6px 2px; }
  .cell.v-btn { padding-left: 8px; }
  .cell :deep(.v-btn__content) { column-gap: 5px; }
  .plumb { right: -2px; }
  .spread { display: none; }
  .crowded .cell.v-btn { padding: 0 12px 0 4px; }
  .crowded .ratio { font-size: var(--s15); }
  .crowded .plumb { right: -4px; }
  .cell.v-btn { padding-right: 18px; }
  .close .cell.v-btn { padding: 0 16px 0 5px; }
}
</style>
