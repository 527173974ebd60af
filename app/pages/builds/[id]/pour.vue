<script setup lang="ts">
import { asSet, type Figure, type PourEntry } from '#core'
import { digits, say } from '#shared/figures'
import { firstPress } from '~/composables/firstPress'
import { usePouring } from '~/composables/usePouring'
import { useBuild } from '~/stores/build'
import { useChoices } from '~/stores/choices'
import { useShop } from '~/stores/shop'
import { sayKind } from '~/words/entries'
import { ENCLOSED_WORDS, sayEnclosed, sayFaults } from '~/words/pours'

const build = useBuild()
const shop = useShop()
onMounted(() => void shop.loadInstruments())
const pouring = usePouring()
const { what, thing, things, instrument, kept, chosenId, key, earlier, elsewhere, start, typed, fills, inHand, sofar, current, goesOnTo, roundDone, asFills, challenge, stop, stage, afresh, setStart, anotherFill, dropFill, keep } = pouring
/** A last digit finer than the half of a mark is guessed: it is asked about, and kept as it was read. */
const between = computed(() => {
  const [end, mark] = [inHand.value.at(-1)?.end, instrument.value?.resolution]
  return end !== undefined && mark !== undefined && Math.abs(end / (mark / 2) - Math.round(end / (mark / 2))) > 1e-6
})
const level = computed(() => inHand.value.at(-1)?.end)
const ghosts = computed(() => [...earlier.value, ...inHand.value.slice(0, -1)])
const last = computed<PourEntry | undefined>(() => current.value.at(-1))
const sentence = ref('')
const reading = useTemplateRef<{ focus: () => void, commit: () => void, type: (text: string) => void }>('reading')
const choices = useChoices()
const leaf = choices.leafOf('pour')
const leaves = computed(() => choices.leavesOf('pour'))
/** A round goes on to the next cylinder that has fewer pours, a whole one begins again; unless the hand stays at this one. */
const stays = choices.choice<string>('pourStays', '')
const next = computed(() => stays.value ? undefined : goesOnTo.value)
const done = ref('')
async function to(cylinder: number) {
  build.cylinder = cylinder
  await nextTick()
  reading.value?.focus()
}
async function nextCylinder() {
  build.step(1)
  await to(build.cylinder)
}
async function keepReading(figure: Figure, terms: number[]) {
  const [from, on, apart, round] = [build.cylinder, next.value, challenge.value !== undefined, roundDone.value]
  const keeping = keep(figure, terms)
  // What this page has against it is told in the same moment; the shop's answer is not waited for, or the next reading, typed
  // meanwhile, would go into this cylinder.
  const at = await Promise.race([keeping.then(said => ({ said })), new Promise<undefined>(resolve => setTimeout(resolve))])
  if (at?.said || build.cylinders.length === 1) return keeping
  // The hand may have gone elsewhere while it was kept.
  if (on !== undefined && build.cylinder === from) await to(on)
  done.value = `Cylinder ${from}: ${figure.typed} kept. ${sayWhere(on, apart, round)}`
  void keeping.then((said) => {
    if (said) done.value = `Cylinder ${from}: ${figure.typed} is not kept. ${said}`
  })
  return keeping
}
/** Where the hand is now, after the pour that makes `round` of them at every cylinder, if it does. */
function sayWhere(on: number | undefined, apart: boolean, round: number | undefined): string {
  if (apart) return 'It does not agree with the pours before: look at this cylinder first.'
  const now = on === undefined ? 'Still on this cylinder.' : `Now cylinder ${on}.`
  return round === undefined ? now : `Every cylinder has ${round === 1 ? 'one pour' : `${round} pours`}. ${now}`
}
function takeFills() {
  reading.value?.type(asFills.value!.join(' + '))
  reading.value?.focus()
}
const startPart = computed(() => asSet(start.value))
const readingLabel = computed(() => what.value === 'chamber' ? `Cylinder ${build.cylinder}: reading at the end` : `${sayEnclosed(what.value, thing.value.n, build.cylinder)}: reading at the end`)
watch(() => build.cylinder, () => {
  sentence.value = ''
  done.value = ''
})
</script>

<template>
  <div class="pour" :class="leaf" data-station>
    <h1 class="visually-hidden">Pour</h1>
    <div class="glass-side">
      <template v-if="instrument">
        <LyingSyringe v-if="instrument.kind === 'syringe'" :instrument="instrument" :start="start" :level="level" :earlier="ghosts" :stop="stop" />
        <StandingGlass v-else :instrument="instrument" :start="start" :level="level" :earlier="ghosts" :stop="stop" />
      </template>
    </div>
    <div class="work" data-stay>
      <div class="choices">
        <div class="choice">
          <span class="label">Fill</span>
          <BenchSelect id="what" hide-label label="Fill" :model-value="thing.key" :items="things.map(one => [one.key, sayEnclosed(one.encloses, one.n)] as const)" @update:model-value="thing = things.find(one => one.key === $event)!" />
        </div>
        <div class="choice">
          <span class="label">with</span>
          <BenchSelect id="instrument" hide-label label="with" :model-value="instrument?.id" :items="shop.instruments.map(i => [i.id, `${i.name} (± ${i.checked ? digits(i.checked.tolerance, 2) : i.tolerance} cc)`, i.name] as const)" @update:model-value="chosenId = $event!" />
        </div>
      </div>
      <p v-if="instrument?.kind === 'syringe'" class="caution">A syringe shows where you are. Set the final size with a burette.</p>
      <div class="reading">
        <FigureField
          :key="key('reading')" ref="reading" class="end" :field="key('reading')" :label="readingLabel" dimension="volume" big stay data-new :gauge-at="{ what }"
          :commit="keepReading" @typing="typed = $event; if ($event) done = ''" @pass="nextCylinder"
        />
      </div>
      <div class="under">
        <p class="live">
          <template v-if="sofar.result"><span class="num big">{{ digits(sofar.result.value, 1) }}</span> <span class="unit">cc</span> <span class="num quiet">± {{ digits(2 * sofar.result.u, 2) }}</span> <span class="small quiet">{{ fills.length > 1 ? `${fills.length} fills; ` : '' }}{{ between ? `between its ${instrument?.resolution} cc marks?` : next === undefined ? 'Enter keeps it' : `Enter keeps it, then cylinder ${next}` }}</span></template>
          <template v-else-if="sofar.sentence && fills.length"><span class="sentence">{{ sofar.sentence }}</span> <v-btn v-if="asFills" class="fills" @click="takeFills">{{ asFills.length }} fills: {{ asFills.join(' + ') }}</v-btn></template>
          <span v-else-if="done" class="small" data-kept>{{ done }}</span>
          <span v-else class="small quiet">{{ instrument?.kind === 'burette' ? 'Type where the level stands: 55.4.' : 'Type what is left: 4.5.' }} Two fills: 60+59.4.</span>
        </p>
        <FigureField
          :key="key('start')" :field="key('start')" label="Start" dimension="volume" :part="startPart"
          :commit="async figure => setStart(figure.value)"
        />
      </div>
      <p v-if="challenge" class="caution" role="status">{{ say(challenge.difference, 'volume', 'mm', 1) }} {{ challenge.change < 0 ? 'less' : 'more' }} than before; the glass allows {{ say(challenge.allowed, 'volume', 'mm', 1) }}. Look for {{ sayFaults(challenge.faults.slice(0, 3)) }}.</p>
      <p v-if="stop" class="stop-at">
        <span class="ring" aria-hidden="true" /><span class="label">on target, {{ stop.fill > 1 ? `fill ${stop.fill}, ` : '' }}stop at</span> <strong class="num">{{ digits(stop.reading, 1) }}</strong>
        <span v-if="stop.fill > 1" class="small quiet">{{ say(stop.wanted, 'volume') }} in all</span>
      </p>
      <p v-if="stage" class="stage small" data-stage-stop>{{ sayKind(stage.kind) }} as planned: {{ stage.fill > 1 ? `fill ${stage.fill}, ` : "" }}stop at <strong class="num">{{ digits(stage.reading, 1) }}</strong></p>
      <div class="row presses">
        <v-btn variant="flat" color="primary" :disabled="!typed" @click="reading?.commit()">Keep</v-btn>
        <v-btn @click="sentence = anotherFill() ?? ''">Another fill</v-btn>
      </div>
      <div v-if="build.cylinders.length > 1" class="row">
        <v-btn @click="nextCylinder">Next cylinder</v-btn>
        <BenchCheck class="check small" label="stay on this cylinder" :model-value="stays !== ''" @update:model-value="stays = $event ? 'yes' : ''" />
      </div>
      <p v-for="one in elsewhere" :key="one.cylinder" class="small" data-elsewhere>Typed at cylinder {{ one.cylinder }} and not kept: <strong class="num">{{ one.text }}</strong> <v-btn variant="text" @click="to(one.cylinder)">Go to cylinder {{ one.cylinder }}</v-btn></p>
      <ul v-if="earlier.length" class="small">
        <li v-for="(fill, i) in earlier" :key="i" class="num">fill {{ i + 1 }}: {{ digits(fill.start, 1) }} to {{ digits(fill.end, 1) }} <v-btn variant="text" :aria-label="`Drop fill ${i + 1}`" @click="firstPress($event) && dropFill(i)">×</v-btn></li>
      </ul>
      <p v-if="sentence" class="sentence">{{ sentence }}</p>
      <OwnHand v-if="kept" :own="pouring.own" :glass="kept.repeatability" />
      <PourBeside :pouring="pouring" />
      <LeakWatch v-if="last" :key="last.id" :last="last" />
      <PourList class="list" :what="what" :n="thing.n" :pours="current" :worked="afresh" />
      <p class="caution last">{{ ENCLOSED_WORDS[what].caution }}</p>
    </div>
    <div class="leaf-side">
      <LeafTabs v-model="leaf" :leaves="leaves" label="Beside the pour" />
      <div class="leaf-room" tabindex="0" role="tabpanel" :aria-label="leaves.find(l => l.key === leaf)?.name">
        <ChamberSpread v-if="leaf === 'spread'" class="whole" />
        <template v-else-if="leaf === 'even'"><EvenUp /><SchoolLink station="pour" leaf="even" /></template>
        <PourSteps v-else :what="what" />
      </div>
    </div>
  </div>
</template>

<style scoped>
.pour { display: grid; grid-template-columns: 232px minmax(0, 1fr) 280px; gap: 16px; padding: 10px 16px; overflow: hidden; }
.glass-side { min-height: 0; }
.work { position: relative; display: flex; flex-direction: column; min-height: 0; overflow: auto; padding-bottom: 4px; }
.choices { display: grid; gap: 5px; }
.choice { display: grid; grid-template-columns: 32px minmax(0, 1fr); align-items: center; }
.reading :deep(.end .v-field-label) { white-space: nowrap; }
.reading { margin-top: 8px; }
/* Why a reading was not kept may be three lines long: nothing under it is covered. */
.reading:has(.said .sentence) { padding-bottom: 38px; }
.under { display: grid; grid-template-columns: minmax(0, 1fr) 88px; gap: 8px; align-items: end; margin-top: 18px; }
.reading :deep(.end) { --well-height: 112px; }
.reading :deep(.end .v-field.v-field) { font-size: var(--s80); }
.reading :deep(.end input) { letter-spacing: -3px; }
.row.presses { display: grid; grid-template-columns: 1.4fr 1fr; margin: 8px 0; }
.presses .v-btn { --v-btn-height: 56px; font-size: var(--s18); }
.live { min-height: 38px; }
.live .big { font-size: var(--s22); font-weight: 700; }
.stop-at { display: flex; align-items: center; gap: 8px; flex-wrap: wrap; margin: 2px 0 8px; }
.stage { margin: -4px 0 8px; }
.stage strong { font-size: var(--s22); }
.stop-at strong { font-size: var(--s48); line-height: 1; color: var(--brass); }
.ring { width: 20px; height: 9px; background: var(--brass-fill); border: 1px solid var(--ink); }
.row { display: flex; gap: 8px; flex-wrap: wrap; align-items: center; }
.check { flex: none; }
.fills { --v-btn-height: 44px; margin-left: 8px; }
.list { margin-top: 8px; }
.last { margin-top: auto; }
.leaf-side { display: flex; flex-direction: column; min-height: 0; }
.leaf-side :deep(.leaf.v-btn) { padding: 0 8px; }
.leaf-room { flex: 1; min-height: 0; overflow: auto; padding-top: 8px; position: relative; }
.whole { height: 100%; }
@media (max-width: 1000px) {
  .pour { grid-template-columns: 240px minmax(0, 1fr) 216px; gap: 12px; }
  .pour.even, .pour.steps { grid-template-columns: minmax(0, 1fr) minmax(0, 1.1fr); }
  .pour.even .glass-side, .pour.steps .glass-side { display: none; }
  .leaf-side :deep(.leaf.v-btn) { padding: 0 3px; margin-right: 0; }
}
</style>
