<script setup lang="ts">
import { KINDS, asksFor, cutOf, depthTaken, linear, quantityOf, uncertainty, type Figure, type Part, type Sourced } from '#core'
import { digits, placesFor, say, sayDoubt, sayRate } from '#shared/figures'
import { USUAL_CUT } from '#shared/words/quantities'
import { sayLay, sayWhere } from '~/words/cuts'
import { useCutStair } from '~/composables/useCutStair'
import { useCutting } from '~/composables/useCutting'
import { useSettling } from '~/composables/useSettling'
import { sayGroup } from '~/words/entries'
import { useBuild } from '~/stores/build'
import { useChoices } from '~/stores/choices'
import { useDevice } from '~/stores/device'

const build = useBuild()
const device = useDevice()
const cutting = useCutting()
const { head, needed, planned, plannedGasket, cuts, tried, value, depth, laid, lay, free, outcomes, moves, valves, perMm, solid, exactly, settled, unreachable, look, margins, planeAt, plan, done, drop, gasket } = cutting
const { pale, caughtUp } = useSettling(settled, () => head.value)
const { marks, words, doubt, pastLimit, uncut, inDoubt } = useCutStair(cutting)
const sentence = ref('')
const choices = useChoices()
const leaf = choices.leafOf('cut')
const leaves = computed(() => choices.leavesOf('cut'))
const view = choices.choice<string>('cutView', 'section')
const views = [{ key: 'section', name: 'Section' }, { key: 'clock', name: 'Round the seats' }, { key: 'space', name: 'Body' }]
const deepest = computed(() => needed.value?.deepest)
const lowest = computed(() => needed.value?.toLowest)
const dimension = computed(() => free.value === 'angle' ? 'angle' as const : 'length' as const)
const sayFree = (v: number) => say(v, dimension.value, device.lengths, dimension.value === 'angle' ? 1 : 0)
/** The way the head is laid over. */
const slopes = computed(() => cutOf(laid.value))
const what = computed(() => ({ depth: laid.value.angle ? `Depth ${sayWhere(slopes.value)}` : 'Depth off the face', angle: 'Angle', flat: 'Flat cut afterwards', none: 'Depth off the face' })[free.value])
/** What a depth takes, for one of the shop's own units. */
const rate = computed(() => sayRate(perMm.value?.estimate.value ?? 0, device.lengths))
const perMmPart = computed<Part | undefined>(() => perMm.value && {
  estimate: linear([[rate.value.factor, perMm.value.estimate]]), provenance: perMm.value.lessons.length > 0 ? 'derived' : perMm.value.geometry.provenance,
  entries: [...perMm.value.geometry.entries, ...perMm.value.lessons.slice(-3).flatMap(l => l.operations)]
})
/** Beyond a volume's one place: as many as its doubt leaves a meaning. */
const perMmExtra = computed(() => placesFor(perMmPart.value ? 2 * uncertainty(perMmPart.value.estimate) : 0, 2, device.lengths === 'in' ? 4 : 3) - 1)
const perMmFormula = computed(() => {
  const p = perMm.value
  const one = (e: Sourced) => `${digits(e.value * rate.value.factor, 4)} ± ${digits(2 * uncertainty(e) * rate.value.factor, 4)}`
  if (!p) return ''
  const geometry = `mouth area = ${one(p.geometry.estimate)} ${rate.value.unit}`
  const lessons = p.lessons.map((l, i) => `${one(p.moved[i]!)} (cyl. ${l.cylinder})`).join(', ')
  const narrows = p.slope.value > 0 ? `; it narrows by ${digits(100 * p.slope.value, 1)} ± ${digits(200 * uncertainty(p.slope), 1)} % in ${say(1, 'length', device.lengths)}` : ''
  return `${lessons ? `best mean of ${geometry} and this head’s lessons ${lessons}` : geometry}, at the face as it is${narrows}`
})
/** Metal ground out of the wall widens the mouth that somebody measured before: measured again, it is sure. */
const ground = computed(() => (perMm.value?.ground ?? 0) > 0 ? `; ${say(perMm.value!.ground, 'volume')} was ground since: measure the mouth again` : '')
/** Walls that lean in give less and less: without it a depth does not agree with what a hand works out from the face. */
const narrows = computed(() => {
  const less = 100 * (perMm.value?.slope.value ?? 0) * rate.value.factor
  return less > 0.05 ? `; ${digits(less, 1)} % less with each ${device.lengths === 'in' ? 'thou' : 'mm'} down` : ''
})
/** Why a cut can't do it, where the chamber holds less than has to go. */
function tooSmall({ cylinder, argument }: { cylinder: number, argument: string }): string {
  const { gap, parts } = build.asIs.find(s => s.cylinder === cylinder) ?? {}
  return argument === 'target' && gap && parts?.chamber ? `Its chamber holds ${say(parts.chamber.estimate.value, 'volume')}, and ${say(gap.estimate.value, 'volume')} would have to go.` : ''
}
/** By what the depth that is told is known. */
const source = computed(() => ({ mouth: 'mouth area', rings: 'drawing', solid: 'solid' })[needed.value?.deepest?.source ?? 'solid'])
const others = computed(() => lowest.value?.depth.value)
const mine = computed(() => solid.solids.value.find(s => s.cylinder === build.cylinder))
const own = computed(() => margins.value.find(m => m.cylinder === build.cylinder))
const bore = computed(() => quantityOf(build.replayed, 'bore', build.cylinder)?.estimate.value ?? 90)
const gasketBore = computed(() => quantityOf(build.replayed, 'gasketBore', build.cylinder, 'asPlanned')?.estimate.value)
const planeNow = computed(() => mine.value && planeAt(build.cylinder))
const hasSeats = computed(() => asksFor(build.replayed?.layout.engine, 'intakeSeatHeight'))
const middle = computed(() => mine.value?.model.spec.valves.find(v => v.valve === 'exhaust')?.x ?? 0)
function look_(v: number) {
  tried.value = v
}
/** Dragging the plane sets the depth; where another figure was free, the depth is set and stays. */
function dragged(to: number) {
  const within = Math.max(0, Math.min(12, to))
  if (free.value === 'depth') tried.value = within
  else lay.set({ depth: within })
}
const offer = computed(() => free.value === 'depth' || free.value === 'none' ? say(depth.value, 'length', device.lengths) : sayFree(value.value))
/** Past a limit nothing is planned without a reason, which stays with the entry. */
const reason = ref('')
const asking = ref(false)
const why = useTemplateRef<HTMLFormElement>('why')
watch([head, depth], () => asking.value = false)
const ANOTHER = 'Another head was turned to before that could be planned: nothing was.'
/** Plans what is looked at, or what was typed; past a limit only with a reason. */
async function planned_(typed?: Figure): Promise<string | undefined> {
  if (pastLimit.value && reason.value.trim() === '') {
    asking.value = true
    await nextTick()
    why.value?.querySelector('input')?.focus()
    return 'Say why below.'
  }
  const said = await plan(typed, reason.value.trim() || undefined)
  if (!said) {
    reason.value = ''
    asking.value = false
  }
  return said
}
/** What a depth at the bore line may be: below nothing only where the cut is laid over. */
const bounds = computed(() => laid.value.angle ? KINDS.faceCut.bounds.depth : KINDS.deckCut.bounds.depth)
const within = (depth: number) => depth >= bounds.value.min && depth <= bounds.value.max
const planTyped = async (figure: Figure) => {
  if (!within(figure.value)) return `A face cut lies between ${say(laid.value.angle ? bounds.value.min : 0.01, 'length', device.lengths)} and ${say(bounds.value.max, 'length', device.lengths)}.`
  tried.value = figure.value
  await nextTick()
  // The limits are judged by what this depth leaves, not by the one before it.
  return await caughtUp() ? planned_(figure) : ANOTHER
}
async function planDepth() {
  const offered = offer.value
  // What the button said is what is planned, or nothing is.
  if (!await caughtUp()) sentence.value = ANOTHER
  else sentence.value = offer.value === offered ? await planned_() ?? '' : `The depth has changed: it is now ${offer.value}. Press again to plan that.`
}
</script>

<template>
  <div class="cut" data-station>
    <h1 class="visually-hidden">Cut</h1>
    <LeafTabs v-model="leaf" :leaves="leaves" label="Cut" class="tabs" />
    <SeatJob v-if="leaf === 'seats'" :key="head" :head="head" role="tabpanel" aria-label="Seat work" />
    <WhatElseMoves v-else-if="leaf === 'else'" :moves="moves" role="tabpanel" aria-label="What else moves" />
    <div v-else class="face" :class="{ pale }">
      <WorkingLine :working="!settled" label="The chambers are being worked out" />
      <span class="visually-hidden" data-reckoned :aria-busy="!settled" />
      <section class="ask">
        <h2 v-if="(build.replayed?.layout.heads.length ?? 1) > 1">{{ sayGroup('Head', head, build.replayed!.layout.heads) }}</h2>
        <CutLay v-if="solid.drawn.value && !planned" :lay="lay" :laid="laid" :head="head" />
        <template v-if="deepest && lowest && !planned && (free === 'angle' || free === 'flat')">
          <div class="answer">
            <p class="label">{{ what }}, at most: cylinder {{ deepest.cylinder }} on target</p>
            <p class="num first" data-answer="deepest">{{ sayFree(deepest.depth.value) }}</p>
          </div>
          <div class="answer">
            <p class="label">To bring the lowest, cylinder {{ lowest.cylinder }}, to target</p>
            <p class="num second" data-answer="lowest">{{ sayFree(lowest.depth.value) }}</p>
          </div>
          <div class="row">
            <v-btn v-if="Math.abs(deepest.depth.value) > 0.005" @click="look_(deepest.depth.value)">Look at {{ sayFree(deepest.depth.value) }}</v-btn>
            <v-btn v-if="others && Math.abs(others) > 0.005" @click="look_(others)">Look at {{ sayFree(others) }}</v-btn>
          </div>
        </template>
        <template v-else-if="deepest && lowest">
          <div class="answer">
            <p class="label">{{ words }}</p>
            <p class="num first" data-depth>{{ say(depth, 'length', device.lengths) }} <span v-if="doubt" class="quiet pm">{{ sayDoubt(doubt, 'length', device.lengths) }}</span></p>
          </div>
          <CutStair :depth="depth" :marks="marks" :fixed="planned !== undefined || free === 'none'" @look="look_" />
        </template>
        <WaitsForChambers v-else-if="solid.drawn.value && !settled && !planned" class="waits" says="The depth is being worked out on the drawn chambers." />
        <p v-else-if="!planned && free !== 'none' && unreachable.length === 0" class="quiet">A cut needs <GoTo :at="{ station: 'sheet', leaf: 'section' }">a target</GoTo> and <GoTo :at="{ station: 'pour', fill: 'chamber' }">a chamber that is poured</GoTo></p>
        <p v-for="u in unreachable.slice(0, 1)" :key="u.cylinder" class="sentence">Cylinder {{ u.cylinder }}: no {{ free === 'angle' ? 'angle' : free === 'flat' ? 'flat cut' : 'depth' }} brings it to its target. {{ free === 'flat' ? 'The angled cut alone takes too much.' : tooSmall(u) }}</p>
        <p v-if="solid.faulty.value" class="sentence">The chamber of cylinder {{ solid.faulty.value.cylinder }} can’t be worked out from its drawing: the Sheet says why.</p>
        <p v-if="needed?.unknown.length && unreachable.length === 0 && (!solid.drawn.value || exactly) && free !== 'none'" class="small">Not counted, because nothing is known of it yet: cylinder {{ needed.unknown.join(', ') }}.</p>
        <template v-if="planned">
          <p v-if="!needed?.deepest" class="num first">{{ say(planned.body.depth.value, 'length', device.lengths) }}</p>
          <p v-if="sayLay(planned.body, device.lengths)" class="small">{{ sayLay(planned.body, device.lengths) }}</p>
          <FigureField
            :key="`done${planned.id}`" :field="`${build.view?.id}/cut/${head}/done`" :label="laid.angle ? `Depth really taken off ${sayWhere(slopes)}` : 'Depth really taken off, measured'" dimension="length" :usual="USUAL_CUT" big data-new
            :commit="figure => done(figure)"
          />
          <div class="row">
            <v-btn @click="done(undefined).then(said => sentence = said ?? '')">Done, not measured</v-btn>
            <v-btn @click="drop().then(said => sentence = said ?? '')">Drop the plan</v-btn>
          </div>
          <p class="small quiet"><template v-if="!laid.angle">Only a measured depth improves the next prediction. </template>Measure the head’s height at four corners, before and after.</p>
        </template>
        <template v-else>
          <div class="planning">
            <FigureField
              v-if="free === 'depth'" :key="`plan${head}`" :field="`${build.view?.id}/cut/${head}/plan`" :label="what" dimension="length" :usual="USUAL_CUT" data-new
              :commit="planTyped" @typing="tried = $event && within($event.figure.value) ? $event.figure.value : tried"
            />
            <template v-if="depth + laid.flat > 0.005 || laid.angle">
              <p v-if="inDoubt" class="small nothing" data-nothing>Nothing to cut: <span class="num">{{ offer }}</span> is less than its ±.</p>
              <v-btn v-else :variant="pastLimit ? 'outlined' : 'flat'" :class="{ stop: pastLimit }" color="primary" @click="planDepth">Plan {{ offer }}</v-btn>
            </template>
          </div>
          <form v-if="pastLimit && asking" ref="why" class="why" @submit.prevent="planDepth">
            <p class="small sentence">{{ pastLimit }}</p>
            <BenchText v-model="reason" label="Why cut all the same?" maxlength="200" />
          </form>
        </template>
        <p v-if="uncut" class="small sentence" data-uncut>{{ uncut }}</p>
        <p v-if="sentence" class="sentence">{{ sentence }}</p>
        <GasketChoice :planned="plannedGasket" :change="gasket" class="choice" />
        <p class="small permm">At the face {{ device.lengths === 'in' ? '1 thou' : '1 mm' }} of cut takes <FigureReading :label="rate.unit" :part="perMmPart" dimension="volume" :extra="perMmExtra" doubt :formula="perMmFormula" /> <span class="quiet">{{ perMm?.lessons.length ? `mouth area and ${perMm.lessons.length} ${perMm.lessons.length === 1 ? 'lesson' : 'lessons'} of this head` : 'by the mouth area' }}{{ ground }}{{ narrows }}</span></p>
        <p v-if="look && exactly" class="small quiet">Depths by the {{ source }}. It takes <span class="num">{{ sayRate(look.opening / 1000, device.lengths).number }}</span> {{ rate.unit }} at this plane.</p>
        <ul v-if="cuts.length" class="small"><li v-for="c in cuts" :key="c.id" class="num">done: {{ say(depthTaken(c.body), 'length', device.lengths) }}{{ c.body.measured ? ' measured' : ', not measured' }}</li></ul>
      </section>
      <section class="shows">
        <template v-if="solid.drawn.value && mine && own">
          <div class="drawings">
            <CutPlan :spec="mine.model.spec" :bore="bore" :gasket-bore="gasketBore" :edge="look?.edge ?? []" :margins="own.valves" :label="`Chamber of cylinder ${build.cylinder} from below, with the cut`" />
            <div class="other">
              <LeafTabs v-model="view" :leaves="views" label="Drawing" class="views" />
              <MarginClock v-if="view === 'clock'" :margins="own.valves" class="fill" />
              <LazyChamberBody v-else-if="view === 'space' && exactly" :chamber="mine.key" :plane="planeNow!" :bore="bore" :label="`Body of the chamber of cylinder ${build.cylinder} and the plane of the cut; arrow keys turn it`" class="fill" />
              <CutSide v-else :side="look?.side ?? []" :plane="planeNow!" :done="mine.model.done" :x="middle" :bore="bore" :depth="depth" :draggable="!planned" class="fill" @depth="dragged" />
            </div>
          </div>
          <SeatVerdicts v-if="mine.model.spec.valves.length" :all="margins" :standings="valves" :ready="deepest !== undefined || planned !== undefined || free === 'none'" />
        </template>
        <template v-else>
          <ValveStandings v-if="hasSeats" :valves="valves" :depth="depth" />
          <p class="small quiet"><GoTo :at="{ station: 'sheet', leaf: 'chamber' }">Draw the chamber</GoTo> Cuts are then exact, angled ones too{{ hasSeats ? ', and the seats are watched all the way round' : '' }}.</p>
        </template>
        <DomeUnmeasured />
      </section>
      <section class="below">
        <CutTable v-if="needed" :needed="needed" :outcomes="outcomes.map(o => o.state)" :dimension="dimension" :title="free === 'none' || planned ? 'Cut to target' : laid.angle ? what : 'Cut to target'" />
        <p class="caution">This is a starting point: the maker, the fuel and you decide. Leave surfacing to a qualified machinist.</p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.cut { padding: 4px 16px; display: flex; flex-direction: column; gap: 6px; overflow: auto; }
.tabs, .views { --leaf-height: 30px; }
.tabs :deep(.leaf), .views :deep(.leaf) { padding: 2px 10px; }
.face { position: relative; display: grid; grid-template: auto 1fr / 298px minmax(0, 1fr); gap: 6px 18px; }
.ask { grid-row: 1 / 3; }
.below { display: flex; flex-direction: column; gap: 6px; min-width: 0; }
.planning { display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 8px; align-items: end; }
.ask { display: flex; flex-direction: column; gap: 6px; min-width: 0; }
.shows { display: flex; flex-direction: column; gap: 6px; min-width: 0; }
.drawings { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1.1fr); gap: 12px; height: 250px; }
.other { display: flex; flex-direction: column; min-width: 0; min-height: 0; }
.fill { flex: 1; }
.waits { min-height: 366px; }
.first { display: flex; flex-wrap: wrap; align-items: baseline; column-gap: 0.35em; font-size: var(--s48); line-height: 1.05; font-weight: 700; }
.first .pm { white-space: nowrap; }
.second { font-size: var(--s32); line-height: 1.1; }
.pm { font-size: var(--s15); font-weight: 400; }
/* Under what the depth's own field says, and with room for the label over the well. */
.why { margin-top: 20px; display: grid; gap: 20px; }
.nothing { grid-column: 1 / -1; }
.row { display: flex; flex-wrap: wrap; gap: 8px; }
.row .v-btn, .choice :deep(.v-btn) { padding-inline: 8px; }
@media (max-width: 1000px) {
  .tabs, .views { --leaf-height: 44px; }
  .ask { grid-row: 1; }
  .below { grid-column: 1 / -1; }
  .drawings { grid-template-columns: minmax(0, 1fr); grid-template-rows: 230px 230px; height: auto; }
}
</style>
