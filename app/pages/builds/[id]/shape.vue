<script setup lang="ts">
import { SCHOOLS, againstTarget, arcsOf, asSet, pinBlocked, spentOf, targetBand, uncertainty, type School } from '#core'
import { digits, say, sayDoubt } from '#shared/figures'
import { firstPress } from '~/composables/firstPress'
import { askSolids } from '~/composables/useSolids'
import { useGlass } from '~/composables/useGlass'
import { usePlanned } from '~/composables/usePlanned'
import { useSettling } from '~/composables/useSettling'
import { useDeveloped } from '~/composables/shape/useDeveloped'
import { useShapePlan } from '~/composables/shape/useShapePlan'
import { useShapeSetup } from '~/composables/shape/useShapeSetup'
import { useWalls } from '~/composables/shape/useWalls'
import { download } from '~/papers/download'
import { useBuild } from '~/stores/build'
import { useChoices } from '~/stores/choices'
import { useDevice } from '~/stores/device'
import { sayDrawnValve } from '~/words/ports'

const build = useBuild()
const device = useDevice()
const { stopAt } = useGlass()
const laid = useShapeSetup()
const made = useDeveloped(laid)
const { head, setup, set, model, spec, bore, gasketBore, line, valve, kind, lift, mostLift, liftEntry, undo } = laid
const { fault, facts, lesson, developed, told, now, then, sweep, wallsOf, means, settled } = made
const { proposal, others, offered, takeProposal, takeCutter, draw, compared, comparing, compare, haltComparing, gauge, nicks, short, spots } = useWalls(laid, made)
const { addedU, squishThen, stateThen, payBack, paid, budget, copies, copying, copy, haltCopying, planned, plan, finish } = useShapePlan(laid, made)
const SCHOOL_WORDS: Record<School, [name: string, what: string]> = {
  match: ['Match the need', 'The wall passes what the valve does, at every lift.'],
  pin: ['Pin gauge', 'At this lift the pin must pass all the way round.'],
  line: ['To the line', 'Open to the scribed line everywhere on that side.'],
  leave: ['Leave alone', 'Only the hot spots are blended. For a build that has no ratio to give away.']
}
const schools = SCHOOLS.map(s => [s, SCHOOL_WORDS[s][0]] as const)
const { pale, caughtUp } = useSettling(settled, () => [build.cylinder, setup.value.valve, setup.value.school].join())
const choices = useChoices()
const { stopOf } = usePlanned()
const leaf = choices.leafOf('shape')
const leaves = computed(() => choices.leavesOf('shape'))
const sentence = ref('')
const hours = ref('')
const mm = (value: number) => say(value, 'length', device.lengths)
const gapStop = computed(() => {
  const gap = now.value?.shroud.gap
  const r = spec.value?.valves[valve.value]?.diameter
  if (!gap || !r || setup.value.school !== 'pin') return []
  const blocked = pinBlocked(r / 2, gap, setup.value.pin)
  return arcsOf(gap.map((_, i) => blocked.has(i))).filter(arc => arc.to > arc.from)
})
const marks = computed(() => gapStop.value.flatMap(arc => [arc.from, arc.to % 360]))
const edge = shallowRef<number[][]>([])
watch(() => developed.value?.name, async (name) => {
  if (!name || !model.value) return
  const answer = await askSolids('look', 'shape edge', { key: name, cut: model.value.done, x: 0 })
  if (answer.kind === 'done') edge.value = answer.value.edge
})
const AGAINST = { under: 'under the target', on: 'on target', over: 'over the target' }
const ratioThen = computed(() => stateThen.value?.ratio?.estimate.value)
const ratioWord = computed(() => {
  const stands = stateThen.value && againstTarget(stateThen.value, targetBand(build.replayed?.target))
  return stands ? AGAINST[stands] : ''
})
const seatWord = computed(() => {
  const w = payBack.value?.worst
  return !w ? '' : w.verdict === 'clear' ? 'the seats allow it' : w.verdict === 'topCutLost' ? `takes an arc of the ${w.valve.valve} top cuts` : w.verdict === 'seatJob' ? `the ${w.valve.valve} seats need a job` : `stop: the ${w.valve.valve} seats are gone`
})
const within = (least: number, most: number, noun: string, change: (v: number) => void) => async ({ value }: { value: number }): Promise<string | undefined> => {
  if (!(value >= least && value <= most)) return `That can’t be right for ${noun}: it must lie between ${mm(least)} and ${mm(most)}.`
  change(value)
  return undefined
}
const drawn = (azimuth: number, far: number) => draw('Wall drawn', azimuth, far)
/** More is ground than a face cut could pay back above the seats: planned only with a reason, which stays with the entry. */
const reason = ref('')
const asking = ref(false)
const lostBy = (cc: number) => budget.value !== undefined && spentOf(budget.value, cc).lost
const spent = computed(() => told.value && setup.value.steps.length ? told.value.added : 0)
const pastSeat = computed(() => lostBy(spent.value))
const takesPast = computed(() => (offered.value ?? 0) > 0 && lostBy(spent.value + offered.value!))
watch(() => [head.value, setup.value.steps.length], () => asking.value = false)
// Nothing is planned or taken by figures that are not yet of what is drawn.
async function planIt() {
  if (!await caughtUp()) return
  if (pastSeat.value && reason.value.trim() === '') {
    asking.value = true
    sentence.value = 'Say why below, then plan it again.'
    return
  }
  sentence.value = await plan([...setup.value.steps.map(s => s.words), ...pastSeat.value ? [reason.value.trim()] : []].join(', ')) ?? ''
  if (!sentence.value) {
    reason.value = ''
    asking.value = false
  }
}
async function takeIt() {
  if (await caughtUp()) takeProposal(`${SCHOOL_WORDS[setup.value.school][0]}, ${kind.value}`)
}
const field = (name: string) => `${build.view?.id}/shapefield/${build.state?.head}/${name}`
async function template(kindOf: 'pdf' | 'svg') {
  if (!spec.value || !model.value) return
  const { scribeTemplate, templateSvg, templatePdf } = await import('~/papers/template')
  const sheet = scribeTemplate({ rowBegins: build.rowBegins, spec: spec.value, bore: bore.value, gasketBore: gasketBore.value, line: line.value, edge: setup.value.steps.length || spec.value.reliefs?.length ? edge.value : [], marks: [...marks.value], valve: valve.value, lift: lift.value, title: `${build.view?.name}, cylinder ${build.cylinder}` })
  const bytes = kindOf === 'svg' ? templateSvg(sheet) : await templatePdf(sheet)
  download(bytes as BlobPart, kindOf === 'svg' ? 'image/svg+xml' : 'application/pdf', `${build.view?.name ?? 'chamber'} cylinder ${build.cylinder} template.${kindOf}`)
}
</script>

<template>
  <div class="shape" data-station>
    <h1 class="visually-hidden">Shape</h1>
    <template v-if="spec && spec.valves.length">
      <div class="left">
        <ShapePlan
          :spec="spec" :bore="bore" :gasket-bore="gasketBore" :line="line" :valve="valve" :lift="lift" :now="now" :then="setup.steps.length ? then : undefined" :proposal="proposal" :school="setup.school" :pin-marks="marks" :edge="edge"
          :label="`Chamber of cylinder ${build.cylinder} from below; ${kind} open by ${mm(lift)}`" class="plan" @draw="drawn"
        />
        <div class="lift">
          <BenchSelect id="shape-valve" class="which" hide-label label="Valve" :model-value="valve" data-next :items="spec.valves.map((_, i) => [i, sayDrawnValve(spec!.valves, i)] as const)" @update:model-value="set({ valve: $event! })" />
          <span class="label">Lift</span>
          <v-slider id="shape-lift" aria-label="Lift" :min="0.2" :max="mostLift" :step="0.1" :model-value="lift" @update:model-value="set({ lift: $event })" />
          <output for="shape-lift" class="num">{{ mm(lift) }}</output>
        </div>
        <p class="small quiet">The double line is the limit. Spokes show where the wall is too near. Drag a square to move the wall, or use the arrow keys.</p>
        <p class="caution">Never grind past the line, and keep scrap valves over the seats. Nobody knows how thick the wall to the water is: stop and test. Protect eyes and lungs; no loose sleeves.</p>
        <div class="row foot">
          <v-btn v-if="setup.steps.length" :variant="pastSeat ? 'outlined' : 'flat'" :class="{ stop: pastSeat }" color="primary" data-plan @click="planIt">Plan it{{ copies.length ? ' on every cylinder' : ` on cylinder ${build.cylinder}` }}</v-btn>
          <template v-if="planned.length">
            <BenchText v-model="hours" class="hours" label="Hours" inputmode="decimal" maxlength="6" />
            <v-btn @click="firstPress($event) && finish('done', build.cylinder, hours).then(said => sentence = said ?? '')">Cylinder {{ build.cylinder }} is ground</v-btn>
            <v-btn @click="finish('dropped').then(said => sentence = said ?? '')">Drop the plan</v-btn>
          </template>
          <v-btn @click="template('pdf')">Template, PDF</v-btn><v-btn @click="template('svg')">SVG</v-btn>
        </div>
        <p v-if="planned.length" class="small">Planned on {{ planned.map(op => op.scope.level === 'cylinder' ? `${op.scope.cylinder} (+ ${digits(op.body.added.value, 1)} cc${stopOf(op) ? `, to ${stopOf(op)}` : ''})` : '').join(', ') }}.</p>
        <form v-if="pastSeat && asking" @submit.prevent="planIt"><BenchText v-model="reason" label="No face cut pays this back above the seats. Why grind it all the same?" maxlength="200" /></form>
        <p v-if="sentence" class="sentence">{{ sentence }}</p>
      </div>
      <div class="right">
        <p v-if="fault" class="sentence" data-fault>The chamber of cylinder {{ build.cylinder }} can’t be worked out from its drawing: the Sheet says why.</p>
        <RadioRow :model-value="setup.school" :choices="schools" label="How far to relieve" @update:model-value="(school: School) => set({ school })" />
        <p class="small">{{ SCHOOL_WORDS[setup.school][1] }}</p>
        <div class="fields">
          <FigureField :field="field('margin')" label="Margin" dimension="length" :part="asSet(setup.margin)" :commit="within(0, 5, 'the margin', v => set({ margin: v }))" data-new />
          <FigureField :field="field('into')" label="Most off a wall" dimension="length" :part="setup.into ? asSet(setup.into) : undefined" empty-text="any" :commit="within(0, 10, 'what may come off', v => set({ into: v }))" />
          <FigureField v-if="setup.school === 'pin'" :field="field('pin')" label="Pin, across" dimension="length" :part="asSet(setup.pin)" :commit="within(0.5, 20, 'the pin', v => set({ pin: v }))" />
        </div>
        <div class="row">
          <BenchCheck class="small check" label="keep the squish pads" :model-value="setup.keepPads" @update:model-value="set({ keepPads: $event })" />
          <BenchCheck class="small check" label="judge by seat and throat" :model-value="setup.needs === 'seat'" @update:model-value="set({ needs: $event ? 'seat' : 'cylinder' })" />
        </div>
        <p v-if="short" class="want" data-short><template v-if="short.degrees > 0"><strong class="num">{{ digits(short.degrees, 0) }}°</strong> of wall too near at {{ mm(lift) }} of lift, short by up to <strong class="num">{{ digits(short.percent, 0) }} %</strong></template><template v-else><strong>Nothing short</strong> at this lift</template></p>
        <GroundBudgetBar :budget="told || setup.steps.length === 0 ? budget : undefined" :spent="spent" :waits="!paid" />
        <p v-if="proposal?.unmet.length" class="small" data-unmet>{{ setup.school === 'leave' ? 'Left alone' : 'Even ground as far as the line' }}, <strong>{{ digits(proposal.unmet.reduce((s, u) => s + u.to - u.from, 0), 0) }}°</strong> round the {{ kind }} stay short at some lift, by up to <strong>{{ digits(Math.max(...proposal.unmet.map(u => u.percent)), 0) }} %</strong> of the need.</p>
        <p v-if="setup.school === 'pin' && gapStop.length" class="small" data-pin>The pin touches at <span v-for="(a, i) in gapStop" :key="a.from" class="num">{{ i ? ', ' : '' }}{{ digits(a.from, 0) }}° and comes free at {{ digits(a.to % 360, 0) }}°</span>.</p>
        <div class="row">
          <v-btn :variant="takesPast ? 'outlined' : 'flat'" :class="{ stop: takesPast }" color="primary" :disabled="!proposal || proposal.arcs.length === 0 || (offered !== undefined && offered < 0.01)" @click="takeIt">Take it{{ others.length > 1 ? ` on both ${kind}s` : '' }}</v-btn>
          <span v-if="offered !== undefined && offered >= 0.01 && proposal?.arcs.length" class="small" data-offer>adds <strong class="num">{{ say(offered, 'volume', 'mm', 1) }}</strong>, up to <span class="num">{{ mm(proposal.deepest) }}</span> off</span>
          <v-btn :disabled="setup.steps.length === 0" @click="undo">Undo{{ setup.steps.length ? `: ${setup.steps.at(-1)!.words}` : '' }}</v-btn>
        </div>
        <BenchFold class="small tools" title="A tool of known size">
          <LazyToolCut :kind="kind" :diameter="spec.valves[valve]!.diameter" :head="head" @cut="takeCutter" />
        </BenchFold>
        <p v-if="nicks[0]" class="sentence" data-nick>Stop: this runs {{ mm(nicks[0].past) }} into the machined edge of the {{ sayDrawnValve(spec.valves, nicks[0].valve) }}. Undo it, or cut only on the side away from it.</p>
        <WorkingLine :working="!settled || !paid" label="The chamber is being worked out" />
        <span class="visually-hidden" data-reckoned :aria-busy="!settled" /><span class="visually-hidden" data-paid :aria-busy="!settled || !paid" />
        <dl class="answers">
          <div><dt>Added</dt><dd class="num second" data-added>{{ told ? say(told.added, 'volume', 'mm', 1) : '—' }} <span v-if="addedU && setup.steps.length" class="pm quiet">{{ sayDoubt(addedU, 'volume') }}</span></dd></div>
          <div><dt>Ratio then</dt><dd><span class="num second" data-ratio>{{ ratioThen === undefined ? '—' : digits(ratioThen, 2) }}</span> <span class="small">{{ ratioWord }}</span></dd></div>
          <div :class="{ pale }"><dt>Factor over the lift, {{ kind }}</dt><dd class="num" data-means>{{ means.before === undefined ? '—' : digits(means.before, 3) }}<template v-if="setup.steps.length && means.after !== undefined"> → <strong>{{ digits(means.after, 3) }}</strong></template></dd></div>
          <div v-if="developed && facts" :class="{ pale }"><dt>Mouth, squish area</dt><dd class="num">{{ say(developed.opening, 'area', device.lengths) }}, squish {{ say(squishThen ?? 0, 'area', device.lengths) }}</dd></div>
          <div v-if="!paid && setup.steps.length"><dt>Then cut the face by</dt><dd class="quiet">…</dd></div>
          <div v-else-if="payBack?.depth"><dt>Then cut the face by</dt><dd><strong class="num" data-payback>{{ mm(payBack.depth) }}</strong> <span class="small" :class="{ warn: payBack.worst && payBack.worst.seat.arcLost > 0 }">{{ seatWord }}</span></dd></div>
          <div v-if="told && setup.steps.length"><dt>Stop grinding when the glass reads</dt><dd><strong class="num" data-stop>{{ stopAt(told.volume) }}</strong></dd></div>
        </dl>
        <p v-if="lesson" class="small" data-lesson>Ground so far on this head: <strong class="num">{{ digits(lesson.share.value, 2) }}</strong> ± {{ digits(2 * uncertainty(lesson.share), 2) }} of what was drawn, over {{ lesson.count }} {{ lesson.count === 1 ? 'chamber' : 'chambers' }}<template v-if="told && told.drawn > 0.05">: of <span class="num">{{ say(told.drawn, 'volume', 'mm', 1) }}</span> drawn that is counted in</template>.</p>
        <LeafTabs v-model="leaf" :leaves="leaves" label="Shape" class="tabs" />
        <div v-if="leaf === 'factor'" class="fields">
          <LazyLiftTable :key="kind" :valve="kind" :entry="liftEntry" class="wide" />
          <StatementField v-if="!liftEntry" :key="`${kind}l`" :quantity="`${kind}Lift`" :scope="{ level: 'build' }" no-basis label="Highest lift" />
          <StatementField v-if="!liftEntry" :key="`${kind}d`" :quantity="`${kind}Duration`" :scope="{ level: 'build' }" no-basis label="Open for" />
        </div>
        <WallCharts v-if="leaf === 'gap' || leaf === 'factor'" :show="leaf" :now="now" :then="then" :before="wallsOf(sweep?.before, valve)" :after="wallsOf(sweep?.after, valve)" />
        <template v-else-if="leaf === 'schools'">
          <SchoolLink station="shape" leaf="schools" />
          <div class="row"><v-btn v-if="comparing" @click="haltComparing">Stop</v-btn><v-btn v-else @click="compare">Compare them for the {{ kind }}</v-btn><span v-if="comparing" class="small quiet" role="status">{{ compared.length }} of {{ schools.length }} done</span></div>
          <v-table v-if="compared.length" class="small">
            <thead><tr><th>School</th><th class="r">takes</th><th class="r">over</th><th class="r">factor</th><th class="r">short</th></tr></thead>
            <tbody><tr v-for="c in compared" :key="c.school"><td>{{ SCHOOL_WORDS[c.school][0] }}</td><td class="r num">{{ say(c.added, 'volume', 'mm', 1) }}</td><td class="r num">{{ digits(c.arc, 0) }}°</td><td class="r num">{{ c.factor === undefined ? '—' : digits(c.factor, 3) }}</td><td class="r num">{{ digits(c.short, 0) }} %</td></tr></tbody>
          </v-table>
        </template>
        <LazyHotSpotList v-else-if="leaf === 'spots'" :spots="spots" :spec="spec" :valve="valve" />
        <LazyChamberBody v-else-if="leaf === 'body' && developed && model" :chamber="developed.name" :plane="model.done" :bore="bore" :label="`Body of the chamber of cylinder ${build.cylinder} as developed; arrow keys turn it`" class="body" />
        <template v-else-if="leaf === 'copy'">
          <p class="small">This chamber is the master: every cylinder gets the same shape.<template v-if="gauge > 0"> A gauge <span class="num">{{ mm(gauge) }}</span> from the guide’s axis must just touch the wall.</template></p>
          <div class="row"><v-btn v-if="copying" @click="haltCopying">Stop</v-btn><v-btn v-else :disabled="setup.steps.length === 0" @click="copy">Copy to every cylinder</v-btn><span v-if="copying" class="small quiet" role="status">{{ copies.length }} done</span></div>
          <v-table v-if="copies.length">
            <thead><tr><th>Cyl.</th><th class="r">to gain</th><th class="r">stop at</th><th /></tr></thead>
            <tbody><tr v-for="c in copies" :key="c.cylinder"><td class="num">{{ c.cylinder }}</td><td class="r num">{{ say(c.added, 'volume', 'mm', 1) }}</td><td class="r num">{{ stopAt(c.volume) }}</td><td class="small">{{ c.mirrored ? 'mirrored' : '' }}</td></tr></tbody>
          </v-table>
        </template>
      </div>
    </template>
    <p v-else-if="spec" class="none">A turned dome has no valves to free.</p>
    <p v-else class="none"><GoTo :at="{ station: 'sheet', leaf: 'chamber' }">Draw the chamber first</GoTo> <span class="quiet">Two minutes, from bore and valve sizes.</span></p>
    <PlannedWork v-if="!spec" :kinds="['relief']" class="none" />
  </div>
</template>

<style scoped>
.right { position: relative; }
.shape { padding: 6px 16px; display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); gap: 6px 20px; overflow: auto; align-content: start; }
.left, .right { display: flex; flex-direction: column; gap: 6px; min-width: 0; }
.plan { height: 386px; }
.lift { display: grid; grid-template-columns: 172px auto minmax(0, 1fr) 76px; gap: 8px; align-items: center; }
.fields { display: grid; grid-template-columns: repeat(4, minmax(0, 1fr)); gap: 6px 8px; align-items: end; }
.wide { grid-column: 1 / -1; }
.check { flex: none; margin-right: 14px; white-space: nowrap; }
.row { display: flex; flex-wrap: wrap; gap: 6px; align-items: center; }
.row .v-btn { padding-inline: 8px; max-width: 100%; }
.answers > div { display: flex; justify-content: space-between; align-items: baseline; gap: 10px; border-bottom: 1px solid var(--hair); }
dt { color: var(--quiet); font-size: var(--s13); white-space: nowrap; }
dd { text-align: right; }
.want strong { font-size: var(--s32); line-height: 1; }
.pm { font-size: var(--s15); font-weight: 400; }
.second { font-size: var(--s22); font-weight: 700; }
.tabs { --leaf-height: 30px; }
.tabs :deep(.leaf) { padding: 2px 8px; }
.body { height: 170px; }
.hours { flex: none; width: 68px; }
.none { padding: 20px 0; font-size: var(--s18); grid-column: 1 / -1; }
@media (max-width: 1000px) { .plan { height: 380px; } .fields { grid-template-columns: repeat(2, minmax(0, 1fr)); } .lift { grid-template-columns: auto minmax(0, 1fr) 76px; } .which { grid-column: 1 / -1; } .tabs { --leaf-height: 44px; } .tabs :deep(.leaf.v-btn) { padding: 0 4px; margin-right: 0; } }
</style>
