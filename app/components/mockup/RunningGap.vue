<script setup lang="ts">
import { squishToKeep, type Bodies, type Quantity, type SquishStanding } from '#core'
import { say, shown } from '#shared/figures'
import { notKept } from '~/composables/useStatement'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { useShop } from '~/stores/shop'
import { plainPairs } from '~/words/pairs'
import { sayToState } from '~/words/statement'

const FIELDS: readonly Quantity[] = ['revs', 'pistonMass', 'rodBeamMass', 'rodSection', 'bearingPlay', 'heatGrowth', 'squishRecess', 'squishArea', 'bandEdge']
/** What of the cold gap is left when it runs, against the shop's own window. */
const props = defineProps<{ standing: SquishStanding }>()
const build = useBuild()
const device = useDevice()
const shop = useShop()
const running = computed(() => props.standing.running)
const window = computed(() => running.value && build.replayed ? squishToKeep(build.replayed, shop.rules, build.cylinder).window : undefined)
const verdict = computed(() => {
  const gap = running.value?.gap.estimate.value
  if (gap === undefined) return undefined
  if (gap <= 0) return { text: 'It touches.', stop: true }
  if (!window.value) return { text: 'The shop’s table has no row for such an engine.', stop: false }
  if (gap < window.value.least) return { text: `${say(window.value.least - gap, 'length', device.lengths)} tighter than the shop goes.`, stop: true }
  if (gap > window.value.most) return { text: `${say(gap - window.value.most, 'length', device.lengths)} wider than the shop likes.`, stop: false }
  return { text: 'Inside the shop’s window.', stop: false }
})
/** The window as a bar: nought to twice its middle. */
const bar = computed(() => {
  if (!window.value || !running.value) return undefined
  const full = Math.max(window.value.most * 1.4, running.value.gap.estimate.value * 1.1)
  const x = (v: number) => Math.max(0, Math.min(1, v / full)) * 150
  return { from: x(window.value.least), to: x(window.value.most), at: x(running.value.gap.estimate.value) }
})
/** Both ends' figures stand from here outwards: in inches they are as wide as the window itself. */
const middle = computed(() => bar.value ? Math.max(52, (bar.value.from + bar.value.to) / 2) : 0)
const toState = computed(() => sayToState(build.replayed, build.cylinder, ['bore', 'stroke', 'rodLength', 'revs'], 'mockup'))
const sentence = ref('')
async function made(of: Bodies['rod']) {
  sentence.value = notKept(await build.add('rod', { level: 'build' }, of)) ?? ''
}
const whole = { level: 'build' } as const
</script>

<template>
  <section class="running">
    <h3>Running</h3>
    <div v-if="running" class="sum">
      <dl class="losses">
        <div><dt>cold</dt><dd><FigureReading label="Cold gap" :part="standing.gap" dimension="length" /></dd></div>
        <div><dt>− rod stretch</dt><dd><FigureReading label="Rod stretch" :part="running.stretch" dimension="length" formula="(m + m beam / 2) · r · ω² · (1 + r/l) · l / (A · E)" /></dd></div>
        <div><dt>− bearings</dt><dd><FigureReading label="Play of pin and bearings" :part="running.bearings" dimension="length" /></dd></div>
        <div><dt>− rock</dt><dd class="num">{{ say(running.rock, 'length', device.lengths) }}</dd></div>
        <div><dt>− heat</dt><dd><FigureReading label="What heat closes" :part="running.heat" dimension="length" formula="α · L · ΔT of rod, piston and crank, less that of the block" /></dd></div>
        <div class="left"><dt>= running</dt><dd><FigureReading label="Running gap" :part="running.gap" dimension="length" formula="cold − stretch − bearings − rock − heat" /></dd></div>
      </dl>
      <div>
        <p v-if="verdict" class="verdict" :class="{ warn: verdict.stop }" role="status">{{ verdict.text }}</p>
        <svg v-if="bar && window" width="164" height="36" role="img" :aria-label="`Window ${say(window.least, 'length', device.lengths)} to ${say(window.most, 'length', device.lengths)}`">
          <line x1="0" x2="158" y1="12" y2="12" class="line" />
          <rect :x="bar.from" y="6" :width="Math.max(2, bar.to - bar.from)" height="12" class="shim" />
          <line :x1="bar.at" :x2="bar.at" y1="0" y2="22" class="tick" />
          <text :x="middle - 3" y="33" text-anchor="end" class="num">{{ shown(window.least, 'length', device.lengths).number }}</text>
          <text :x="middle + 3" y="33" class="num">{{ shown(window.most, 'length', device.lengths).number }}</text>
        </svg>
        <p v-if="window" class="small quiet">the shop’s window, {{ window.rod }} rods</p>
      </div>
    </div>
    <p v-else class="small quiet">{{ toState ? `${toState}: the running gap follows.` : standing.gap ? 'With this rod and stroke the crank can’t turn: look at both on the Sheet.' : 'Measure the squish with solder, or the deck clearance and the gasket: the running gap follows.' }}</p>
    <BenchFold :open="!running" title="Rod, revs, play and band" :holds="FIELDS">
      <div class="fields">
        <BenchSelect id="rod" label="Rods of" :model-value="running?.materialStated ? running.material : undefined" placeholder="steel, assumed?" :items="plainPairs(['steel', 'aluminium', 'titanium'])" @update:model-value="made({ material: $event! })" />
        <BenchSelect id="block" label="Block of" :model-value="running?.block" placeholder="iron or aluminium?" :items="[['iron', 'cast iron'], ['aluminium', 'aluminium']]" @update:model-value="made({ block: $event! })" />
        <StatementField v-for="name in FIELDS" :key="name" :quantity="name" :scope="name === 'squishRecess' ? { level: 'head', head: build.state?.head ?? 1 } : whole" :no-basis="name === 'revs'" />
      </div>
    </BenchFold>
    <p v-if="sentence" class="sentence">{{ sentence }}</p>
  </section>
</template>

<style scoped>
.sum { display: grid; grid-template-columns: auto minmax(0, 1fr); gap: 20px; }
.losses > div { display: grid; grid-template-columns: 104px auto; gap: 6px; align-items: baseline; line-height: 1.55; }
dt { font-size: var(--s13); color: var(--quiet); white-space: nowrap; }
.left { border-top: 1px solid var(--ink); margin-top: 2px; padding-top: 2px; }
.left dt { color: var(--ink); }
.left dd :deep(.num:first-child) { font-size: var(--s22); font-weight: 700; }
.verdict { margin-bottom: 6px; }
.line { stroke: var(--ink); }
.shim { fill: var(--brass-fill); stroke: var(--ink); }
.tick { stroke: var(--dye); stroke-width: 5; }
/* A label and where its figure comes from do not stand side by side in less. */
.fields { display: grid; grid-template-columns: repeat(auto-fit, minmax(250px, 1fr)); gap: 8px 12px; padding-bottom: 20px; }
@media (max-width: 1000px) {
  .sum { gap: 10px; }
  .losses > div { grid-template-columns: 92px auto; }
}
</style>
