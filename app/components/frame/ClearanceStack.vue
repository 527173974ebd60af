<script setup lang="ts">
import { PARTS, estimate, footCuts, gasketOf, gasketsOffered, isOnTarget, openedAt, touches, uncertainty, type PartName, type Place } from '#core'
import { capital, say, sayDoubt, sayList } from '#shared/figures'
import { QUANTITY_WORDS } from '#shared/words/quantities'
import { useCcScale } from '~/composables/useCcScale'
import { solidsAsked } from '~/composables/useSolids'
import { shapeKey, shapeSetupOf } from '~/composables/shape/useShapeSetup'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { useDrafts } from '~/stores/drafts'
import { sayGap } from '~/words/advice'
import { PART_WORDS, clearanceFormula, partFormula, ratioFormula } from '~/words/formulas'

const build = useBuild()
const device = useDevice()
const drafts = useDrafts()
const route = useRoute()
const TOP = 8
const TALL = 380

const state = computed(() => build.state)
const parts = computed(() => PARTS.flatMap((name) => {
  const part = state.value?.parts[name]
  return part && Math.abs(part.estimate.value) > 0.005 ? [{ name, part }] : []
}))
const total = computed(() => state.value?.clearance?.estimate.value ?? 0)
/** The whole scale: what is added from the bottom up, and room above for what hangs down. */
const full = computed(() => Math.max(total.value, parts.value.reduce((sum, { part }) => sum + Math.max(0, part.estimate.value), 0), 1) * 1.02)
const px = (cc: number) => cc / full.value * TALL

interface Block { name: PartName, y: number, h: number, hangs: boolean, provenance: string, labelY: number }
const blocks = computed<Block[]>(() => {
  let level = TOP + TALL
  const list: Block[] = []
  const order = [...parts.value].reverse()
  for (const { name, part } of order.filter(p => p.part.estimate.value > 0)) {
    const h = px(part.estimate.value)
    level -= h
    list.push({ name, y: level, h, hangs: false, provenance: part.provenance, labelY: level + h / 2 })
  }
  for (const { name, part } of order.filter(p => p.part.estimate.value < 0)) {
    const h = px(-part.estimate.value)
    list.push({ name, y: level, h, hangs: true, provenance: part.provenance, labelY: level + h / 2 })
    level += h
  }
  return spread(list)
})
/** Labels keep 36 px between them and stay in order, so that leaders never cross, and none stands over the scale's top. */
function spread(list: Block[]): Block[] {
  const upward = [...list].sort((a, b) => b.labelY - a.labelY)
  let floor = TOP + TALL - 16
  for (const block of upward) {
    block.labelY = Math.min(block.labelY, floor)
    floor = block.labelY - 36
  }
  let roof = TOP + 14
  for (const block of upward.reverse()) {
    block.labelY = Math.max(block.labelY, roof)
    roof = block.labelY + 36
  }
  return list
}

const { half, shim: tolerance, band } = useCcScale()
const vernierY = (gap: number) => TOP + TALL / 2 - gap / half.value * (TALL / 2)
/** Marks at quarters of half the scale. */
const marks = computed(() => [4, 3, 2, 1, 0, -1, -2, -3, -4].map(i => i * half.value / 4))
const shim = computed(() => tolerance.value && { top: vernierY(tolerance.value.over), bottom: vernierY(tolerance.value.under) })
const ticks = computed(() => build.asIs.flatMap((s) => {
  if (!s.gap) return []
  const { value, u } = estimate(s.gap.estimate)
  return [{ cylinder: s.cylinder, y: vernierY(value), doubt: 2 * u / half.value * (TALL / 2), on: s.cylinder === build.cylinder }]
}))

const gap = computed(() => state.value?.gap?.estimate.value)
const gapSentence = computed(() => {
  if (gap.value === undefined) return build.replayed?.target ? '' : 'No target set.'
  return sayGap(gap.value, isOnTarget(state.value!, band.value))
})
/** What else is planned than what closes the gap: a face cut, or a closed barrel's foot. */
const besides = computed(() => (build.replayed?.planned ?? []).filter(op => op.kind !== (build.closed ? 'deckCut' : 'faceCut') && touches(op, build.replayed!.layout, build.cylinder)))
/** What is left to close with that done: a gasket that is planned closes its part. */
const left = computed(() => besides.value.length === 0 ? state.value : build.ifDone(besides.value)?.cylinders.find(c => c.cylinder === build.cylinder)?.state)
/** The ways that close the gap, each with the place where it is done. */
const ways = computed((): { words: string, at: Place }[] => {
  const open = left.value?.gap?.estimate.value
  if (open === undefined || !build.replayed || !state.value || isOnTarget(left.value!, band.value)) return []
  if (build.closed) {
    const foot = footCuts(build.replayed, state.value.bank, besides.value).find(c => c.cylinder === build.cylinder)?.depth.value
    if (foot === undefined || Math.abs(foot) < 0.005) return []
    const figure = say(Math.abs(foot), 'length', device.lengths)
    return [foot > 0 ? { words: `${figure} off the barrel’s foot`, at: { station: 'sheet', leaf: 'deck' } } : { words: `${figure} under the barrel`, at: { station: 'mockup', leaf: 'squish' } }]
  }
  const gaskets: Place = { station: 'sheet', leaf: 'gaskets' }
  if (open < 0) return [{ words: `${say(-open, 'volume')} out of the chamber`, at: openedAt(build.replayed, [build.cylinder]) }, { words: 'a thicker gasket', at: gaskets }]
  // A band that is turned into the head comes down with its face: what the ratio alone asks for is no plan yet.
  if (build.opens.some(o => o.kind === 'squish' && o.cylinders.includes(build.cylinder))) return [{ words: 'squish first', at: { station: 'mockup', leaf: 'squish' } }]
  const cut = build.cuts.find(c => c.head === state.value!.head)
  const depth = cut?.cylinders.find(c => c.cylinder === build.cylinder)?.depth.value
  const thinner = gasketsOffered(build.replayed, build.cylinder)[0]?.body.thickness.value
  // One that is planned already is no other way.
  const planned = gasketOf(build.replayed, build.cylinder, 'asPlanned')?.thickness.value
  return [
    ...cut?.unreachable.some(u => u.cylinder === build.cylinder) ? [{ words: 'no face cut is enough', at: { station: 'route' } as Place }] : [],
    // Its place is kept while a drawn chamber is being asked: what stands below does not move when it answers.
    ...depth === undefined && solidsAsked.value > 0 && cut?.waiting.includes(build.cylinder) ? [{ words: 'off the face: working it out', at: { station: 'cut', leaf: 'face' } as Place }] : [],
    ...depth === undefined || depth <= 0 ? [] : [{ words: `${say(depth, 'length', device.lengths)} off the face`, at: { station: 'cut', leaf: 'face' } as Place }],
    ...thinner !== undefined && planned !== undefined && thinner < planned ? [{ words: `the ${say(thinner, 'length', device.lengths)} gasket`, at: gaskets }] : []
  ]
})
/** What the ways reckon with, and what they don’t: on Shape the grinding that is drawn there has figures of its own beside it. */
const reckonedWith = computed(() => {
  const drawing = /\/shape$/.test(route.path) && state.value && shapeSetupOf(drafts.get(shapeKey(build.view?.id, state.value.head))).steps.length > 0
  const said = [...besides.value.length ? ['with what else is planned'] : [], ...drawing ? ['without what is drawn here'] : []].join(', ')
  return said && `${capital(said)}:`
})
/** Where the plan leaves it: nothing while that is being worked out, or where nothing is planned. */
const then = computed(() => build.replayed?.planned.length ? build.planned?.cylinders.find(c => c.cylinder === build.cylinder) : undefined)
/** Stations with tables of their own have the room instead. */
const folded = computed(() => /\/(daybook|flow|papers)$/.test(route.path))
const hatch = { measured: 'fill', derived: 'fill', book: 'dots', assumed: 'empty' } as Record<string, string>
</script>

<template>
  <aside v-if="state" class="stack" :class="{ folded, beside: route.path.endsWith('/pour') }" :aria-label="`Clearance volume of cylinder ${state.cylinder}`">
    <div class="top">
      <p class="label">Cylinder {{ state.cylinder }}<span v-if="build.replayed?.target" class="quiet"><span class="wide"> · target</span> {{ build.replayed.target.body.ratio.value.toFixed(2) }} ± {{ build.replayed.target.body.tolerance.value.toFixed(2) }}</span></p>
      <p class="main" data-main-figure>
        <FigureReading v-if="state.ratio" label="Ratio" :part="state.ratio" dimension="ratio" :formula="ratioFormula(state)" />
        <span v-else class="num">—</span>
        <span v-if="state.ratio" class="num quiet pm">{{ sayDoubt(uncertainty(state.ratio.estimate), 'ratio') }}</span>
      </p>
    </div>
    <p class="gap"><strong class="num">{{ gapSentence }}</strong></p>
    <p v-if="state.full && state.trapped" class="small both">full <FigureReading label="Full ratio" :part="state.full" dimension="ratio" /> · trapped <FigureReading label="Trapped ratio" :part="state.trapped" dimension="ratio" /></p>
    <p v-if="ways.length && reckonedWith" class="small quiet besides">{{ reckonedWith }}</p>
    <ul v-if="ways.length" class="ways" aria-label="What closes it">
      <li v-for="(way, i) in ways" :key="way.words"><GoTo :at="way.at">{{ i > 0 ? 'or ' : '' }}{{ way.words }}</GoTo></li>
    </ul>
    <div class="scales">
      <svg width="280" :height="TALL + TOP * 2 + 18" role="img" :aria-label="`Whole clearance ${total.toFixed(1)} cc. ${gapSentence}`">
        <defs>
          <pattern id="hangs-hatch" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"><rect width="6" height="6" fill="var(--sheet)" /><path d="M0 0V6" stroke="var(--ink)" stroke-width="1.5" /></pattern>
          <pattern id="book-dots" width="6" height="6" patternUnits="userSpaceOnUse"><circle cx="2" cy="2" r="1" fill="var(--ink)" /></pattern>
        </defs>
        <g v-for="block in blocks" :key="block.name" :class="['block', hatch[block.provenance], block.provenance, { hangs: block.hangs }]">
          <rect :x="block.hangs ? 30 : 8" :y="block.y" :width="block.hangs ? 22 : 44" :height="Math.max(1, block.h)" />
          <path class="leader" :d="`M52 ${block.y + block.h / 2} L64 ${block.labelY} L70 ${block.labelY}`" />
        </g>
        <g transform="translate(206 0)">
          <line x1="20" :y1="TOP" x2="20" :y2="TOP + TALL" stroke="var(--ink)" />
          <g v-for="cc in marks" :key="cc">
            <line x1="14" :y1="vernierY(cc)" x2="20" :y2="vernierY(cc)" stroke="var(--ink)" />
            <text class="num" x="11" :y="vernierY(cc) + 4" text-anchor="end">{{ cc > 0 ? `+${cc}` : cc === 0 ? '0' : `−${-cc}` }}</text>
          </g>
          <rect v-if="shim" x="20" :y="shim.top" width="46" :height="Math.max(2, shim.bottom - shim.top)" fill="var(--brass-fill)" stroke="var(--ink)" />
          <g v-for="tick in ticks" :key="tick.cylinder" :class="{ on: tick.on }" class="tick" :style="{ transform: `translateY(${tick.y}px)` }">
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
          <FigureReading :label="PART_WORDS[block.name]" :part="state.parts[block.name]" dimension="volume" :formula="partFormula(block.name, state.parts[block.name], id => build.byId.get(id))" />
        </li>
      </ul>
    </div>
    <p v-if="state.clearance" class="small whole">
      Whole: <FigureReading label="Whole clearance volume" :part="state.clearance" dimension="volume" :formula="clearanceFormula(state)" doubt />
    </p>
    <p v-if="state.missing.length" class="small">Missing: {{ sayList(state.missing.map(m => m === 'chamberVolume' ? 'the chamber' : QUANTITY_WORDS[m].noun)) }}.</p>
    <p v-if="then?.state.ratio" class="then"><span class="named">after the plan</span> <strong class="num">{{ then.state.ratio.estimate.value.toFixed(2) }}</strong> <span v-if="then.state.parts.chamber" class="small quiet">chamber <span class="num">{{ say(then.state.parts.chamber.estimate.value, 'volume') }}</span></span></p>
  </aside>
</template>

<style scoped>
.stack { border-left: 1px solid var(--ink); padding: 8px 14px; display: flex; flex-direction: column; overflow: hidden; }
.both { margin-bottom: 6px; }
.main { font-size: var(--s80); line-height: 1; font-weight: 700; letter-spacing: -4px; display: flex; align-items: baseline; gap: 8px; white-space: nowrap; }
.pm { font-size: var(--s15); font-weight: 400; letter-spacing: 0; }
.gap { font-size: var(--s22); line-height: 32px; }
.besides { padding-bottom: 3px; }
.ways { display: grid; margin-bottom: 4px; }
.ways li { border-top: 1px solid var(--hair); }
.ways .go { display: flex; align-items: center; min-height: 36px; justify-content: space-between; }
.scales { position: relative; width: 280px; margin-top: 6px; }
.labels li { position: absolute; left: 74px; font-size: var(--s15); line-height: 1.2; }
.labels .label { line-height: 1.1; }
.block rect { stroke: var(--ink); stroke-width: 1; fill: var(--well); }
.block.book rect { stroke-dasharray: 1 3; fill: url(#book-dots); }
.block.assumed rect { fill: none; stroke-dasharray: 5 4; }
.block.hangs rect { fill: url(#hangs-hatch); }
.leader { fill: none; stroke: var(--hair); }
.tick line { stroke: var(--ink); stroke-width: 2; }
.tick .doubt { stroke-width: 1; }
.tick { transition: transform var(--move); }
.tick.on line { stroke: var(--dye); stroke-width: 4; }
.tick.on .doubt { stroke-width: 1.5; }
.quiet-text { fill: var(--quiet); }
.then { margin-top: auto; border-top: 1px solid var(--ink); padding-top: 6px; display: flex; align-items: baseline; gap: 8px; }
.named { white-space: nowrap; }
.then strong { font-size: var(--s32); line-height: 1; }
/* Where a glass is read its reading is the large figure. */
.beside .main { font-size: var(--s32); letter-spacing: -1px; line-height: 1.3; }
.stack.folded { padding: 8px 6px; }
.folded .main { font-size: var(--s22); letter-spacing: 0; flex-direction: column; gap: 0; }
.folded .pm, .folded .label { font-size: var(--s13); }
.folded .gap { font-size: var(--s15); line-height: 1.3; }
.folded .gap .num { white-space: normal; }
.folded .label .quiet, .folded .besides, .folded .ways, .folded .scales, .folded .whole, .folded .then { display: none; }
@media (max-width: 1000px) { .both { display: none; } }
@media (max-width: 1000px) {
  .stack, .stack.folded { border-left: 0; border-top: 1px solid var(--ink); flex-direction: row; align-items: center; gap: 16px; height: 80px; padding: 0 14px; }
  .besides, .scales, .whole, .then .small { display: none; }
  .top { display: flex; align-items: center; gap: 12px; }
  .top .wide { display: none; }
  .top .label .quiet { display: block; }
  .main, .folded .main { font-size: var(--s48); flex-direction: row; gap: 10px; }
  .beside .main { font-size: var(--s32); }
  .gap, .folded .gap .num { white-space: nowrap; }
  .ways { margin: 0; white-space: nowrap; }
  .ways li + li, .stack:has(.then) .ways { display: none; }
  .ways li { border: 0; }
  .ways .go { min-height: 44px; gap: 4px; }
  .then { margin: 0 0 0 auto; border: 0; white-space: nowrap; padding: 0; }
}
</style>
