<script setup lang="ts">
import { pistonOrders, placeOf } from '#core'
import { digits, say, sayCylinders } from '#shared/figures'
import type { Route } from '#core/plan/route'
import { bestOf, surestAfter } from '#core/plan/route/best'
import { takenWork, uncounted } from '#core/plan/route/taken'
import { plannedSeats } from '#core/plan/route/way'
import { useReplan } from '~/composables/useReplan'
import { useRoutes } from '~/composables/useRoutes'
import { notKept } from '~/composables/useStatement'
import { useBuild, type ToAdd } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { sayOffer } from '~/words/gaskets'
import { BEST_WORDS, LEVER_WORDS, reasonsOf, sayBreach, sayChance, sayCounted, sayFirstCut, sayHeld, sayKinds, sayLimitFault, sayMissing, sayShort, sayStage, sayUncounted, sayWay, sayWorth } from '~/words/routes'

/** From where the engine stands to its target: all the ways that are open, and which one. */
const build = useBuild()
const device = useDevice()
const routes = useRoutes()
const { answer, working, progress, by, under } = routes
/** Levers that could be used and are off. */
const idle = computed(() => routes.levers.value.flatMap(({ lever, wants }) => wants || routes.isOn(lever) ? [] : [LEVER_WORDS[lever].name.toLowerCase()]))
const found = computed(() => answer.value?.kind === 'routes' ? answer.value : undefined)
const list = computed(() => found.value?.routes ?? [])
const best = computed(() => bestOf(list.value))
const namesOf = (i: number) => (Object.keys(BEST_WORDS) as (keyof typeof BEST_WORDS)[]).filter(k => best.value[k] === i).map((k, n) => n === 0 ? BEST_WORDS[k] : BEST_WORDS[k].toLowerCase())
/** The named ones first; the rest behind one press. */
const named = computed(() => list.value.map((_, i) => i).filter(i => namesOf(i).length > 0))
const everyOne = ref(false)
const shown = computed(() => everyOne.value ? list.value.map((_, i) => i) : named.value)
const nameOf = (r: Route) => JSON.stringify(r.way)
const picked = ref('')
const chosen = computed(() => Math.max(0, list.value.findIndex(r => nameOf(r) === picked.value)))
const route = computed(() => list.value[chosen.value] ?? found.value?.nearest)
const beside = ref<number>()
const other = computed(() => beside.value === undefined ? undefined : list.value[beside.value])
watch(list, () => beside.value = undefined)
const all = computed(() => build.cylinders.length)
/** The gasket that a way fits, by its name. */
const gasketOf = ({ way }: Pick<Route, 'way'>) => build.replayed && sayOffer(build.replayed, way.gasket, device.lengths)
const firstCut = computed(() => route.value && route.value.breaches.length === 0 ? sayFirstCut(route.value, device.lengths) : undefined)
const spread = computed(() => build.cylinders.length > 1)
const items = computed(() => list.value.map((r, i): [number, string] => [i, `${i + 1}: ${r.stages.map(s => sayShort(r, s, device.lengths, gasketOf(r))).join(', ')}`]).filter(([i]) => i !== chosen.value))
const COMPARED: { name: string, of: (r: Route) => string }[] = [
  { name: 'Every cylinder on target', of: r => sayChance(r.chance) }, { name: 'Off face and deck', of: r => say(r.metal, 'length', device.lengths) }, { name: 'Chamber metal gone for good', of: r => say(r.lasting, 'volume') }, { name: 'Spread of ratio', of: r => digits(r.spread, 2) },
  { name: 'Hours', of: r => digits(r.hours, 1) }, { name: 'Cost', of: r => digits(r.money, 0) }
]

const sentence = ref('')
/** Writes the route's work as one plan; what was planned before in its place is dropped with the same write. */
async function take() {
  const r = route.value
  if (!r || !build.replayed) return
  const { work, gone } = takenWork(build.replayed, r)
  sentence.value = notKept(await build.planAll(`Route: ${sayKinds(r)}`, reasonsOf(r), work as ToAdd[], { gone, route: true })) ?? ''
}
const taken = computed(() => build.plans.filter(plan => plan.entry?.body.route).at(-1))
/** What is planned by hand beside it. */
const beforehand = computed(() => build.replayed ? uncounted(build.replayed) : [])
const counted = computed(() => build.replayed ? plannedSeats(build.replayed) : [])
/** New pistons that are planned: their order is a paper. */
const pistons = computed(() => taken.value && build.replayed && build.planned ? pistonOrders(build.replayed, build.planned) : [])
const unmeasured = computed(() => pistons.value.some(order => order.pockets === undefined))
const replan = useReplan(taken)
</script>

<template>
  <div class="route" data-station>
    <h1 class="visually-hidden">Route</h1>
    <span class="visually-hidden" data-reckoned :aria-busy="working" />
    <div class="room">
      <LeverList :routes="routes" class="levers" />
      <section class="answer" aria-label="Routes">
        <div v-if="taken" class="taken" data-taken>
          <p><strong>{{ taken.entry?.body.name }}.</strong> It is taken: the next move follows it.</p>
          <ul v-if="replan.changes.value.length" class="small">
            <li v-for="c in replan.changes.value" :key="c.cut.id" data-replan>{{ (build.replayed?.layout.heads.length ?? 1) > 1 ? `Head ${c.head}: after` : 'After' }} the last pour the cut is <strong class="num">{{ say(c.now, 'length', device.lengths) }}</strong>; <span class="num">{{ say(c.planned, 'length', device.lengths) }}</span> is planned.</li>
          </ul>
          <p v-if="pistons.length" class="small" data-order>{{ unmeasured ? 'Valve to piston is not measured for both valves of every cylinder: measure it before you order, or the pockets are not known.' : 'The new pistons are' }} <GoTo :at="{ station: 'papers', leaf: 'pistons' }">{{ unmeasured ? 'The order as it is' : 'among the papers, as an order' }}</GoTo></p>
          <div class="row">
            <v-btn v-if="replan.changes.value.length" variant="flat" color="primary" @click="replan.take().then(said => sentence = said ?? '')">Plan {{ replan.changes.value.map(c => say(c.now, 'length', device.lengths)).join(' and ') }} instead</v-btn>
            <v-btn @click="build.dropPlan(taken.id).then(sent => sentence = notKept(sent) ?? '')">Drop this route</v-btn>
          </div>
        </div>
        <p v-if="counted.length" class="small" data-counted>{{ sayCounted(counted) }}</p>
        <p v-if="beforehand.length" class="small" data-uncounted>{{ sayUncounted(beforehand) }}</p>
        <p v-if="routes.broke.value" class="sentence">{{ routes.broke.value === 'search' ? 'The search stopped by a fault. Search again.' : 'Something here can’t be worked out: look at what the next move asks for first.' }} <v-btn @click="routes.search">Search again</v-btn></p>
        <WorkRow v-if="working && !found" says="Looking for routes" @stop="routes.stop" />
        <div v-else-if="working" class="line" role="status"><span class="small quiet">{{ under === 'solid' ? 'Checking the routes on the solids' : 'Looking for routes' }}, {{ Math.round(progress * 100) }} %</span><v-btn size="small" @click="routes.stop">Stop</v-btn></div>
        <p v-if="answer?.kind === 'noRatio'" class="lead">Pour {{ sayCylinders(answer.cylinders, all).toLowerCase() }} first: a route begins at the ratio.</p>
        <p v-else-if="answer?.kind === 'limits'" class="sentence">{{ sayLimitFault(answer.faults[0]!, device.lengths) }}</p>
        <p v-else-if="answer?.kind === 'noTarget'" class="lead" data-nothing>A route needs <GoTo :at="{ station: 'sheet', leaf: 'section' }">a target</GoTo></p>
        <p v-else-if="answer?.kind === 'onTarget'" class="lead" data-nothing>Nothing is to do: every cylinder is on target.</p>
        <template v-if="found && route">
          <div v-if="list.length > 0" class="first" data-first>
            <v-btn :variant="taken ? 'outlined' : 'flat'" :color="taken ? undefined : 'primary'" class="take" data-take @click="take">Take route {{ chosen + 1 }}</v-btn>
            <p class="label">{{ route.stages.length > 1 ? `Route ${chosen + 1}, first of ${route.stages.length} stages` : `Route ${chosen + 1}` }}</p>
            <p class="lead">{{ route.stages[0] ? `${sayStage(route, route.stages[0], device.lengths, gasketOf(route))}.` : 'Leave everything as it is.' }}</p>
          </div>
          <p v-if="sentence" class="sentence">{{ sentence }}</p>
          <div v-if="list.length === 0" class="none" data-none>
            <p class="lead">No way keeps every limit. The nearest would {{ route.breaches.slice(0, 2).map(b => sayBreach(b, all, device.lengths, build.closed)).join(', and ') }}.</p>
            <p>{{ sayWay({ way: route.way, faces: route.figures.faces, decks: route.figures.decks }, gasketOf(route), device.lengths, build.closed) }}.</p>
            <p v-if="idle.length" data-idle>Off at the moment: {{ idle.join(', ') }}. What is off is not looked at.</p>
          </div>
          <div class="list">
            <RouteRow v-for="i in shown" :key="i" :route="list[i]!" :gasket="gasketOf(list[i]!)" :number="i + 1" :names="namesOf(i)" :chosen="i === chosen" :spread="spread" @choose="picked = nameOf(list[i]!)" />
          </div>
          <v-btn v-if="list.length > named.length" variant="text" class="more" @click="everyOne = !everyOne">{{ everyOne ? 'The named ones only' : `${list.length - named.length} more` }}</v-btn>
          <RouteStages v-if="route.stages.length" :route="route" :gasket="gasketOf(route)" />
          <ul class="notes">
            <li v-if="firstCut" data-first-cut>{{ firstCut }}</li>
            <li v-if="route.held && list.length > 0" data-held>{{ sayHeld(route.held, all, device.lengths, build.closed) }}</li>
            <li v-if="route.worth[0]" data-worth>{{ sayWorth(route.worth[0], surestAfter(list, route.worth[0].measurement)) }}</li>
            <li v-if="route.way.pockets" data-pockets>A pocket is told as large as it can be. Once they are cut, pour the crowns before you cut anything else. Ask the maker of the pistons how thin a crown may get.</li>
            <li v-if="found.unsized" data-unsized>A valve comes too near its piston, and deeper pockets were not looked for: <GoTo :at="placeOf(`${found.unsized[0]!}Valve`)">state how large the {{ found.unsized.join(' and ') }} {{ found.unsized.length > 1 ? 'valves are' : 'valve is' }}</GoTo></li>
            <li v-if="route.assumedSeats">The heights of seats are only assumed: measure them before you cut.</li>
            <li class="small quiet"><template v-if="!build.closed">Depths by the {{ route.source === 'mouth' ? 'mouth area' : by === 'solid' ? 'solid' : 'drawing' }}{{ route.source === 'both' ? ' where there is one, else by the mouth area' : '' }}. </template>{{ found.looked }} {{ found.looked === 1 ? 'way' : 'ways' }} looked at, {{ found.kept }} inside every limit.</li>
          </ul>
          <BenchSelect v-if="items.length" v-model="beside" label="Compare with" :items="items" class="beside" />
          <v-table v-if="other" class="close" data-beside>
            <thead><tr><th /><th class="r">Route {{ chosen + 1 }}</th><th class="r">Route {{ beside! + 1 }}</th></tr></thead>
            <tbody>
              <tr v-for="row in COMPARED" :key="row.name"><th scope="row">{{ row.name }}</th><td class="r num">{{ row.of(route) }}</td><td class="r num">{{ row.of(other) }}</td></tr>
            </tbody>
          </v-table>
          <section v-if="found.missing.length" class="missing">
            <h3>Why not another way</h3>
            <ul class="small"><li v-for="(m, i) in found.missing" :key="i">{{ sayMissing(m, gasketOf(m), all, device.lengths, build.closed) }}</li></ul>
          </section>
          <BenchFold v-if="list.length > 1" title="Chance against metal, hours or cost"><LazyRouteChart :routes="list" :chosen="chosen" /></BenchFold>
        </template>
        <p class="caution">A starting point: the maker, the fuel and you decide. Leave machining to a qualified machinist.</p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.route { display: flex; flex-direction: column; min-height: 0; padding: 6px 16px 0; overflow: auto; }
.room { display: grid; grid-template-columns: 236px minmax(0, 1fr); gap: 20px; padding-bottom: 16px; align-items: start; }
.answer { display: flex; flex-direction: column; gap: 8px; min-width: 0; position: relative; }
.lead { font-size: var(--s22); font-weight: 700; line-height: 1.2; }
.list { display: grid; gap: 6px; }
.first { display: grid; grid-template-columns: minmax(0, 1fr) auto; column-gap: 16px; align-items: end; }
.take { grid-column: 2; grid-row: 1 / 3; }
.more { align-self: start; }
.notes { display: grid; gap: 4px; }
.row { display: flex; gap: 12px; align-items: end; flex-wrap: wrap; }
.beside { max-width: 320px; }
.line { display: flex; gap: 12px; align-items: center; }
.taken { border-left: 4px solid var(--dye); padding: 2px 0 4px 10px; display: grid; gap: 4px; }
.missing li { padding: 2px 0; }
.r { text-align: right; }
th[scope="row"] { text-align: left; font-weight: 400; }
@media (max-width: 1000px) { .room { grid-template-columns: 1fr; } .levers { order: 2; } }
</style>
