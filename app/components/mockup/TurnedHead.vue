<script setup lang="ts">
import { bandEdgeShift, turnedHeadPlan, carry, uncertainty, type PourEntry, type SquishStanding } from '#core'
import { digits, say, sayDoubt } from '#shared/figures'
import { notKept } from '~/composables/useStatement'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { sayStop } from '~/words/stop'

/** A turned head: squish first, then the dome, with both readings to stop at. */
const props = defineProps<{ standing: SquishStanding }>()
const build = useBuild()
const device = useDevice()
const q = (name: 'bore' | 'wantedSquish' | 'bandAngle') => build.replayed?.quantity(name, build.cylinder)
const target = computed(() => build.replayed?.target?.body.ratio.value)
const reckoned = computed(() => {
  const [bore, wanted, swept, clearance, gap] = [q('bore'), q('wantedSquish'), build.state?.swept, build.state?.clearance, props.standing.gap]
  const ratio = target.value
  if (!bore || !wanted || !swept || !clearance || !gap || ratio === undefined) return undefined
  const inputs = [bore, swept, clearance, gap].map(part => part.value)
  const of = (pick: (plan: ReturnType<typeof turnedHeadPlan>) => number) => carry(([b, vs, vc, s]) =>
    pick(turnedHeadPlan({ bore: b!, swept: vs!, clearance: vc!, squish: s!, wantedSquish: wanted.value.value, wantedRatio: ratio })), inputs)
  try {
    return { off: of(p => p.off), taken: of(p => p.taken), after: of(p => p.ratioAfter), toOpen: of(p => p.toOpen), plan: turnedHeadPlan({ bore: bore.value.value, swept: swept.value.value, clearance: clearance.value.value, squish: gap.value.value, wantedSquish: wanted.value.value, wantedRatio: ratio }) }
  } catch (error) {
    if (error instanceof RangeError) return undefined
    throw error
  }
})
const angle = computed(() => q('bandAngle')?.value.value)
const edge = computed(() => reckoned.value && angle.value && reckoned.value.off.value > 0
  ? { before: q('bore')!.value.value, after: q('bore')!.value.value - 2 * bandEdgeShift(reckoned.value.off.value, angle.value) }
  : undefined)
/** The last pour through the plug hole: its glass and its column tell where to stop. */
const through = computed(() => [...build.replayed?.live.entries ?? []].reverse()
  .find((e): e is PourEntry => e.kind === 'pour' && e.body.encloses === 'assembled' && e.scope.level === 'cylinder' && e.scope.cylinder === build.cylinder))
const stopAt = (clearance: number) => through.value && sayStop(clearance + (through.value.body.plugColumn?.value ?? 0), through.value.body.instrument)
const sentence = ref('')
async function planIt() {
  const r = reckoned.value
  if (!r) return
  const head = { level: 'head', head: build.state!.head } as const
  const figure = (value: number, unit: string) => ({ value, unit, typed: String(value) })
  if (r.off.value > 0.005) sentence.value = notKept(await build.add('faceCut', head, { state: 'planned', depth: figure(Number(r.off.value.toFixed(2)), 'mm') })) ?? ''
  if (!sentence.value && r.toOpen.value > 0.02) sentence.value = notKept(await build.add('relief', { level: 'cylinder', cylinder: build.cylinder }, { state: 'planned', added: figure(Number(r.toOpen.value.toFixed(2)), 'cc') })) ?? ''
}
const whole = { level: 'build' } as const
</script>

<template>
  <section class="turned">
    <h3>Turned head: squish first, then the dome</h3>
    <div class="fields">
      <StatementField quantity="wantedSquish" :scope="whole" no-basis />
      <StatementField quantity="bandAngle" :scope="whole" no-basis />
      <StatementField quantity="squishRecess" :scope="{ level: 'head', head: build.state?.head ?? 1 }" no-basis />
    </div>
    <ol v-if="reckoned">
      <li>
        <span>Off the seat face</span> <strong class="num big" data-turned="off">{{ say(reckoned.off.value, 'length', device.lengths) }}</strong> <span class="num quiet small">{{ sayDoubt(uncertainty(reckoned.off), 'length', device.lengths) }}</span>
        <p class="small">takes <span class="num">{{ say(reckoned.taken.value, 'volume', 'mm', 1) }}</span>; the ratio is then <span class="num">{{ digits(reckoned.after.value, 2) }}</span><template v-if="stopAt(reckoned.plan.clearanceAfter)">, and the glass stands at <strong class="num">{{ stopAt(reckoned.plan.clearanceAfter) }}</strong></template></p>
        <p v-if="edge" class="small quiet">The band’s outer edge goes from <span class="num">{{ say(edge.before, 'length', device.lengths) }}</span> to <span class="num">{{ say(edge.after, 'length', device.lengths) }}</span> across, until it is re-cut at its angle to meet the bore.</p>
      </li>
      <li v-if="reckoned.toOpen.value > 0">
        <span>Open the dome by</span> <strong class="num big" data-turned="open">{{ say(reckoned.toOpen.value, 'volume', 'mm', 1) }}</strong> <span class="num quiet small">{{ sayDoubt(uncertainty(reckoned.toOpen), 'volume') }}</span>
        <p class="small">for <span class="num">{{ digits(target!, 2) }}</span><template v-if="stopAt(reckoned.plan.clearanceDone)">; the glass stands at <strong class="num">{{ stopAt(reckoned.plan.clearanceDone) }}</strong></template></p>
      </li>
      <li v-else>The ratio falls short by <strong class="num">{{ say(-reckoned.toOpen.value, 'volume', 'mm', 1) }}</strong> even with the dome left alone.</li>
    </ol>
    <p v-else class="small quiet">Wants the squish that is aimed for, a target ratio, and the clearance volume poured.</p>
    <button v-if="reckoned" class="key" type="button" @click="planIt">Plan both</button>
    <p class="caution">A lathe chuck holds no loose sleeve and no rag. Measure between every cut.</p>
    <p v-if="sentence" class="sentence">{{ sentence }}</p>
  </section>
</template>

<style scoped>
.turned { display: grid; gap: 6px; align-content: start; }
.fields { display: grid; grid-template-columns: repeat(3, minmax(0, 1fr)); gap: 10px; }
ol { counter-reset: step; display: grid; gap: 6px; }
li { counter-increment: step; padding-left: 22px; position: relative; }
li::before { content: counter(step); position: absolute; left: 0; font-family: var(--figure); color: var(--dye); font-weight: 700; }
.big { font-size: var(--s22); }
.key { justify-self: start; }
</style>
