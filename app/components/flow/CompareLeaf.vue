<script setup lang="ts">
import { digits, inLengths, say, sayList, shown } from '#shared/figures'
import { useFlow } from '~/composables/useFlow'
import { useChoices } from '~/stores/choices'
import { useDevice } from '~/stores/device'
import { VERDICT_WORDS, WHOLE_WORDS, sayApart, sayChanged, sayNoVerdict } from '~/words/flow'

/** Two runs of one port: whether the flow changed, by how much, and what it is due to. */
const emit = defineEmits<{ enter: [] }>()
const choices = useChoices()
const device = useDevice()
const { runs, longName, runName, before, after, compared, unit, flow, percent } = useFlow()
const offered = computed(() => runs.value.map(run => [run.entry.id, longName(run)] as const))
const whole = computed(() => compared.value?.whole)
const meant = computed(() => {
  const { before: one = [], after: other = [] } = compared.value ?? {}
  return [one, other].flatMap((group, i) => group.length > 1 ? [`${i === 0 ? 'Before' : 'After'} is the mean of runs ${sayList(group.map(run => run.n))}, which repeat each other.`] : [])
})
/** Its hours say that there was work, where no entry names it. */
function worked() {
  choices.choose('flowCorrects', compared.value!.after[0]!.entry.id)
  emit('enter')
}
const gain = computed(() => compared.value?.gain)
const { line, axis, options: looks } = useChartInk()
const data = computed(() => {
  const lifts = compared.value?.lifts ?? []
  const at = (of: (row: (typeof lifts)[number]) => number) => lifts.map(row => ({ x: inLengths(row.lift, device.lengths), y: 100 * of(row) }))
  const own = line(1, at(row => row.change), 'change', { pointRadius: 3 })
  return { datasets: [line(1, at(row => row.change + 2 * row.u), '', { borderWidth: 0 }), line(1, at(row => row.change - 2 * row.u), '', { borderWidth: 0, fill: '-1', backgroundColor: `${own.borderColor as string}22` }), own, line(0, [{ x: lifts[0] ? inLengths(lifts[0].lift, device.lengths) : 0, y: 0 }, { x: inLengths(lifts.at(-1)?.lift ?? 1, device.lengths), y: 0 }], 'no change')] }
})
const options = computed(() => looks({ x: axis(`lift, ${device.lengths}`, { maxTicksLimit: 10 }, { type: 'linear' as const }), y: axis('change, %', { maxTicksLimit: 6 }) }, 84))
const says = computed(() => `Change by lift: ${(compared.value?.lifts ?? []).map(row => `${percent(row.change)} at ${say(row.lift, 'length', device.lengths)}`).join(', ')}`)
</script>

<template>
  <section class="compare">
    <div class="left">
      <div class="pick">
        <BenchSelect v-model="before" label="Before" :items="offered" />
        <BenchSelect v-model="after" label="After" :items="offered" />
      </div>
      <p v-if="!compared" class="none">{{ runs.length < 2 ? 'Two runs of one port can be compared: one before the work, one after it.' : 'Choose two different runs.' }}</p>
      <v-btn v-if="runs.length < 2" variant="flat" color="primary" @click="emit('enter')">Enter a run</v-btn>
      <template v-if="compared">
        <div class="verdict" role="status">
          <template v-if="whole">
            <p class="label">{{ compared.again ? 'The same head, run again' : WHOLE_WORDS[whole.verdict] }}, {{ say(whole.from, 'length', device.lengths) }} to {{ say(whole.to, 'length', device.lengths) }} of lift</p>
            <p class="huge num" data-change>{{ percent(whole.change) }} <span class="pm">± {{ digits(2 * whole.u * 100, 1) }}</span></p>
            <p v-if="whole.verdict === 'none' && !compared.again">The change is inside what this bench differs by from one run to the next.</p>
          </template>
          <template v-else>
            <p class="label">No verdict</p>
            <p class="why" data-why>{{ sayNoVerdict(compared.why) }}</p>
          </template>
        </div>
        <template v-if="!compared.why.includes('specimen') && !compared.why.includes('claimed')">
          <p data-changed>{{ sayChanged(compared.changed, whole?.verdict) }}</p>
          <v-btn v-if="compared.again" @click="worked">Say what was worked before run {{ compared.after[0]!.n }}</v-btn>
          <p v-for="way in sayApart(compared.apart)" :key="way" class="small">{{ way }}</p>
        </template>
        <p v-if="compared.between.length" class="small">{{ compared.between.length === 1 ? 'Run' : 'Runs' }} {{ sayList(compared.between.map(run => run.n)) }} of this port {{ compared.between.length === 1 ? 'lies' : 'lie' }} between them: compare step by step.</p>
        <p v-for="mean in meant" :key="mean" class="small">{{ mean }}</p>
        <dl v-if="gain" class="gain">
          <template v-if="gain.overCam !== undefined"><dt>over this engine’s cam</dt><dd class="num">{{ gain.overCam > 0 ? '+' : '' }}{{ digits(flow(gain.overCam), 1) }} {{ unit }}</dd></template>
          <template v-if="gain.hours !== undefined && (gain.perHour !== undefined || whole?.verdict === 'none')"><dt>for {{ digits(gain.hours, 1) }} h of work</dt><dd class="num">{{ gain.perHour === undefined ? 'nothing gained' : `${digits(flow(gain.perHour), 1)} ${unit} an hour` }}</dd></template>
          <template v-if="gain.added !== undefined && (gain.perCc !== undefined || whole?.verdict === 'none')"><dt>for {{ say(gain.added, 'volume') }} more port</dt><dd class="num">{{ gain.perCc === undefined ? 'nothing gained' : `${digits(flow(gain.perCc), 2)} ${unit} per cc` }}</dd></template>
        </dl>
        <p class="small quiet">The bench’s ± is {{ compared.errors.runs ? `from ${compared.errors.runs} runs that were repeated on it` : 'assumed: nothing was repeated on it yet. Run one head twice, mounted anew' }}: {{ digits(compared.errors.setup * 200, 1) }} % for mounting{{ compared.oneMounting ? ', which these two share' : '' }}, {{ digits(compared.errors.reading * 200, 1) }} % for a reading.</p>
        <p class="small quiet">Flow is not power.</p>
      </template>
    </div>
    <div class="right">
      <v-table v-if="compared?.lifts.length" :aria-label="`${compared.before.map(runName).join(', ')} against ${compared.after.map(runName).join(', ')}, lift by lift`">
        <thead><tr><th class="r">lift, {{ device.lengths }}</th><th class="r">before, {{ unit }}</th><th class="r">after, {{ unit }}</th><th class="r">change</th><th class="r">± %</th><th>that is</th></tr></thead>
        <tbody>
          <tr v-for="row in compared.lifts" :key="row.lift">
            <td class="r num">{{ shown(row.lift, 'length', device.lengths).number }}</td><td class="r num">{{ digits(flow(row.before), 1) }}</td><td class="r num">{{ digits(flow(row.after), 1) }}</td>
            <td class="r num">{{ percent(row.change) }}</td><td class="r num quiet">{{ digits(row.u * 200, 1) }}</td>
            <td v-if="compared.again" class="quiet">scatter</td>
            <td v-else :class="{ quiet: row.verdict === 'none' }"><component :is="row.verdict === 'none' ? 'span' : 'strong'">{{ VERDICT_WORDS[row.verdict] }}</component></td>
          </tr>
        </tbody>
      </v-table>
      <div v-if="(compared?.lifts.length ?? 0) > 1" class="canvas"><LazyLineChart :data="data" :options="options" :says="says" /></div>
      <p v-for="dip in compared?.dips" :key="dip.lift" class="small"><strong class="warn">After falls by {{ digits(dip.fall * 100, 1) }} % at {{ say(dip.lift, 'length', device.lengths) }}</strong>, more than a reading can be off: the stream lets go of a wall there.</p>
    </div>
  </section>
</template>

<style scoped>
.compare { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1.1fr); gap: 28px; align-items: start; }
.left, .right { display: grid; grid-template-columns: minmax(0, 1fr); gap: 10px; align-content: start; }
.left > .v-btn { justify-self: start; }
.pick { display: grid; grid-template-columns: 1fr 1fr; gap: 12px; }
.huge { font-size: var(--s80); line-height: 1; font-weight: 700; white-space: nowrap; }
.pm { font-size: var(--s32); font-weight: 400; }
.why { font-size: var(--s22); line-height: 1.3; }
.canvas { height: 200px; position: relative; }
.gain { display: grid; grid-template-columns: auto 1fr; gap: 2px 16px; margin: 0; }
.gain dd { margin: 0; font-weight: 700; }
@media (max-width: 1000px) { .compare { grid-template-columns: minmax(0, 1fr); } .right { max-width: 640px; } }
</style>
