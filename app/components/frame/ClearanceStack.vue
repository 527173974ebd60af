<script setup lang="ts">
import { PARTS, estimate, targetBand, uncertainty, clearanceForRatio, quantityOf, type PartName } from '#core'
import { say, sayDoubt } from '#shared/figures'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { sayGap } from '~/words/advice'
import { PART_FORMULAS, PART_WORDS, clearanceFormula, ratioFormula } from '~/words/formulas'

const build = useBuild()
const device = useDevice()
const TOP = 8
const TALL = 420
const REACH = 6

const state = computed(() => build.state)
const parts = computed(() => PARTS.flatMap((name) => {
  const part = state.value?.parts[name]
  return part && Math.abs(part.value.value) > 0.005 ? [{ name, part }] : []
}))
const total = computed(() => state.value?.clearance?.value.value ?? 0)
/** The whole scale: what is added from the bottom up, and room above for what hangs down. */
const full = computed(() => Math.max(total.value, parts.value.reduce((sum, { part }) => sum + Math.max(0, part.value.value), 0), 1) * 1.02)
const px = (cc: number) => cc / full.value * TALL

interface Block { name: PartName, y: number, h: number, hangs: boolean, provenance: string, labelY: number }
const blocks = computed<Block[]>(() => {
  let level = TOP + TALL
  const list: Block[] = []
  const order = [...parts.value].reverse()
  for (const { name, part } of order.filter(p => p.part.value.value > 0)) {
    const h = px(part.value.value)
    level -= h
    list.push({ name, y: level, h, hangs: false, provenance: part.provenance, labelY: level + h / 2 })
  }
  for (const { name, part } of order.filter(p => p.part.value.value < 0)) {
    const h = px(-part.value.value)
    list.push({ name, y: level, h, hangs: true, provenance: part.provenance, labelY: level + h / 2 })
    level += h
  }
  return spread(list)
})
/** Labels keep 34 px between them and stay in order, so that leaders never cross. */
function spread(list: Block[]): Block[] {
  const sorted = [...list].sort((a, b) => b.labelY - a.labelY)
  let floor = TOP + TALL - 16
  for (const block of sorted) {
    block.labelY = Math.min(block.labelY, floor)
    floor = block.labelY - 36
  }
  return list
}

const band = computed(() => targetBand(build.replayed?.target))
const wanted = computed(() => state.value?.targetClearance?.value.value)
const vernierY = (gap: number) => TOP + TALL / 2 - Math.max(-REACH, Math.min(REACH, gap)) / REACH * (TALL / 2)
const shim = computed(() => {
  const swept = state.value?.swept?.value.value
  if (!band.value || !swept || wanted.value === undefined || band.value.low <= 1) return undefined
  const over = clearanceForRatio(swept, band.value.low) - wanted.value
  const under = clearanceForRatio(swept, band.value.high) - wanted.value
  return { top: vernierY(over), bottom: vernierY(under) }
})
const ticks = computed(() => build.asIs.flatMap((s) => {
  if (!s.gap) return []
  const { value, u } = estimate(s.gap.value)
  return [{ cylinder: s.cylinder, y: vernierY(value), doubt: 2 * u / REACH * (TALL / 2), off: Math.abs(value) > REACH, on: s.cylinder === build.cylinder }]
}))

const gapSentence = computed(() => {
  const gap = state.value?.gap
  if (!gap || !state.value) return build.replayed?.target ? '' : 'No target set.'
  const swept = state.value.swept!.value.value
  const tolerance = band.value ? clearanceForRatio(swept, band.value.low) - wanted.value! : 0
  return sayGap(gap.value.value, tolerance)
})
const ways = computed(() => {
  const gap = state.value?.gap?.value.value
  if (gap === undefined || !build.replayed || !state.value || gapSentence.value === 'on target') return ''
  if (gap < 0) return `grind ${say(-gap, 'volume')} out of the chamber, or a thicker gasket.`
  // A band that is turned into the head comes down with its face: what the ratio alone asks for is no plan yet.
  if (build.opens.some(o => o.kind === 'squish' && o.cylinders.includes(build.cylinder))) return 'squish first.'
  const cut = build.cuts.find(c => c.head === state.value!.head)
  const depth = cut?.cylinders.find(c => c.cylinder === build.cylinder)?.depth.value
  const thinner = build.replayed.offers.map(o => o.body.thickness.value).sort((a, b) => a - b)[0]
  const fitted = quantityOf(build.replayed, 'gasketThickness', build.cylinder)?.value.value
  const face = depth === undefined || depth <= 0 ? '' : `${say(depth, 'length', device.lengths)} off the face`
  const gasket = thinner !== undefined && fitted !== undefined && thinner < fitted ? `the ${say(thinner, 'length', device.lengths)} gasket and less` : ''
  return [face, gasket].filter(Boolean).join(', or ') + '.'
})
const hatch = { measured: 'fill', derived: 'fill', book: 'dots', assumed: 'empty' } as Record<string, string>
</script>

<template>
  <aside v-if="state" class="stack" :aria-label="`Clearance volume of cylinder ${state.cylinder}`">
    <div class="top">
      <p class="label">Cylinder {{ state.cylinder }}<span v-if="build.replayed?.target" class="quiet"> · target {{ build.replayed.target.body.ratio.value.toFixed(2) }} ± {{ build.replayed.target.body.tolerance.value.toFixed(2) }}</span></p>
      <p class="main" data-main-figure>
        <FigureReading v-if="state.ratio" label="Ratio" :part="state.ratio" dimension="ratio" :formula="ratioFormula(state)" />
        <span v-else class="num">—</span>
      </p>
      <p v-if="state.ratio" class="num quiet pm">{{ sayDoubt(uncertainty(state.ratio.value), 'ratio') }}</p>
    </div>
    <p class="gap"><strong class="num">{{ gapSentence }}</strong><span v-if="ways">: {{ ways }}</span></p>
    <div class="scales">
      <svg width="280" :height="TALL + TOP * 2 + 18" role="img" :aria-label="`Whole clearance ${total.toFixed(1)} cc. ${gapSentence}`">
        <defs>
          <pattern id="book-dots" width="6" height="6" patternUnits="userSpaceOnUse"><circle cx="2" cy="2" r="1" fill="var(--ink)" /></pattern>
        </defs>
        <g v-for="block in blocks" :key="block.name" :class="['block', hatch[block.provenance], block.provenance, { hangs: block.hangs }]">
          <rect :x="block.hangs ? 30 : 8" :y="block.y" :width="block.hangs ? 22 : 44" :height="Math.max(1, block.h)" />
          <path class="leader" :d="`M52 ${block.y + block.h / 2} L64 ${block.labelY} L70 ${block.labelY}`" />
        </g>
        <g transform="translate(206 0)">
          <line x1="20" :y1="TOP" x2="20" :y2="TOP + TALL" stroke="var(--ink)" />
          <g v-for="cc in [6, 4, 2, 0, -2, -4, -6]" :key="cc">
            <line x1="14" :y1="vernierY(cc)" x2="20" :y2="vernierY(cc)" stroke="var(--ink)" />
            <text class="num" x="11" :y="vernierY(cc) + 4" text-anchor="end">{{ cc > 0 ? `+${cc}` : cc === 0 ? '0' : `−${-cc}` }}</text>
          </g>
          <rect v-if="shim" x="20" :y="shim.top" width="46" :height="Math.max(2, shim.bottom - shim.top)" fill="var(--brass-fill)" stroke="var(--ink)" />
          <g v-for="tick in ticks" :key="tick.cylinder" :class="{ on: tick.on }" class="tick" :style="{ transform: `translateY(${tick.y}px)` }">
            <path v-if="tick.off" :d="tick.on ? 'M40 -1 L47 -8 L54 -1' : 'M24 -1 L28 -6 L32 -1'" class="off" />
            <line x1="20" y1="0" :x2="tick.on ? 58 : 34" y2="0" />
            <line :x1="tick.on ? 58 : 34" :y1="-tick.doubt" :x2="tick.on ? 58 : 34" :y2="tick.doubt" class="doubt" />
            <text v-if="tick.on" class="num" x="62" y="5">{{ tick.cylinder }}</text>
          </g>
          <text x="20" :y="TOP + TALL + 20" text-anchor="middle" class="quiet-text">cc to target</text>
        </g>
      </svg>
      <ul class="labels">
        <li v-for="block in blocks" :key="block.name" :style="{ top: `${block.labelY - 18}px` }">
          <span class="label">{{ PART_WORDS[block.name] }}</span>
          <FigureReading :label="PART_WORDS[block.name]" :part="state.parts[block.name]" dimension="volume" :formula="PART_FORMULAS[block.name]" />
        </li>
      </ul>
    </div>
    <p v-if="state.clearance" class="small foot">
      Whole: <FigureReading label="Whole clearance volume" :part="state.clearance" dimension="volume" :formula="clearanceFormula(state)" doubt />
    </p>
    <p v-if="state.missing.length" class="small">Missing: {{ state.missing.map(m => m === 'chamberVolume' ? 'the chamber' : m).join(', ') }}.</p>
  </aside>
</template>

<style scoped>
.stack { border-left: 1px solid var(--ink); padding: 8px 14px; display: flex; flex-direction: column; overflow: hidden; }
.main { font-size: var(--s80); line-height: 1; font-weight: 700; letter-spacing: -2px; }
.pm { font-size: var(--s18); }
.gap { font-size: var(--s15); min-height: 62px; margin-top: 4px; }
.scales { position: relative; width: 280px; }
.labels li { position: absolute; left: 74px; font-size: var(--s15); line-height: 1.2; }
.labels .label { line-height: 1.1; }
.block rect { stroke: var(--ink); stroke-width: 1; fill: var(--well); }
.block.book rect { stroke-dasharray: 1 3; fill: url(#book-dots); }
.block.assumed rect { fill: none; stroke-dasharray: 5 4; }
.block.hangs rect { fill: var(--sheet); stroke: var(--stop); }
.leader { fill: none; stroke: var(--hair); }
.tick line { stroke: var(--ink); stroke-width: 2; }
.tick .doubt { stroke-width: 1; }
.tick .off { fill: none; stroke: currentColor; stroke-width: 2; }
.tick { transition: transform var(--move); }
.tick.on line { stroke: var(--dye); stroke-width: 4; }
.tick.on .doubt { stroke-width: 1.5; }
.quiet-text { fill: var(--quiet); }
.foot { margin-top: auto; }
@media (max-width: 1000px) {
  .stack { border-left: 0; border-top: 1px solid var(--ink); flex-direction: row; align-items: center; gap: 16px; height: 80px; padding: 0 14px; }
  .scales, .foot, .top .label { display: none; }
  .top { display: flex; align-items: baseline; gap: 10px; }
  .main { font-size: var(--s48); }
  .gap { min-height: 0; margin: 0; }
}
</style>
