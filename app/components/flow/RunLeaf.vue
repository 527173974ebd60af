<script setup lang="ts">
import { FLOW_ENTRIES, FLOW_PIPES, KINDS, type Bodies, type Figure, type FlowEntry, type FlowPipe } from '#core'
import { UNITS, digits, say, shown } from '#shared/figures'
import { FLOW_TEXT_LIMIT, readBenchLine, readFlowRows, writeFlowRows } from '#shared/files/flowText'
import { useFlow } from '~/composables/useFlow'
import { useFlowFile } from '~/composables/useFlowFile'
import { useFormDraft } from '~/composables/useFormDraft'
import { notKept } from '~/composables/useStatement'
import { useBuild } from '~/stores/build'
import { useChoices } from '~/stores/choices'
import { useDevice } from '~/stores/device'
import { useGauge } from '~/stores/gauge'
import { ENTRY_WORDS, PIPE_WORDS } from '~/words/flow'
import { inTyped } from '~/words/refusals'

/** A run as it is made: what it depends on, then its lifts, typed or as the bench sends them. */
const emit = defineEmits<{ kept: [] }>()
const build = useBuild()
const device = useDevice()
const gauge = useGauge()
const choices = useChoices()
const { side, port, runs, scopeOf, sayPort, longName, unit } = useFlow()
const corrects = choices.choice<string>('flowCorrects', '')
/** The run that is put right, where one is: everything stands as it was entered. */
const right = computed(() => runs.value.find(run => run.entry.id === corrects.value))
const form = useFormDraft(() => right.value ? `flowrun/${right.value.entry.id}` : 'flowrun')
const was = computed(() => right.value?.entry.body)
/** What was so at the last run is most likely so at the next. */
const last = computed(() => runs.value.filter(run => !run.entry.body.claimed).at(-1)?.entry.body)
const words = (field: string, usual: () => string | undefined) => {
  const kept = computed(() => form.text(field, usual() ?? '').value)
  return computed({ get: () => kept.value, set: to => form.text(field, usual() ?? '').value = to })
}
const name = words('name', () => was.value?.name)
const bench = words('bench', () => (was.value ?? last.value)?.bench)
const specimen = words('specimen', () => was.value?.specimen)
const manifold = words('manifold', () => (was.value ?? last.value)?.manifold)
const valve = words('valve', () => (was.value ?? last.value)?.valve)
const claimed = words('claimed', () => was.value?.claimed)
const hours = words('hours', () => was.value?.hours === undefined ? undefined : digits(was.value.hours, 2))
const pipe = words('pipe', () => (was.value ?? last.value)?.pipe ?? 'none')
const entry = words('entry', () => (was.value ?? last.value)?.entry ?? 'none')
const same = words('same', () => was.value?.sameMounting ? 'yes' : undefined)
const text = words('rows', () => was.value && writeFlowRows(was.value.rows, units.value))
const figures = ['depression', 'fixture', 'across', 'temperature', 'pressure'] as const
type FigureName = (typeof figures)[number]
const LABELS: Record<FigureName, [label: string, noun: string]> = {
  depression: ['Depression', 'the depression'], fixture: ['Fixture’s bore', 'the fixture’s bore'], across: ['Valve’s diameter, if another', 'the valve’s diameter'], temperature: ['Air', 'the air’s temperature'], pressure: ['Air pressure', 'the air’s pressure']
}
// Air is read anew each time; a valve that was in is not in for good.
const before = (of: FigureName): Figure | undefined => was.value ? was.value[of] : of === 'depression' || of === 'fixture' ? last.value?.[of] : undefined
const figureOf = (of: FigureName) => form.given(of, before(of))
const flowUnit = computed({ get: () => form.text('unit', unit.value).value as 'L/s' | 'cfm', set: to => form.text('unit', unit.value).value = to })
const units = computed(() => ({ lengths: device.lengths, flow: flowUnit.value }))
const read = computed(() => text.value.trim() === '' ? undefined : readFlowRows(text.value, units.value))
const faults = ref<Record<string, string>>({})
const sentence = ref('')

async function keep() {
  const rows = read.value
  const worked = hours.value.trim() === '' ? undefined : Number(hours.value.replace(',', '.'))
  faults.value = {
    ...bench.value.trim() === '' ? { bench: 'Name the bench: runs on two benches can’t be compared.' } : {},
    ...worked !== undefined && !(worked >= 0.05 && worked <= 500) ? { hours: 'Hours of work: 0.05 to 500.' } : {}
  }
  const depression = figureOf('depression')
  sentence.value = rows === undefined ? 'Enter the lifts and their flows.' : typeof rows === 'string' ? inTyped(rows, device.lengths) : !depression ? 'State the depression: a flow without it says nothing.' : ''
  if (Object.keys(faults.value).length > 0 || sentence.value || !depression || !Array.isArray(rows)) return
  const named = Object.fromEntries(Object.entries({ name, specimen, manifold, valve, claimed }).flatMap(([key, field]) => field.value.trim() === '' ? [] : [[key, field.value.trim()]]))
  const given = Object.fromEntries(figures.flatMap(of => figureOf(of) ? [[of, figureOf(of)!]] : []))
  const body = {
    bench: bench.value.trim(), depression, pipe: pipe.value as FlowPipe, entry: entry.value as FlowEntry, ...named, ...given, rows,
    ...same.value === 'yes' ? { sameMounting: true } : {}, ...worked === undefined ? {} : { hours: worked }
  } as Bodies['flowRun']
  stop()
  const first = right.value?.entry
  const fields = ['name', 'specimen', 'claimed', 'hours', 'same', 'rows', 'across', 'bench', 'manifold', 'valve', 'pipe', 'entry', ...figures]
  sentence.value = await form.sent(fields, async () => notKept(await build.add('flowRun', first?.scope ?? scopeOf(port.value), body, first ? { supersedes: first.id, at: first.at, ...(first.note ? { note: first.note } : {}) } : {})))
  if (sentence.value) return
  corrects.value = ''
  // A new run is drawn and compared, whatever was looked at before it.
  for (const name of ['flowShown', 'flowBefore', 'flowAfter']) choices.choose(name, '')
  emit('kept')
}

/** The bench steps through its lifts; what it has sent is in the rows at once, and a lift that comes a second time is not taken twice. */
function begin(id: string) {
  const on = (line: string) => {
    const found = readBenchLine(line)
    if (!found) return
    const lift = shown(found.lift, 'length', device.lengths).number
    if (text.value.split('\n').some(row => row.trim().split(/\s+/)[0] === lift)) return
    text.value = `${text.value.trim() === '' ? '' : `${text.value.trimEnd()}\n`}${lift} ${digits(found.flow / UNITS[flowUnit.value].factor, 1)}`
  }
  gauge.bench = { id, what: `${side.value}Flow`, turn: Date.now(), on }
}
function stop() {
  gauge.bench = undefined
}
onBeforeUnmount(stop)
watch(() => [port.value.cylinder, port.value.valve, port.value.n], stop)
const { take, told } = useFlowFile(text)
</script>

<template>
  <form class="run" @submit.prevent="keep">
    <div class="left">
      <div v-if="right" class="row righting" role="status"><p>Correcting <strong>{{ longName(right) }}</strong>. It stays in its place; the Daybook keeps what it was.</p><v-btn @click="corrects = ''; emit('kept')">Leave it</v-btn></div>
      <PortPick v-else />
      <div class="fields">
        <BenchText v-model="name" label="Name of this run" maxlength="40" />
        <BenchText v-model="bench" label="Bench" maxlength="60" :fault="faults.bench" />
        <FigureField v-for="of in (['depression', 'fixture'] as const)" :key="of" :field="form.key(`${of}/typed`)" :label="LABELS[of][0]" :dimension="KINDS.flowRun.bounds[of].dimension" :part="form.part(of, before(of))" :empty="form.empty(of)" :commit="form.keep(of, KINDS.flowRun.bounds[of], LABELS[of][1])" />
        <BenchSelect v-model="pipe" label="After the port" :items="FLOW_PIPES.map(one => [one, PIPE_WORDS[one]] as const)" />
        <BenchSelect v-model="entry" label="At the entry" :items="FLOW_ENTRIES.map(one => [one, ENTRY_WORDS[one]] as const)" />
        <FigureField v-for="of in (['temperature', 'pressure'] as const)" :key="of" :field="form.key(`${of}/typed`)" :label="LABELS[of][0]" :dimension="KINDS.flowRun.bounds[of].dimension" :part="form.part(of, before(of))" :empty="form.empty(of)" :commit="form.keep(of, KINDS.flowRun.bounds[of], LABELS[of][1])" />
        <BenchText v-model="manifold" label="Manifold, if one is on" maxlength="60" />
        <BenchText v-model="valve" label="Valve, if not the usual" maxlength="60" />
        <FigureField :field="form.key('across/typed')" :label="LABELS.across[0]" dimension="length" :part="form.part('across', before('across'))" :empty="form.empty('across')" :commit="form.keep('across', KINDS.flowRun.bounds.across, LABELS.across[1])" />
        <BenchText v-model="hours" label="Hours of work since the last run" inputmode="decimal" :fault="faults.hours" />
        <BenchText v-model="specimen" label="Another head, if not this one" maxlength="60" />
        <BenchText v-model="claimed" label="Whose claim, if not measured" maxlength="60" />
      </div>
      <BenchCheck :model-value="same === 'yes'" label="It was not taken off the bench since the last run" @update:model-value="same = $event ? 'yes' : ''" />
    </div>
    <div class="right">
      <div class="row">
        <BenchSelect v-model="flowUnit" label="Flows in" :items="[['L/s', 'L/s'], ['cfm', 'cfm']]" class="unit" />
        <template v-for="one in gauge.benches" :key="one.id">
          <v-btn v-if="gauge.bench?.id === one.id" @click="stop">Stop the bench</v-btn>
          <v-btn v-else @click="begin(one.id)">{{ one.name }}</v-btn>
        </template>
      </div>
      <v-textarea id="flow-rows" v-model="text" class="num" :label="`Lift in ${device.lengths === 'in' ? 'inches' : 'mm'} and flow, a line each`" rows="11" spellcheck="false"><template #loader /></v-textarea>
      <p class="small quiet">Where a lift was not reached, write retainer, coil bind or bench instead of the flow.</p>
      <p v-if="Array.isArray(read)" class="small" data-read>{{ read.length }} {{ read.length === 1 ? 'lift' : 'lifts' }}, to {{ say(read.at(-1)!.lift, 'length', device.lengths) }}<template v-if="read.some(row => row.missed)">, {{ read.filter(row => row.missed).length }} not reached</template>.</p>
      <p v-else-if="text.length > FLOW_TEXT_LIMIT" class="sentence">{{ read }}</p>
      <p v-if="sentence" class="sentence" role="alert">{{ sentence }}</p>
      <v-btn type="submit" variant="flat" color="primary">{{ right ? 'Keep the correction' : `Keep the run of ${sayPort(port)}` }}</v-btn>
      <v-file-input class="file" label="Runs or rows out of a CSV file" accept=".csv,.txt,text/csv,text/plain" @update:model-value="take" />
      <p v-if="told" class="sentence" role="alert">{{ told }}</p>
      <p class="caution">A bench’s motor starts without a warning and is loud: ears covered, sleeves and rags away from the intake.</p>
    </div>
  </form>
</template>

<style scoped>
.run { display: grid; grid-template-columns: minmax(0, 1fr) 330px; gap: 28px; align-items: start; }
.left, .right { display: grid; gap: 10px; align-content: start; }
.right > .v-btn { justify-self: start; }
.row { display: flex; gap: 12px; align-items: end; flex-wrap: wrap; }
.fields { display: grid; grid-template-columns: repeat(3, minmax(0, 1fr)); gap: 10px 14px; align-items: start; }
.unit { width: 110px; flex: none; }
@media (max-width: 1000px) { .run { grid-template-columns: minmax(0, 1fr) 300px; gap: 16px; } .fields { grid-template-columns: repeat(2, minmax(0, 1fr)); } }
</style>
