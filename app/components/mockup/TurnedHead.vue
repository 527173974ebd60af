<script setup lang="ts">
import { bandEdgeShift, turnedPlan, uncertainty, quantityOf, type PourEntry } from '#core'
import { digits, say, sayDoubt } from '#shared/figures'
import { notKept } from '~/composables/useStatement'
import { useBuild, type ToAdd } from '~/stores/build'
import { useChambers } from '~/stores/chambers'
import { useDevice } from '~/stores/device'
import { sayStop } from '~/words/stop'

/** A turned head: squish first, then the dome, with both readings to stop at. */
const build = useBuild()
const device = useDevice()
const { chambers } = useChambers()
const q = (name: 'bore' | 'bandAngle') => quantityOf(build.replayed, name, build.cylinder)
const target = computed(() => build.replayed?.target?.body.ratio.value)
/** What is planned already: both would take its place, so nothing is planned twice. */
const mine = computed(() => (build.replayed?.planned ?? []).filter(op => (op.kind === 'faceCut' && op.scope.level === 'head' && op.scope.head === build.state?.head)
  || (op.kind === 'relief' && op.scope.level === 'cylinder' && op.scope.cylinder === build.cylinder)))
const plan = computed(() => build.replayed && turnedPlan(build.replayed, build.cylinder, build.replayed.planned, chambers))
const angle = computed(() => q('bandAngle')?.estimate.value)
const edge = computed(() => plan.value && angle.value && plan.value.off.value > 0
  ? { before: q('bore')!.estimate.value, after: q('bore')!.estimate.value - 2 * bandEdgeShift(plan.value.off.value, angle.value) }
  : undefined)
/** The last pour through the plug hole: its glass and its column tell where to stop. */
const through = computed(() => [...build.replayed?.live.entries ?? []].reverse()
  .find((e): e is PourEntry => e.kind === 'pour' && e.body.encloses === 'assembled' && e.scope.level === 'cylinder' && e.scope.cylinder === build.cylinder))
const stopAt = (clearance: number | undefined) => through.value && clearance !== undefined ? sayStop(clearance + (through.value.body.plugColumn?.value ?? 0), through.value.body.instrument) : undefined
const sentence = ref('')
async function planIt() {
  sentence.value = notKept(await build.planAll('Turned head', ['squish first, then the dome'], (plan.value?.operations ?? []).map(({ kind, scope, body }) => {
    const before = mine.value.find(op => op.kind === kind)
    return { kind, scope, body, more: before ? { supersedes: before.id } : {} } as ToAdd
  }))) ?? ''
}
const whole = { level: 'build' } as const
</script>

<template>
  <section class="turned">
    <ol v-if="plan?.toOpen && plan.taken">
      <li>
        <span class="does">Off the seat face</span>
        <span class="figure"><strong class="num big" data-turned="off">{{ say(plan.off.value, 'length', device.lengths) }}</strong> <span class="num quiet small">{{ sayDoubt(uncertainty(plan.off), 'length', device.lengths) }}</span></span>
        <p class="small">That takes <span class="num">{{ say(plan.taken.value, 'volume', 'mm', 1) }}</span> and leaves <span class="num">{{ digits(plan.then.state.ratio?.estimate.value ?? 0, 2) }}</span><template v-if="stopAt(plan.then.state.clearance?.estimate.value)">; the glass then reads <strong class="num">{{ stopAt(plan.then.state.clearance?.estimate.value) }}</strong></template>.<template v-if="edge"> The band’s outer edge goes from <span class="num">{{ say(edge.before, 'length', device.lengths) }}</span> to <span class="num">{{ say(edge.after, 'length', device.lengths) }}</span> across, until it is cut again at its angle to meet the bore.</template></p>
      </li>
      <li v-if="plan.toOpen.value > 0">
        <span class="does">Open the dome by</span>
        <span class="figure"><strong class="num big" data-turned="open">{{ say(plan.toOpen.value, 'volume', 'mm', 1) }}</strong> <span class="num quiet small">{{ sayDoubt(uncertainty(plan.toOpen), 'volume') }}</span></span>
        <p class="small">That leaves <span class="num">{{ digits(target!, 2) }}</span><template v-if="stopAt(plan.then.state.targetClearance?.estimate.value)">; stop when the glass reads <strong class="num stop">{{ stopAt(plan.then.state.targetClearance?.estimate.value) }}</strong></template>.</p>
      </li>
      <li v-else><p>The ratio falls short by <strong class="num">{{ say(-plan.toOpen.value, 'volume', 'mm', 1) }}</strong> even with the dome left alone.</p></li>
    </ol>
    <p v-else class="small quiet">State the squish wanted and the band’s angle below, set a target ratio in the Sheet, and pour the cylinder at Pour: both cuts then stand here.</p>
    <div class="row">
      <v-btn v-if="plan?.operations.length" variant="flat" color="primary" @click="planIt">{{ mine.length ? 'Plan both again' : 'Plan both' }}</v-btn>
      <p class="caution">Keep loose sleeves and rags away from the chuck. Measure after every cut.</p>
    </div>
    <p v-if="sentence" class="sentence">{{ sentence }}</p>
    <PlannedWork :kinds="['faceCut', 'relief']" />
    <div class="fields">
      <StatementField quantity="wantedSquish" :scope="whole" no-basis />
      <StatementField quantity="bandAngle" :scope="whole" no-basis />
      <StatementField quantity="squishRecess" :scope="{ level: 'head', head: build.state?.head ?? 1 }" no-basis />
    </div>
  </section>
</template>

<style scoped>
.turned { display: grid; gap: 8px; align-content: start; }
.fields { display: grid; grid-template-columns: repeat(3, minmax(0, 1fr)); gap: 10px; }
ol { counter-reset: step; display: grid; }
li { counter-increment: step; display: grid; grid-template-columns: 24px 1fr auto; align-items: baseline; padding: 4px 0; border-top: 1px solid var(--hair); min-height: 72px; align-content: center; }
li::before { content: counter(step); font-family: var(--figure); color: var(--dye); font-weight: 700; font-size: var(--s22); }
li > p { grid-column: 2 / -1; }
.does { font-size: var(--s18); }
.big { font-size: var(--s32); line-height: 1; }
.stop { font-size: var(--s18); }
.row { display: flex; gap: 14px; align-items: center; }
</style>
