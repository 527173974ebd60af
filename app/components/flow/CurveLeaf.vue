<script setup lang="ts">
import { curveFigures, flowByAngle, liftProfile, quantityRule, repeatsOf, rootReadsHigh, USUAL_ROOM, untyped, type FlowCurve } from '#core'
import { airSpeed, digits, inLengths, say, sayList } from '#shared/figures'
import { flowFile } from '#shared/files/flowFile'
import { useFlow, SHOWN_AT } from '~/composables/useFlow'
import { useFormDraft } from '~/composables/useFormDraft'
import { download } from '~/papers/download'
import { useBuild } from '~/stores/build'
import { useChoices } from '~/stores/choices'
import { useDevice } from '~/stores/device'
import { MISS_WORDS } from '~/words/flow'

/** Runs as curves with their ±, each in a colour and under a name that stay with it; another bench is another chart. */
const emit = defineEmits<{ enter: [] }>()
const build = useBuild()
const device = useDevice()
const choices = useChoices()
const { side, port, runs, ofPort, shownAt, wanted, runName, longName, sayPort, curveOf, cam, unit, flow } = useFlow()

/** Runs of the port on the bench are drawn until others are ticked. */
const ticked = choices.choice<string>('flowShown', '')
const ids = computed(() => ticked.value === '' ? ofPort(port.value).map(run => run.entry.id) : ticked.value.split(' '))
const tick = (id: string, on: boolean) => ticked.value = (on ? [...ids.value, id] : ids.value.filter(one => one !== id)).join(' ') || '-'
const curves = computed(() => runs.value.filter(run => ids.value.includes(run.entry.id)).map(curveOf))

const VIEWS = { flow: 'Flow', curtain: 'Coefficient on the curtain', seat: 'Coefficient on the seat’s area', speed: 'Speed in the throat' } as const
const view = choices.choice<keyof typeof VIEWS>('flowView', 'flow')
const valueOf = (row: FlowCurve['rows'][number]) => view.value === 'flow' ? flow(row.flow) : view.value === 'speed' ? row.speed && airSpeed(row.speed, device.lengths).value : row[view.value]
const drawn = computed(() => curves.value.filter(curve => curve.rows.some(row => valueOf(row) !== undefined)))
/** What a view needs beside the flow, where a run is not in it. */
const WANTS = { flow: '', curtain: 'the size of its valve is not known', seat: 'its valve, seat and throat have to be known', speed: 'its throat as it was then was not read' }
const leftOut = computed(() => drawn.value.length ? curves.value.filter(curve => !drawn.value.includes(curve)).map(curve => `${runName(curve.run)} is not in this chart: ${WANTS[view.value]}.`) : [])
const benches = computed(() => {
  const measured = drawn.value.filter(curve => !curve.run.entry.body.claimed)
  const names = [...new Set(measured.map(curve => curve.run.entry.body.bench.trim()))]
  const claims = drawn.value.filter(curve => curve.run.entry.body.claimed)
  // What a seller says has no bench: it is laid over the first, dotted.
  return (names.length ? names : ['']).map((name, i) => ({ name, curves: [...measured.filter(curve => curve.run.entry.body.bench.trim() === name), ...i === 0 ? claims : []] })).filter(bench => bench.curves.length)
})

const { line, axis, options: looks } = useChartInk()
const dataOf = (list: FlowCurve[]) => ({
  datasets: list.flatMap((curve) => {
    const { run, rows } = curve
    const points = rows.flatMap(row => valueOf(row) === undefined ? [] : [{ x: inLengths(row.lift, device.lengths), y: valueOf(row)!, u: row.u / row.flow }])
    const claimed = run.entry.body.claimed !== undefined
    const own = line(run.n - 1, points, runName(run), claimed ? { borderDash: [2, 5], pointRadius: 0 } : { pointRadius: 2.5 })
    const edge = (sign: 1 | -1) => line(run.n - 1, points.map(p => ({ x: p.x, y: p.y * (1 + sign * 2 * p.u) })), '', { borderWidth: 0, pointRadius: 0, ...sign < 0 ? { fill: '-1', backgroundColor: `${own.borderColor as string}22` } : {} })
    return claimed ? [own] : [edge(1), edge(-1), own]
  })
})
const options = computed(() => looks({
  x: axis(`lift, ${device.lengths}`, { maxTicksLimit: 10 }, { type: 'linear' as const, min: 0 }), y: axis(view.value === 'flow' ? `${unit.value} at ${shownAt.value} inH₂O` : view.value === 'speed' ? airSpeed(0, device.lengths).unit : 'coefficient of discharge', { maxTicksLimit: 7 }, { beginAtZero: true })
}, 132))
const says = (list: FlowCurve[]) => `${VIEWS[view.value]} by lift: ${list.map(curve => `${runName(curve.run)}, most ${say(curve.peak.flow, 'flow', device.lengths)} at ${say(curve.peak.lift, 'length', device.lengths)}`).join('; ')}`

/** Between which lifts the area under a curve is taken: as far as all that are drawn reach, until a hand says otherwise. */
const form = useFormDraft(() => 'flowcurves')
const span = computed(() => {
  const common = { from: Math.max(0, ...curves.value.map(c => c.rows[0]?.lift ?? 0)), to: Math.min(...curves.value.map(c => c.rows.at(-1)?.lift ?? 0)) }
  return { from: form.figure('from')?.value ?? common.from, to: form.figure('to')?.value ?? common.to }
})
const other = computed(() => {
  const [lift, duration] = [form.figure('lift'), form.figure('duration')]
  return lift && duration ? liftProfile(lift.value, duration.value, 61) : undefined
})
const rows = computed(() => curves.value.map(curve => ({ curve, own: curveFigures(curve, span.value.from, span.value.to, cam.value), other: other.value && curveFigures(curve, 0, 0, other.value).over })))
const scaled = computed(() => curves.value.find(curve => curve.from !== undefined))
const high = computed(() => {
  const body = scaled.value?.run.entry.body
  return body && rootReadsHigh(body.depression.value, wanted.value, { temperature: body.temperature?.value ?? USUAL_ROOM.temperature, pressure: (body.pressure?.value ?? USUAL_ROOM.pressure) * 100 })
})
const missed = computed(() => curves.value.flatMap(({ run }) => {
  const lifts = run.entry.body.rows.filter(row => row.missed)
  return lifts.length ? [`${runName(run)} did not reach ${sayList(lifts.map(row => `${say(row.lift, 'length', device.lengths)}${row.missed === 'other' ? '' : ` (${MISS_WORDS[row.missed!]})`}`))}.`] : []
}))
function fresh() {
  choices.choose('flowCorrects', '')
  emit('enter')
}
/** A run that was entered wrong is put right where it was entered. */
function correct(id: string) {
  choices.choose('flowCorrects', id)
  emit('enter')
}
/** Runs that repeat one before them, and which. */
const again = computed(() => new Map((build.replayed ? repeatsOf(build.replayed, runs.value) : []).flatMap(([first, ...more]) => more.map(run => [run.entry.id, first!.n] as const))))
const best = computed(() => curves.value.filter(c => !c.run.entry.body.claimed).at(-1))
/** One curve under both cams: how much of it each uses, by the degree. */
const cams = computed(() => {
  const curve = best.value
  if (!curve || !other.value) return undefined
  const through = (table: typeof other.value, more = {}) => line(curve.run.n - 1, flowByAngle(curve.run.rows, table).map(({ angle, flow: lps }) => ({ x: angle - (table[0]?.angle ?? 0), y: flow(lps) })), '', { pointRadius: 0, ...more })
  return { datasets: [...cam.value ? [through(cam.value, { borderDash: [] })] : [], through(other.value, { borderDash: [7, 4] })] }
})
const camLooks = computed(() => looks({ x: axis('degrees of crank after it opens', { maxTicksLimit: 10 }, { type: 'linear' as const, min: 0, max: Math.max(...cams.value?.datasets.flatMap(({ data }) => data.map(p => (p as { x: number }).x)) ?? [0]) }), y: axis(unit.value, { maxTicksLimit: 5 }, { beginAtZero: true }) }, 12))
const saysCams = computed(() => rows.value.filter(row => row.curve === best.value).map(({ own, other: second }) => `Flow by the degree of crank: mean over this cam ${own.over ? digits(flow(own.over.flow), 1) : 'not known'}, over the other ${second ? digits(flow(second.flow), 1) : 'not known'} ${unit.value}`)[0] ?? '')
const takeAway = () => download(flowFile(build.replayed!.layout, runs.value), 'text/csv', `${build.view!.name} flow.csv`)
const liftRule = quantityRule('intakeLift')
</script>

<template>
  <section class="curves">
    <div v-if="runs.length === 0" class="first">
      <p class="big">No run yet.</p>
      <p>Run the head as it came in, twice, and take it off the bench in between: that shows how well the bench repeats.</p>
      <v-btn variant="flat" color="primary" @click="fresh">Enter a run</v-btn>
    </div>
    <template v-else>
      <div class="left">
        <div class="row">
          <BenchSelect v-model="view" class="view" label="Drawn" :items="Object.entries(VIEWS) as [keyof typeof VIEWS, string][]" />
          <BenchSelect v-model="shownAt" class="at" label="Shown at" :items="SHOWN_AT.map(at => [at, `${at} inH₂O`] as const)" />
          <p v-if="best" class="peak"><span class="label">{{ runName(best.run) }}, most</span><br><strong class="num big" data-peak>{{ digits(flow(best.peak.flow), 1) }}</strong> {{ unit }} at {{ say(best.peak.lift, 'length', device.lengths) }}</p>
        </div>
        <div v-for="bench in benches" :key="bench.name" class="chart">
          <p v-if="benches.length > 1" class="label">On {{ bench.name }}</p>
          <div class="canvas"><LazyLineChart :data="dataOf(bench.curves)" :options="options" :says="says(bench.curves)" /></div>
        </div>
        <p v-if="benches.length === 0" class="quiet">{{ curves.length === 0 ? `Nothing was run of ${sayPort(port)} yet: tick a run beside this, or choose another cylinder.` : 'For this the valve and the throat have to be known: draw the chamber, or state them at Ports.' }}</p>
        <p v-for="one in leftOut" :key="one" class="small" data-left-out>{{ one }}</p>
        <p v-if="scaled" class="small">{{ runName(scaled.run) }} was measured at {{ say(scaled.from!, 'depression') }}. By the square root it reads about <span class="num">{{ digits(Math.abs(high!) * 100, 1) }} %</span> too {{ high! > 0 ? 'high' : 'low' }} here. Coefficients are those of the depression it was measured at.</p>
        <v-table v-if="rows.length" class="close" aria-label="Curves in figures">
          <thead><tr><th>Run</th><th class="r">most, {{ unit }}</th><th class="r">under the curve, {{ unit }}·{{ device.lengths }}</th><th class="r">over this cam, {{ unit }}</th><th v-if="other" class="r">over the other cam, {{ unit }}</th></tr></thead>
          <tbody>
            <tr v-for="{ curve, own, other: second } in rows" :key="curve.run.entry.id">
              <td>{{ runName(curve.run) }}<span v-if="curve.run.entry.body.claimed" class="quiet">, claimed</span></td><td class="r num">{{ digits(flow(curve.peak.flow), 1) }}</td>
              <td class="r num">{{ own.under === undefined ? '–' : digits(inLengths(flow(own.under), device.lengths), device.lengths === 'in' ? 2 : 0) }}</td>
              <td class="r num">{{ own.over ? digits(flow(own.over.flow), 1) : '–' }}<span v-if="own.over && own.over.beyond > 0.005" class="quiet small"><br>{{ digits(own.over.beyond * 100, 0) }} % past its last lift</span></td>
              <td v-if="other" class="r num">{{ second ? digits(flow(second.flow), 1) : '–' }}</td>
            </tr>
          </tbody>
        </v-table>
        <p v-for="miss in missed" :key="miss" class="small quiet">{{ miss }}</p>
        <p v-if="rows.length && !cam" class="small quiet">For the mean over the cam, enter its lift table at Shape, Lift, or state the {{ side }} valve’s lift and duration at Mock-up, Springs.</p>
        <BenchFold title="Lifts to count between, and another cam" :open="other !== undefined">
          <div class="row fields">
            <FigureField :field="form.key('from/typed')" label="From a lift of" dimension="length" :part="form.part('from', untyped(span.from, 'mm'))" :commit="form.keep('from', { ...liftRule, min: 0 }, 'the lift to count from')" />
            <FigureField :field="form.key('to/typed')" label="To a lift of" dimension="length" :part="form.part('to', untyped(span.to, 'mm'))" :commit="form.keep('to', liftRule, 'the lift to count to')" />
            <FigureField :field="form.key('lift/typed')" label="Other cam, lift at the valve" dimension="length" :part="form.part('lift')" :commit="form.keep('lift', liftRule, 'the other cam’s lift')" />
            <FigureField :field="form.key('duration/typed')" label="Other cam, duration" dimension="angle" :part="form.part('duration')" :commit="form.keep('duration', quantityRule('intakeDuration'), 'the other cam’s duration')" />
          </div>
          <template v-if="cams && best">
            <p class="small">{{ runName(best.run) }} under {{ cam ? 'both cams: the full line is this engine’s, the dashed one the other’s' : 'the other cam' }}.</p>
            <div class="cams" data-cams><LazyLineChart :data="cams" :options="camLooks" :says="saysCams" /></div>
          </template>
        </BenchFold>
      </div>
      <div class="right">
        <v-btn variant="flat" color="primary" @click="fresh">Enter a run</v-btn>
        <ul class="runs" aria-label="Runs">
          <li v-for="run in runs" :key="run.entry.id">
            <BenchCheck :model-value="ids.includes(run.entry.id)" :aria-label="`Draw ${longName(run)}`" @update:model-value="tick(run.entry.id, $event)">
              <span class="name">{{ runName(run) }}</span><br><span class="small quiet">{{ sayPort(run.port) }}{{ run.entry.body.claimed ? `, claimed by ${run.entry.body.claimed}` : `, ${say(run.entry.body.depression.value, 'depression')}` }}</span><template v-if="again.has(run.entry.id)"><br><span class="small quiet">counts as a repeat of run {{ again.get(run.entry.id) }}</span></template>
            </BenchCheck>
            <v-btn variant="text" class="small" @click="correct(run.entry.id)">correct<span class="visually-hidden"> {{ longName(run) }}</span></v-btn>
          </li>
        </ul>
        <v-btn @click="takeAway">Runs as CSV</v-btn>
        <p class="small quiet">Only runs on one bench can be compared. The band about a curve is this bench’s ±.</p>
      </div>
    </template>
  </section>
</template>

<style scoped>
.curves { display: grid; grid-template-columns: minmax(0, 1fr) 264px; gap: 24px; align-items: start; }
.first { display: grid; gap: 12px; justify-items: start; grid-column: 1 / -1; max-width: 560px; }
.left, .right { display: grid; grid-template-columns: minmax(0, 1fr); gap: 10px; align-content: start; }
.right > .v-btn { justify-self: start; }
.canvas { height: 380px; position: relative; }
.row { display: flex; gap: 14px; align-items: end; flex-wrap: wrap; }
.view { width: 250px; flex: none; }
.at { width: 130px; flex: none; }
.peak { margin-left: auto; text-align: right; }
.big { font-size: var(--s32); line-height: 1.1; font-weight: 700; }
.runs { list-style: none; padding: 0; display: grid; }
.runs li { border-bottom: 1px solid var(--hair); padding: 4px 0; display: flex; justify-content: space-between; align-items: center; }
.runs .v-btn { color: var(--dye); }
.cams { height: 260px; position: relative; }
.fields > * { width: 170px; }
@media (max-width: 1000px) { .curves { grid-template-columns: minmax(0, 1fr) 210px; gap: 14px; } .canvas { height: 420px; } .view { width: 200px; } .runs .v-btn { --v-btn-height: 44px; } }
</style>
