<script setup lang="ts">
import { FIGURE_BOUNDS, asSet, blending, clearanceFromSinking, countOf, portsIn, seatJob, seatLedge, seatRecord, seatWanted, sinking, quantityOf, untyped, type Figure, type OperationEntry, type PortName, type Replay, type Scope, type SeatJob, type Tried } from '#core'
import { figureFault } from '#shared/dto'
import { say, sayCylinders } from '#shared/figures'
import { sayRefusal } from '#shared/words/domain'
import { useGlass } from '~/composables/useGlass'
import { notKept } from '~/composables/useStatement'
import { useBuild, type ToAdd } from '~/stores/build'
import { useChambers } from '~/stores/chambers'
import { useDevice } from '~/stores/device'
import { useDrafts } from '~/stores/drafts'
import { useShop } from '~/stores/shop'
import { plainPairs } from '~/words/pairs'

/** Two seat forms side by side: what sinking the valve by them adds, and how far past the target the face is cut for it. */
const props = defineProps<{ head: number }>()
const build = useBuild()
const device = useDevice()
const drafts = useDrafts()
const shop = useShop()
const { stopAt } = useGlass()
const { chambers } = useChambers()
type Name = 'diameter' | 'topCut' | 'seat' | 'sunk' | 'blend'
const FIELDS: { name: Name, label: string, dimension: 'length' | 'angle', min: number, max: number }[] = [
  { name: 'diameter', label: 'Machined form, across', dimension: 'length', min: 10, max: 90 }, { name: 'topCut', label: 'Top cut', dimension: 'angle', min: 5, max: 60 },
  { name: 'seat', label: 'Seat', dimension: 'angle', min: 15, max: 75 }, { name: 'sunk', label: 'Valve goes up by', dimension: 'length', min: FIGURE_BOUNDS.sunk.min, max: FIGURE_BOUNDS.sunk.max },
  { name: 'blend', label: 'Rim blended over', dimension: 'length', min: 0, max: 8 }
]
const WHEN = [['after', 'after the face'], ['before', 'before the face']] as const satisfies readonly (readonly [string, string])[]
const SAID = {
  after: 'Cut the face first, a little past the target: the seat job then restores the top cuts and gives the cc back.',
  before: 'The valves go up first, and the face is cut past the new seats: pour in between, and the cut is set by what the seats really gave.'
}
const FORMS = ['A', 'B'] as const
type Form = (typeof FORMS)[number]
const key = (name: string) => `${build.view?.id}/seat/${props.head}/${name}`
const valve = computed(() => (drafts.get(key('valve')) ?? 'exhaust') as 'intake' | 'exhaust')
/** All of a cylinder's, until somebody says that it is fewer. */
const count = computed(() => Number(drafts.get(key(`${valve.value}/count`)) ?? (build.replayed ? countOf(build.replayed.layout, valve.value) : 1)))
const when = computed(() => (drafts.get(key('when')) ?? 'after') as 'before' | 'after')
const cylinders = computed(() => build.asIs.filter(state => state.head === props.head).map(state => state.cylinder))
/** Of the ports of this head, the first that has something. */
function firstOf<T>(has: (r: Replay, of: PortName) => T | undefined): T | undefined {
  const r = build.replayed
  return r && portsIn(r.layout, valve.value).filter(of => cylinders.value.includes(of.cylinder)).map(of => has(r, of)).find(Boolean)
}
/** The seat as it is planned at Ports, else as it was recorded there: what a form is until one is typed. */
const wanted = computed(() => firstOf(seatWanted))
const recorded = computed(() => firstOf((r, of) => seatRecord(r, shop.rules, of))?.form)
const usual = computed<Partial<Record<Name, number>>>(() => {
  const { topCut, seatAngle: seat, form: across } = wanted.value?.form ?? recorded.value ?? {}
  return { topCut, seat, diameter: wanted.value?.before ?? across, sunk: wanted.value?.up }
})
const kept = (form: Form, name: Name) => {
  const text = drafts.get(key(`${valve.value}/${form}/${name}`))
  if (text !== undefined) return Number(text)
  return form === 'A' ? usual.value[name] : undefined
}
const keep = (form: Form, { name, dimension, min, max, label }: (typeof FIELDS)[number]) => async (figure: Figure): Promise<string | undefined> => {
  const fault = figureFault(figure, { dimension, min, max, noun: label.toLowerCase() })
  if (!fault) drafts.set(key(`${valve.value}/${form}/${name}`), String(figure.value))
  return fault
}
const here = (scope: Scope) => scope.level === 'cylinder' ? cylinders.value.includes(scope.cylinder) : scope.level === 'head' ? scope.head === props.head : true
const figure = (value: number, unit: string) => untyped(value, unit, 3)
/** The job on every chamber of the head, as it would be planned. */
const workOf = (form: Form, added: number): (Tried & { kind: 'seatWork' })[] => cylinders.value.map(cylinder => ({
  kind: 'seatWork', scope: { level: 'cylinder', cylinder }, body: { state: 'planned', added: figure(added, 'cc'), sunk: figure(kept(form, 'sunk') ?? 0, 'mm'), valve: valve.value, ...when.value === 'before' ? { first: true } : {} }
}))
/** Whether a piece of planned work is on these valves of this head. */
const isOfThese = (op: OperationEntry) => op.kind === 'seatWork' && here(op.scope) && (op.body.valve ?? valve.value) === valve.value
/** What else is planned: the form that is looked at takes the place of what is planned of these seats. */
const others = computed(() => build.replayed?.planned.filter(op => !isOfThese(op)) ?? [])
interface Outcome { added: number, blended: number, all: number, across: number, ledge?: number, back: number, job: SeatJob }
function reckon(form: Form): Outcome | { sentence: string } | undefined {
  const [diameter, topCut, seat, sunk, blend = 0] = FIELDS.map(f => kept(form, f.name))
  if (diameter === undefined || topCut === undefined || sunk === undefined) return undefined
  try {
    const { added, diameter: across } = sinking({ diameter, topCut }, sunk)
    const tilt = quantityOf(build.replayed, `${valve.value}Tilt`, build.cylinder)?.estimate.value ?? 0
    const blended = blending({ diameter: across, topCut }, blend)
    const all = (added + blended) * count.value
    return {
      added, blended, all, across, back: clearanceFromSinking(sunk, tilt, 'upright'), ...(seat !== undefined && seat > topCut ? { ledge: seatLedge(seat, topCut, sunk) } : {}),
      job: build.replayed ? seatJob(build.replayed, build.cylinder, workOf(form, all), others.value, chambers) : {}
    }
  } catch (error) {
    if (error instanceof RangeError) return { sentence: sayRefusal(error) }
    throw error
  }
}
const outcomes = computed(() => FORMS.map(form => ({ form, outcome: reckon(form) })))
const ok = (o: ReturnType<typeof reckon>): o is Outcome => o !== undefined && 'added' in o
/** Where the glass stands between seats and face, and when both are done. */
const glass = ({ between, done }: SeatJob) => [stopAt(between), stopAt(done)].filter(stop => stop !== undefined)
const sentence = ref('')
/** What is planned on this head’s seats. */
const planned = computed(() => (build.replayed?.planned ?? []).flatMap(op => op.kind === 'seatWork' && here(op.scope) ? [op] : []))
const plannedOn = computed(() => [...new Set(planned.value.flatMap(op => 'cylinder' in op.scope ? op.scope.cylinder : []))])
const plannedHere = computed(() => planned.value.some(isOfThese))
async function plan(outcome: Outcome, form: Form) {
  sentence.value = notKept(await build.planAll(`${valve.value === 'intake' ? 'Intake' : 'Exhaust'} seats, form ${form}${when.value === 'before' ? ', before the face' : ''}`, [], workOf(form, outcome.all).map(({ kind, scope, body }) => ({ kind, scope, body, more: { note: `${valve.value} seats, form ${form}.` } }) as ToAdd))) ?? ''
}
</script>

<template>
  <div class="seat-job">
    <div class="head">
      <BenchSelect id="seat-valve" label="Valves" :model-value="valve" :items="plainPairs(['intake', 'exhaust'])" @update:model-value="drafts.set(key('valve'), $event!)" />
      <BenchSelect id="seat-count" label="a cylinder" :model-value="String(count)" :items="plainPairs(['1', '2', '3'])" @update:model-value="drafts.set(key(`${valve}/count`), $event!)" />
      <BenchSelect id="seat-when" label="When" :model-value="when" :items="WHEN" @update:model-value="drafts.set(key('when'), $event!)" />
      <p class="small quiet">{{ SAID[when] }} The rim it leaves in the chamber is blended after; that adds more.<template v-if="wanted"> Form A is the seat as planned at Ports.</template><template v-else-if="recorded"> Form A is the seat as recorded at Ports.</template></p>
    </div>
    <div class="forms">
      <section v-for="{ form, outcome } in outcomes" :key="form">
        <h3>Form {{ form }}</h3>
        <div class="fields">
          <FigureField v-for="f in FIELDS" :key="`${valve}${f.name}`" :field="`${build.view?.id}/seatform/${valve}/${form}/${f.name}`" :label="`${f.label}, ${form}`" :dimension="f.dimension" :part="asSet(kept(form, f.name))" :commit="keep(form, f)" />
        </div>
        <template v-if="ok(outcome)">
          <p class="answer"><span class="label">Adds, {{ count > 1 ? `${count} valves` : 'one valve' }}</span><strong class="num big" :data-seat="form">{{ say(outcome.all, 'volume', 'mm', 2) }}</strong></p>
          <dl class="small">
            <div><dt>the form is then</dt><dd class="num">{{ say(outcome.across, 'length', device.lengths) }} across</dd></div>
            <div v-if="outcome.blended > 0"><dt>of it, by blending the rim</dt><dd class="num">{{ say(outcome.blended * count, 'volume', 'mm', 2) }}</dd></div>
            <div v-if="outcome.ledge !== undefined"><dt>the seat alone leaves a ledge of</dt><dd class="num">{{ say(outcome.ledge, 'length', device.lengths) }}</dd></div>
            <div><dt>valve to piston gets back</dt><dd class="num">{{ say(outcome.back, 'length', device.lengths) }} upright</dd></div>
            <div v-if="outcome.job.deeper !== undefined"><dt>{{ when === 'before' ? 'cut the face deeper by' : 'cut the face past the target by' }}</dt><dd class="num"><strong>{{ say(outcome.job.deeper, 'length', device.lengths) }}</strong></dd></div>
            <div v-if="glass(outcome.job).length === 2"><dt>{{ when === 'before' ? 'glass after the seats, then when done' : 'glass after the cut, then when done' }}</dt><dd class="num"><strong>{{ glass(outcome.job)[0] }}</strong>, <strong>{{ glass(outcome.job)[1] }}</strong></dd></div>
          </dl>
          <v-btn :disabled="plannedHere" @click="plan(outcome, form)">Plan form {{ form }} on the whole head</v-btn>
        </template>
        <p v-else-if="outcome" class="sentence">{{ outcome.sentence }}</p>
        <p v-else class="small quiet">State the form’s diameter, its top cut and how far the valve goes up.</p>
      </section>
    </div>
    <p v-if="planned.length" class="small">Seat work is planned on {{ sayCylinders(plannedOn, build.cylinders.length).toLowerCase() }}: the cut on the first leaf counts it.</p>
    <PlannedWork :kinds="['seatWork']" first />
    <p class="caution">Installed height, spring load and stem tip move up with the valve. True the guides before the seats. Stones throw grit: protect your eyes.</p>
    <p v-if="sentence" class="sentence">{{ sentence }}</p>
  </div>
</template>

<style scoped>
.seat-job { display: grid; gap: 12px; align-content: start; }
.head { display: grid; grid-template-columns: 130px 90px 160px minmax(0, 1fr); gap: 12px; align-items: end; }
.forms { display: grid; grid-template-columns: 1fr 1fr; gap: 28px; }
.forms section { display: grid; gap: 8px; align-content: start; }
.fields { display: grid; grid-template-columns: 1fr 1fr; gap: 8px 12px; }
.answer { display: grid; }
.big { font-size: var(--s32); line-height: 1.1; }
dl > div { display: flex; justify-content: space-between; gap: 12px; border-bottom: 1px solid var(--hair); padding: 2px 0; }
dt { color: var(--quiet); }
.v-btn { justify-self: start; }
</style>
