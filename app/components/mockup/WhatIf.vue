<script setup lang="ts">
import { FIGURE_BOUNDS, asSet, gasketOf, gasketsOffered, hasBarrels, portOpen, sameGasket, type ClearanceName, type Dimension, type Figure, type OperationEntry, type Part } from '#core'
import { figureFault } from '#shared/dto'
import { say } from '#shared/figures'
import { QUANTITY_WORDS, USUAL_CUT } from '#shared/words/quantities'
import type { useWhatIf } from '~/composables/useWhatIf'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { sayGasket } from '~/words/gaskets'

/** A thinner gasket, a deck cut, a lathe or face cut: what they do to squish and ratio together. */
const props = defineProps<{ whatIf: ReturnType<typeof useWhatIf> }>()
const build = useBuild()
const device = useDevice()
const { gasket, instead, deck, face, under, set, tried, outcome, plan } = props.whatIf
const sentence = ref('')
const before = computed(() => build.planned?.cylinders.find(c => c.cylinder === build.cylinder))
const after = computed(() => outcome.value?.cylinders.find(c => c.cylinder === build.cylinder))
const part = (value: number) => asSet(value > 0 ? value : undefined)
const keep = (name: 'deck' | 'face') => async (figure: Figure): Promise<string | undefined> => {
  if (figure.value < 0 || figure.value > 12) return `A cut lies between 0 and ${say(12, 'length', device.lengths)}.`
  set(name, figure.value)
  return undefined
}
const live = (name: 'deck' | 'face', figure: Figure | undefined) => {
  if (figure && figure.value >= 0 && figure.value <= 12) set(name, figure.value)
}
const twoStroke = computed(() => build.replayed?.layout.engine?.strokes === 2)
const barrels = computed(() => build.replayed !== undefined && hasBarrels(build.replayed.layout))
async function keepUnder(figure: Figure): Promise<string | undefined> {
  const fault = figureFault(figure, { ...FIGURE_BOUNDS.spacer, noun: 'the change under the barrel' })
  if (!fault) set('under', figure.value)
  return fault
}
/** What is left of a clearance; no row where nobody measured it. */
const leftOf = (of: typeof after.value, name: ClearanceName): Part | undefined => {
  const step = of?.clearances.find(c => c.name === name)
  return step && { estimate: step.then, provenance: 'derived', entries: step.measured.entries }
}
const openFor = (operations: OperationEntry[] | undefined) => build.replayed && operations && portOpen(build.replayed.ledger, build.cylinder, operations)
const rows = computed((): { name: string, unit: Dimension, was?: Part, is?: Part }[] => [
  { name: 'Squish, cold', unit: 'length', was: before.value?.squish.gap, is: after.value?.squish.gap },
  { name: 'Squish, running', unit: 'length', was: before.value?.squish.running?.gap, is: after.value?.squish.running?.gap },
  { name: 'Ratio', unit: 'ratio', was: before.value?.state.ratio, is: after.value?.state.ratio },
  ...(['intakeClearance', 'exhaustClearance'] as const).flatMap((name) => {
    const was = leftOf(before.value, name)
    return was ? [{ name: QUANTITY_WORDS[name].label, unit: 'length' as const, was, is: leftOf(after.value, name) }] : []
  }),
  ...twoStroke.value && after.value?.state.trapped
    ? [
        { name: 'Trapped ratio', unit: 'ratio' as const, was: before.value?.state.trapped, is: after.value.state.trapped },
        { name: 'Exhaust port open', unit: 'angle' as const, was: openFor(build.planned?.operations), is: openFor(outcome.value?.operations) }
      ]
    : []
])
/** The one that is planned or else fitted stands there first: what is tried comes on top of what is planned. */
const gaskets = computed((): [string, string, string?][] => {
  const r = build.replayed
  if (!r) return []
  const now = gasketOf(r, build.cylinder, 'asPlanned')
  const others = gasketsOffered(r, build.cylinder).filter(o => !now || !sameGasket(o.body, now))
  const all = [...now ? [now] : [], ...others.map(o => o.body)]
  const first = now && sayGasket(now, all, device.lengths)
  return [['', first ? `${first}, ${instead.value ? 'planned' : 'fitted'}` : 'as fitted', first ?? 'as fitted'], ...others.map((o): [string, string] => [o.id, sayGasket(o.body, all, device.lengths)])]
})
</script>

<template>
  <section class="whatif">
    <div class="fields">
      <div v-if="!build.closed">
        <BenchSelect id="try-gasket" label="Gasket" :model-value="gasket?.id ?? ''" :items="gaskets" @update:model-value="set('gasket', $event ?? '')" />
      </div>
      <FigureField :field="`${build.view?.id}/whatif/deck/typed`" :label="build.closed ? 'Off the barrel’s foot' : 'Off the deck'" dimension="length" :usual="USUAL_CUT" :part="part(deck)" empty-text="0" :commit="keep('deck')" @typing="live('deck', $event?.figure)" />
      <FigureField v-if="!build.closed" :field="`${build.view?.id}/whatif/face/typed`" label="Off the face" dimension="length" :usual="USUAL_CUT" :part="part(face)" empty-text="0" :commit="keep('face')" @typing="live('face', $event?.figure)" />
      <FigureField v-if="barrels" :field="`${build.view?.id}/whatif/under/typed`" label="Under the barrel, + more" dimension="length" :part="asSet(under === 0 ? undefined : under)" empty-text="0" :commit="keepUnder" />
    </div>
    <v-table class="close">
      <thead><tr><th /><th class="r">as planned</th><th class="r">tried</th></tr></thead>
      <tbody>
        <tr v-for="row in rows" :key="row.name">
          <td>{{ row.name }}</td>
          <td class="r num">{{ row.was ? say(row.was.estimate.value, row.unit, device.lengths) : '–' }}</td>
          <td class="r num"><strong :class="{ tried: tried.length }">{{ row.is ? say(row.is.estimate.value, row.unit, device.lengths) : '–' }}</strong></td>
        </tr>
      </tbody>
    </v-table>
    <p v-if="!build.closed" class="small quiet under">A face cut changes the squish of a recessed pad only.</p>
    <CrownTry :what-if="whatIf" />
    <div class="row">
      <v-btn :disabled="tried.length === 0" @click="plan().then(said => sentence = said)">Plan this</v-btn>
      <p v-if="after?.squish.contact && after.squish.contact.estimate.value < 0" class="warn">It touches: {{ say(after.squish.contact.estimate.value, 'length', device.lengths) }} at the smallest.</p>
    </div>
    <p v-if="sentence" class="sentence">{{ sentence }}</p>
  </section>
</template>

<style scoped>
.fields { display: grid; grid-template-columns: 1.3fr 1fr 1fr; gap: 10px; margin: 4px 0 8px; }
.under { margin-top: 6px; }
.tried { color: var(--dye); }
.row { display: flex; gap: 12px; align-items: center; margin-top: 6px; }
</style>
