<script setup lang="ts">
import { TURNED_STEPS, placeOf, quantityOf, turnedPlan, turnedSteps, uncertainty, type LatheTask, type Place, type TurnedStep } from '#core'
import { digits, say, sayDoubt, shown } from '#shared/figures'
import { useGlass } from '~/composables/useGlass'
import { notKept } from '~/composables/useStatement'
import { useBuild, type ToAdd } from '~/stores/build'
import { useChambers } from '~/stores/chambers'
import { useChoices } from '~/stores/choices'
import { useDevice } from '~/stores/device'

/** A turned head as one path: squish first, then the dome a round at a time, each with its figures for the lathe and the reading to stop at. */
const build = useBuild()
const device = useDevice()
const { chambers } = useChambers()
const { stopAt } = useGlass()
const by = useChoices().choice<LatheTask['by']>('latheBy', 'depth')
const mm = (value: number) => say(value, 'length', device.lengths)
const cc = (value: number) => say(value, 'volume', 'mm', 1)
const q = (name: 'wantedSquish' | 'plugRoom') => quantityOf(build.replayed, name, build.cylinder)?.estimate.value
const target = computed(() => build.replayed?.target?.body.ratio.value)
/** What is planned already: it would take its place, so nothing is planned twice. */
const mine = computed(() => (build.replayed?.planned ?? []).filter(op => (op.kind === 'faceCut' && op.scope.level === 'head' && op.scope.head === build.state?.head)
  || (op.kind === 'relief' && op.scope.level === 'cylinder' && op.scope.cylinder === build.cylinder)))
const plan = computed(() => build.replayed && turnedPlan(build.replayed, build.cylinder, build.replayed.planned, chambers, by.value))
const steps = computed(() => new Map(build.replayed ? turnedSteps(build.replayed, build.cylinder, plan.value) : []))
const gap = computed(() => build.planned?.cylinders.find(c => c.cylinder === build.cylinder)?.squish.gap?.estimate.value)
const cuts = computed(() => plan.value?.operations.some(op => op.kind === 'faceCut') ?? false)
const lathe = computed(() => plan.value?.round && 'set' in plan.value.round.lathe ? plan.value.round.lathe : undefined)
const trouble = computed(() => {
  const found = plan.value?.round?.lathe
  if (!found || 'set' in found) return undefined
  if (found.fault === 'nose') return `A nose of this radius does not get into the form: ${mm(found.most)} is the most.`
  return found.fault === 'notDrawn' ? 'Draw the dome, and its figures for the lathe stand here.' : 'What was poured does not go into this drawing: check its mouth, band and recess.'
})
const settings = computed(() => {
  const { set } = lathe.value ?? {}
  return set ? [{ key: 'mouth', name: 'Mouth, across', value: set.mouthDiameter }, { key: 'depth', name: 'Depth from face', value: set.depth }, { key: 'radius', name: 'Radius', value: set.round.radius }] : []
})
const limits = computed(() => {
  const { set } = lathe.value ?? {}
  if (!set || set.limits.length === 0) return undefined
  const names = set.limits.map(limit => ({ band: 'the band is down to its least width', plug: 'the plug’s thread would show', form: 'wider, it would want metal that is gone' })[limit])
  return set.short > 0.005 ? `${cc(set.short)} of it can’t be opened: ${names.join(', and ')}.` : `Deeper and wider together: ${names.join(', and ')}.`
})
const thenStop = computed(() => stopAt(plan.value?.then.state.clearance?.estimate.value, 'assembled'))
const roundStop = computed(() => plan.value?.round && stopAt(plan.value.round.clearance, 'assembled'))
const endStop = computed(() => stopAt(plan.value?.then.state.targetClearance?.estimate.value, 'assembled'))
const HEADS: Record<TurnedStep, string> = {
  squish: 'Squish by solder, until every place is squeezed', face: 'Re-cut the band, then take the seat face down', top: 'Lock the piston at top dead centre, by dial from both sides',
  pour: 'Level the cylinder both ways, pour through the plug hole, twice', open: 'Open the dome, polish, pour again'
}
const AT: Partial<Record<TurnedStep, Place>> = { squish: { station: 'mockup', leaf: 'squish' }, top: { station: 'mockup', leaf: 'tdc' }, pour: { station: 'pour', fill: 'assembled' } }
const wants = computed((): { says: string, at: Place }[] => [
  ...q('wantedSquish') === undefined ? [{ says: 'State the squish wanted', at: placeOf('wantedSquish') }] : [],
  ...target.value === undefined ? [{ says: 'Set a target ratio', at: { station: 'sheet', leaf: 'section' } as const }] : [],
  ...build.state?.clearance === undefined ? [{ says: 'Pour the cylinder through its plug hole', at: { station: 'pour', fill: 'assembled' } as const }] : []
])
const sentence = ref('')
async function planIt() {
  const operations = plan.value?.operations ?? []
  // What was planned and is asked for no more goes; a cut of a face only where squish is tight by now, for the face may be another cylinder's too.
  const gone = mine.value.filter(op => operations.every(({ kind }) => kind !== op.kind) && (op.kind !== 'faceCut' || plan.value?.tight))
  sentence.value = notKept(await build.planAll('Turned head', ['squish first, then the dome'], operations.map(({ kind, scope, body }) => {
    const before = mine.value.find(op => op.kind === kind)
    return { kind, scope, body, more: before ? { supersedes: before.id } : {} } as ToAdd
  }), { gone })) ?? ''
}
const whole = { level: 'build' } as const
</script>

<template>
  <section class="turned">
    <div class="path">
      <ol>
        <li v-for="step in TURNED_STEPS" :key="step" :data-step="step" :data-state="steps.get(step)">
          <span class="mark" aria-hidden="true">{{ steps.get(step) === 'done' ? '✓' : steps.get(step) === 'next' ? '→' : '' }}</span>
          <span class="does"><GoTo v-if="AT[step]" :at="AT[step]!" :cylinder="build.cylinder">{{ HEADS[step] }}</GoTo><template v-else>{{ step === 'face' && plan?.tight ? 'Open the squish to what is wanted' : HEADS[step] }}</template><span class="visually-hidden">, {{ steps.get(step) }}</span></span>
          <span v-if="step === 'squish' && gap !== undefined" class="figure num">{{ mm(gap) }}</span>
          <template v-if="step === 'face' && plan">
            <span v-if="cuts" class="figure"><strong class="num big" data-turned="off">{{ mm(plan.off.value) }}</strong></span>
            <p v-if="cuts" class="small"><span class="num">{{ sayDoubt(uncertainty(plan.off), 'length', device.lengths) }}</span>. <template v-if="plan.taken">Takes <span class="num">{{ cc(plan.taken.value) }}</span>, leaves <span class="num">{{ digits(plan.then.state.ratio?.estimate.value ?? 0, 2) }}</span><template v-if="thenStop">; the glass then reads <strong class="num">{{ thenStop }}</strong></template>.</template><template v-if="plan.bandUncut !== undefined"> Uncut, the band would end at <span class="num">{{ mm(plan.bandUncut) }}</span> across.</template></p>
          </template>
          <p v-if="step === 'face' && plan?.tight" class="small" data-tight><strong class="warn">Squish is <span class="num">{{ mm(plan.tight.value) }}</span> under what is wanted</strong> <span class="num">{{ sayDoubt(uncertainty(plan.tight), 'length', device.lengths) }}</span>: nothing comes off the face. <GoTo :at="{ station: 'mockup', leaf: 'squish' }" :cylinder="build.cylinder">Try a gasket that much thicker, or more under the barrel</GoTo></p>
          <p v-if="step === 'open' && plan?.tight" class="small">How much to open is told once the squish is wide enough: what opens that makes the chamber larger too. <GoTo :at="{ station: 'route' }" :cylinder="build.cylinder">What gets there</GoTo></p>
          <template v-if="step === 'open' && plan?.toOpen">
            <span class="figure"><strong v-if="plan.toOpen.value > 0" class="num big" data-turned="open">{{ cc(plan.toOpen.value) }}</strong></span>
            <p v-if="plan.toOpen.value > 0" class="small"><span class="num">{{ sayDoubt(uncertainty(plan.toOpen), 'volume') }}</span> in all, to <span class="num">{{ digits(target!, 2) }}</span><template v-if="endStop">; at the target the glass reads <strong class="num stop" data-stop>{{ endStop }}</strong></template>.</p>
            <p v-else class="small">The ratio is short by <strong class="num">{{ cc(-plan.toOpen.value) }}</strong> even with the dome left alone. <GoTo :at="{ station: 'route' }" :cylinder="build.cylinder">What else gets there</GoTo></p>
          </template>
        </li>
      </ol>
      <p v-for="{ says, at } in wants" :key="says"><GoTo :at="at" :cylinder="build.cylinder">{{ says }}</GoTo></p>
      <div class="row">
        <v-btn v-if="plan && (plan.operations.length > 0 || (plan.tight && mine.length > 0))" :data-new="mine.length === 0 ? true : undefined" variant="flat" color="primary" @click="planIt">{{ plan.operations.length === 0 ? 'Drop what is planned' : mine.length ? 'Plan it again' : plan.operations.length > 1 ? 'Plan both' : 'Plan it' }}</v-btn>
        <p class="caution">Keep loose sleeves and rags away from the chuck. Measure after every cut.</p>
      </div>
      <p v-if="sentence" class="sentence">{{ sentence }}</p>
      <PlannedWork :kinds="['faceCut', 'relief']" first />
    </div>
    <div class="lathe">
      <template v-if="plan?.round">
        <h3>At the lathe, this round: <span class="num" data-round>{{ cc(plan.round.cc) }}</span></h3>
        <p class="small"><template v-if="plan.round.cc === 0 && limits">Nothing can be opened inside its limits.</template><template v-else-if="plan.round.cc === 0">What is unsure is wider than the target’s band: pour again, or widen the band.</template><template v-else>{{ plan.round.rounds === 1 ? 'One round is likely' : `${plan.round.rounds} rounds are likely` }}; this one goes past the target one time in twenty at most<template v-if="roundStop">, and the glass then reads <strong class="num">{{ roundStop }}</strong></template>.<template v-if="plan.round.share"> By its pours this dome gives <span class="num">{{ digits(plan.round.share * 100, 0) }} %</span> of what is set.</template></template></p>
        <dl v-if="lathe" class="set" :class="device.lengths">
          <div v-for="one in settings" :key="one.name"><dt>{{ one.name }}, {{ device.lengths }}</dt><dd class="num" :data-lathe="one.key">{{ shown(one.value, 'length', device.lengths).number }}</dd></div>
        </dl>
        <LatheDrawing v-if="lathe" :from="lathe.from" :set="lathe.set" class="drawing" />
        <p v-if="lathe" class="small tool">The middle of the nose runs on a radius of <span class="num">{{ mm(lathe.set.round.path) }}</span><template v-if="lathe.set.round.r > 0">, struck <span class="num">{{ mm(lathe.set.round.r) }}</span> from the axis</template>, its centre <span class="num">{{ mm(Math.abs(lathe.set.round.z)) }}</span> {{ lathe.set.round.z < 0 ? 'outside' : 'inside' }} the seat face<template v-if="lathe.set.round.angle !== undefined">, the side at <span class="num">{{ digits(lathe.set.round.angle, 1) }}°</span></template>. Band left: <span class="num">{{ mm(lathe.set.bandLeft) }}</span>.<template v-if="q('plugRoom') === undefined"> Nobody measured how much thread the plug leaves above the dome.</template></p>
        <p v-if="limits" class="warn small">{{ limits }}</p>
        <p v-if="trouble" class="sentence">{{ trouble }} <GoTo v-if="!lathe" :at="{ station: 'sheet', leaf: 'chamber' }" :cylinder="build.cylinder">Sheet, Chamber</GoTo></p>
      </template>
      <RadioRow v-if="lathe" v-model="by" label="What is changed first" :choices="[['depth', 'deeper first'], ['mouth', 'wider first']]" class="by" />
      <div class="fields">
        <StatementField quantity="wantedSquish" :scope="whole" no-basis />
        <StatementField quantity="bandAngle" :scope="whole" no-basis />
        <StatementField quantity="squishRecess" :scope="{ level: 'head', head: build.state?.head ?? 1 }" no-basis />
        <StatementField quantity="leastBand" :scope="whole" no-basis />
        <StatementField quantity="plugRoom" :scope="{ level: 'head', head: build.state?.head ?? 1 }" no-basis />
        <StatementField quantity="toolNose" :scope="whole" no-basis />
      </div>
    </div>
  </section>
</template>

<style scoped>
.turned { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1.1fr); gap: 8px 28px; align-content: start; }
.path, .lathe { display: flex; flex-direction: column; gap: 8px; }
li { display: grid; grid-template-columns: 28px 1fr auto; align-items: baseline; padding: 6px 0; border-top: 1px solid var(--hair); column-gap: 6px; }
li > p { grid-column: 2 / -1; }
li a { color: inherit; text-underline-offset: 3px; text-decoration-thickness: 1px; }
.mark { font-weight: 700; font-size: var(--s18); }
[data-state=next] .mark, [data-state=next] .does { color: var(--dye); font-weight: 700; }
[data-state=next] .does { font-size: var(--s18); }
.figure { font-size: var(--s18); text-align: right; }
.big { font-size: var(--s32); line-height: 1; }
.stop { font-size: var(--s18); }
.row { display: flex; gap: 14px; align-items: center; }
.set { display: grid; grid-template-columns: repeat(3, minmax(0, 1fr)); gap: 4px 10px; }
.set dt { font-size: var(--s13); color: var(--quiet); }
.set dd { font-size: 42px; font-weight: 700; line-height: 1; white-space: nowrap; letter-spacing: -1px; }
/* Four places of an inch are a figure more. */
.set.in dd { font-size: 36px; }
.drawing { height: 210px; flex: none; }
.fields { display: grid; grid-template-columns: repeat(3, minmax(0, 1fr)); gap: 4px 10px; }
.by { max-width: 320px; }
@media (max-width: 1000px) {
  .turned { grid-template-columns: minmax(0, 1fr); }
  .lathe { display: grid; grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr); column-gap: 20px; }
  .lathe > * { grid-column: 1 / -1; }
  .lathe > .drawing { grid-column: 1; grid-row: span 2; }
  .lathe > .tool { grid-column: 2; align-self: end; }
}
</style>
