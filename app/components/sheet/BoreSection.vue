<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { quantityOf, type Provenance, type Quantity } from '#core'
import { useBuild } from '~/stores/build'

/** The section of one bore at top dead centre, with the squish corner ten times larger beside it. */
const props = defineProps<{ focus?: string, left: { key: string, y: number }[], right: { key: string, y: number }[] }>()
const build = useBuild()
const holder = useTemplateRef<HTMLElement>('holder')
const size = useElementSize(holder)
/** The drawing is as large as its place, so that leaders begin at the callouts. */
const W = computed(() => size.width.value || 472)
const H = computed(() => size.height.value || 382)
const value = (name: Quantity) => quantityOf(build.replayed, name, build.cylinder)?.estimate.value
const from = (name: 'chamber' | 'gasket' | 'deck' | 'crown' | 'crevice'): Provenance => build.state?.parts[name]?.provenance ?? 'assumed'

const bore = computed(() => value('bore') ?? 90)
/** px per mm of the main drawing: the bore takes 150 px. */
const scale = computed(() => 150 / bore.value)
const deckY = 150
const cx = computed(() => W.value / 2 - 58)
const half = 75
const gasketH = computed(() => build.closed ? 0 : Math.max(2, (value('gasketThickness') ?? 1.2) * scale.value))
const crownY = computed(() => deckY + (value('deckClearance') ?? 0.3) * scale.value)
const crown = computed(() => value('crownVolume') ?? 0)
const faceY = computed(() => deckY - gasketH.value)
const chamberDepth = computed(() => Math.min(78, (build.state?.parts.chamber?.estimate.value ?? 50) * 1000 / (value('mouthArea') ?? 4700) * scale.value * 1.7))
const chamberPath = computed(() => {
  const y = faceY.value
  const d = chamberDepth.value
  return `M${cx.value - half + 26} ${y} L${cx.value - half + 32} ${y - d * 0.55} Q${cx.value - half + 36} ${y - d} ${cx.value - 4} ${y - d} L${cx.value + half - 30} ${y - d * 0.72} Q${cx.value + half - 8} ${y - d * 0.5} ${cx.value + half - 4} ${y} Z`
})
const dome = computed(() => Math.max(-26, Math.min(26, -crown.value * 0.9)))
// The detail: 10 × the drawing's own scale, cut off by the circle.
const detail = computed(() => ({ x: cx.value + 176, y: 180, r: 66 }))
const k = computed(() => scale.value * 10)
const detailDeck = computed(() => detail.value.y + 10)
const detailGasket = computed(() => build.closed ? 0 : Math.min(detail.value.r - 16, (value('gasketThickness') ?? 1.2) * k.value))
const detailClear = computed(() => Math.max(-40, Math.min(40, (value('deckClearance') ?? 0.3) * k.value)))

const anchors = computed<Record<string, [number, number]>>(() => ({
  chamberVolume: [cx.value - 20, faceY.value - chamberDepth.value * 0.6],
  mouthArea: [cx.value - half + 30, faceY.value],
  crownVolume: [cx.value - 34, crownY.value + 4],
  crownDiameter: [cx.value - half + 3, crownY.value + 30],
  topLandHeight: [cx.value - half + 2, crownY.value + 12],
  gasketThickness: [detail.value.x + 20, detailDeck.value - detailGasket.value / 2],
  gasketBore: [cx.value + half + 6, faceY.value + gasketH.value / 2],
  offers: [detail.value.x + 44, detailDeck.value - detailGasket.value / 2],
  bore: [cx.value + half, deckY + 70],
  stroke: [cx.value + half + 10, deckY + 130],
  rodLength: [cx.value + 8, deckY + 150]
}))
const on = (key: string) => props.focus === key
const leaders = computed(() => [
  ...props.left.map(slot => ({ ...slot, from: 0 })), ...props.right.map(slot => ({ ...slot, from: W.value }))
].flatMap((slot) => {
  const anchor = anchors.value[slot.key]
  if (!anchor) return []
  const knee = slot.from === 0 ? 22 : W.value - 12
  return [{ key: slot.key, d: `M${slot.from} ${slot.y} L${knee} ${slot.y} L${anchor[0]} ${anchor[1]}`, at: anchor }]
}))
</script>

<template>
  <div ref="holder">
    <svg :viewBox="`0 0 ${W} ${H}`" class="section" role="img" :aria-label="`Section of cylinder ${build.cylinder} at top dead centre`">
      <defs>
        <pattern id="iron" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"><line x1="0" y1="0" x2="0" y2="7" stroke="var(--hair)" stroke-width="1" /></pattern>
        <clipPath id="detail-clip"><circle :cx="detail.x" :cy="detail.y" :r="detail.r" /></clipPath>
      </defs>
      <!-- head -->
      <rect :x="cx - 100" y="52" width="200" :height="faceY - 52" fill="url(#iron)" stroke="var(--ink)" />
      <path :d="chamberPath" class="air" :class="[from('chamber'), { on: on('chamberVolume') }]" />
      <line :x1="cx - half + 26" :y1="faceY" :x2="cx + half - 4" :y2="faceY" class="edge" :class="{ on: on('mouthArea') }" />
      <!-- gasket -->
      <g v-if="!build.closed" :class="['gasket', from('gasket'), { on: on('gasketThickness') || on('gasketBore') || on('offers') }]">
        <rect :x="cx - 100" :y="faceY" :width="98 - half" :height="gasketH" /><rect :x="cx + half + 2" :y="faceY" :width="98 - half" :height="gasketH" />
      </g>
      <!-- block -->
      <rect :x="cx - 100" :y="deckY" :width="100 - half" height="200" fill="url(#iron)" stroke="var(--ink)" />
      <rect :x="cx + half" :y="deckY" :width="100 - half" height="200" fill="url(#iron)" stroke="var(--ink)" />
      <!-- piston -->
      <path
        class="piston" :class="[from('crown'), { on: on('crownVolume') || on('crownDiameter') || on('topLandHeight') }]"
        :d="`M${cx - half + 2} ${crownY} L${cx - 40} ${crownY} Q${cx} ${crownY - dome * 1.6} ${cx + 40} ${crownY} L${cx + half - 2} ${crownY} V${crownY + 84} H${cx - half + 2} Z`"
      />
      <g stroke="var(--ink)"><line v-for="n in 3" :key="n" :x1="cx - half + 2" :x2="cx + half - 2" :y1="crownY + 8 + n * 9" :y2="crownY + 8 + n * 9" /></g>
      <circle :cx="cx" :cy="crownY + 58" r="11" fill="var(--sheet)" stroke="var(--ink)" />
      <path :d="`M${cx - 6} ${crownY + 69} L${cx - 9} 352 M${cx + 6} ${crownY + 69} L${cx + 9} 352`" class="edge" :class="{ on: on('rodLength') }" />
      <path v-if="on('bore')" :d="`M${cx - half} ${deckY + 130} H${cx + half}`" class="edge on" />
      <path v-if="on('stroke')" :d="`M${cx + half + 10} ${crownY} V340`" class="edge on" />
      <!-- detail -->
      <rect :x="cx + half - 8" :y="faceY - 6" width="16" height="20" class="edge" />
      <g clip-path="url(#detail-clip)">
        <rect :x="detail.x - 70" :y="detail.y - 70" width="140" height="140" fill="var(--sheet)" />
        <rect :x="detail.x - 70" :y="detail.y - 90" width="140" :height="detailDeck - detailGasket - detail.y + 90" fill="url(#iron)" stroke="var(--ink)" />
        <rect v-if="!build.closed" :x="detail.x + 12" :y="detailDeck - detailGasket" width="80" :height="detailGasket" class="gasket-big" :class="[from('gasket'), { on: on('gasketThickness') || on('offers') }]" />
        <rect :x="detail.x + 4" :y="detailDeck" width="80" height="90" fill="url(#iron)" stroke="var(--ink)" />
        <rect :x="detail.x - 90" :y="detailDeck + detailClear" width="90" height="110" class="piston" :class="[from('deck'), { on: on('deckClearance') }]" />
        <path v-if="on('deckClearance')" :d="`M${detail.x - 20} ${detailDeck} V${detailDeck + detailClear} M${detail.x - 30} ${detailDeck} H${detail.x + 4}`" class="edge on" />
      </g>
      <circle :cx="detail.x" :cy="detail.y" :r="detail.r" fill="none" stroke="var(--ink)" stroke-width="1.5" />
      <g v-for="leader in leaders" :key="leader.key" class="leader" :class="{ on: on(leader.key) }">
        <path :d="leader.d" /><circle :cx="leader.at[0]" :cy="leader.at[1]" r="2.5" />
      </g>
      <text :x="detail.x" :y="detail.y + detail.r + 17" text-anchor="middle" class="clear">squish corner, 10 ×</text>
      <text :x="cx" y="44" text-anchor="middle" class="soft clear">{{ build.closed ? 'roof' : 'head' }}: not to scale</text>
    </svg>
  </div>
</template>

<style scoped>
.section { width: 100%; height: 100%; }
.air { fill: var(--sheet); stroke: var(--ink); stroke-width: 2; }
.air.book { stroke-dasharray: 1 4; stroke-linecap: round; }
.air.assumed { stroke-dasharray: 6 4; }
.gasket rect { fill: var(--brass-fill); stroke: var(--ink); }
.gasket.book rect, .gasket-big.book { stroke-dasharray: 1 3; }
.gasket.assumed rect, .gasket-big.assumed { stroke-dasharray: 6 4; fill: none; }
.gasket-big { fill: var(--brass-fill); stroke: var(--ink); }
.piston { fill: var(--well); stroke: var(--ink); stroke-width: 1.5; }
.piston.book { stroke-dasharray: 1 3; }
.piston.assumed { stroke-dasharray: 6 4; }
.edge { fill: none; stroke: var(--ink); }
.on, .gasket.on rect { stroke: var(--dye) !important; stroke-width: 3; }
.leader path { fill: none; stroke: var(--hair); }
.leader circle { fill: var(--quiet); }
.leader.on path { stroke: var(--dye); stroke-width: 1.5; }
.leader.on circle { fill: var(--dye); stroke: none; }
.soft { fill: var(--quiet); }
/* A leader that passes behind a text stops short of it. */
.clear { paint-order: stroke; stroke: var(--sheet); stroke-width: 6px; stroke-linejoin: round; }
</style>
