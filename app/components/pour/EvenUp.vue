<script setup lang="ts">
import { evenPlan, type EvenBy } from '#core'
import { digits, say } from '#shared/figures'
import { useGlass } from '~/composables/useGlass'
import { notKept } from '~/composables/useStatement'
import { useBuild, type ToAdd } from '~/stores/build'
import { useChambers } from '~/stores/chambers'
import { useDevice } from '~/stores/device'

/** Small chambers up to the largest: what each must gain, where the glass will stand, and what it costs. */
const build = useBuild()
const device = useDevice()
const by = ref<EvenBy>('chamber')
const head = computed(() => build.state?.head ?? 1)
const { chambers } = useChambers()
const { stopAt } = useGlass()
/** What is planned besides the grinding of this head, which this would take the place of. */
const before = computed(() => (build.replayed?.planned ?? []).filter(op => !grinding.value.includes(op)))
const grinding = computed(() => (build.replayed?.planned ?? []).filter(op => op.kind === 'relief' && op.scope.level === 'cylinder' && build.asIs.find(s => s.cylinder === (op.scope as { cylinder: number }).cylinder)?.head === head.value))
const plan = computed(() => build.replayed && evenPlan(build.replayed, head.value, by.value, before.value, chambers))
const cut = computed(() => plan.value?.cut.after)
const deeper = computed(() => (cut.value?.deepest?.depth.value ?? 0) - Math.max(0, plan.value?.cut.before.deepest?.depth.value ?? 0))
const sentence = ref('')
async function hold(cylinder: number, held: boolean) {
  sentence.value = notKept(await build.add('hold', { level: 'cylinder', cylinder }, { held })) ?? ''
}
async function planGrinding() {
  sentence.value = notKept(await build.planAll(by.value === 'chamber' ? 'Even chambers' : 'Even ratios', [`up to cylinder ${plan.value?.largest}`], (plan.value?.grinding ?? []).map(({ kind, scope, body }) => ({ kind, scope, body }) as ToAdd))) ?? ''
}
</script>

<template>
  <section class="even">
    <template v-if="plan">
      <div class="by" role="group" aria-label="Even by">
        <v-btn :variant="by === 'chamber' ? 'flat' : 'outlined'" :color="by === 'chamber' ? 'primary' : undefined" :aria-pressed="by === 'chamber'" @click="by = 'chamber'">Even chambers</v-btn>
        <v-btn :variant="by === 'clearance' ? 'flat' : 'outlined'" :color="by === 'clearance' ? 'primary' : undefined" :aria-pressed="by === 'clearance'" @click="by = 'clearance'">Even ratios</v-btn>
      </div>
      <p class="small">Ground up to cylinder {{ plan.largest }}, the largest, <span class="num">{{ say(plan.level.value, 'volume') }}</span>.</p>
      <v-table class="close">
        <thead><tr><th>Cyl.</th><th class="r">Grind out</th><th class="r">Stop at</th><th>Fixed</th></tr></thead>
        <tbody>
          <tr v-for="c in plan.cylinders" :key="c.cylinder">
            <td class="num">{{ c.cylinder }}</td>
            <td class="r num"><strong v-if="c.gain.value >= 0.05">{{ say(c.gain.value, 'volume') }}</strong><span v-else-if="c.held && c.short.value >= 0.05" class="warn small">{{ say(c.short.value, 'volume') }} short</span><span v-else class="quiet">–</span></td>
            <td class="r num">{{ stopAt(c.chamber.value) ?? '–' }}</td>
            <td><BenchCheck :model-value="c.held" :aria-label="`Chamber ${c.cylinder} can’t be ground`" @update:model-value="hold(c.cylinder, $event)" /></td>
          </tr>
        </tbody>
      </v-table>
      <v-table class="close">
        <thead><tr><th>Spread</th><th class="r">now</th><th class="r">even</th></tr></thead>
        <tbody>
          <tr><td>chambers</td><td class="r num">{{ say(plan.spread.chamber.before, 'volume') }}</td><td class="r num">{{ say(plan.spread.chamber.after, 'volume') }}</td></tr>
          <tr><td>whole clearances</td><td class="r num">{{ say(plan.spread.clearance.before, 'volume') }}</td><td class="r num">{{ say(plan.spread.clearance.after, 'volume') }}</td></tr>
        </tbody>
      </v-table>
      <p class="small">It costs <strong class="num">{{ digits(plan.cost, 2) }}</strong> of ratio on average<template v-if="cut?.deepest && cut.toLowest && cut.deepest.depth.value > 0">. Then a cut of <strong class="num" data-even-cut>{{ say(cut.deepest.depth.value, 'length', device.lengths) }}</strong> brings the first to target, <span class="num">{{ say(deeper, 'length', device.lengths) }}</span> more than now; the last needs <span class="num">{{ say(cut.toLowest.depth.value, 'length', device.lengths) }}</span></template>.</p>
      <v-btn v-if="grinding.length === 0" :disabled="plan.grinding.length === 0" @click="planGrinding">Plan this grinding</v-btn>
      <PlannedWork :kinds="['relief']" />
      <p class="caution">Grinding dust harms eyes and lungs; guard the seats, and never cross the gasket’s line.</p>
    </template>
    <p v-else class="quiet">Pour two chambers of this head first.</p>
    <p v-if="sentence" class="sentence">{{ sentence }}</p>
  </section>
</template>

<style scoped>
.even { display: flex; flex-direction: column; gap: 8px; }
.by { display: flex; gap: 6px; flex-wrap: wrap; }
</style>
