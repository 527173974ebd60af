<script setup lang="ts">
import { v4 as uuid } from 'uuid'
import { ROD_MODULUS, WORK, ratesOf, type Cost, type LeastClearances, type RodMaterial, type ShopRules, type SquishWindow, type Work } from '#core'
import { shown, type LengthUnit } from '#shared/figures'
import { asLength, asNumber, lengthText, routeForm, routeSent, type RouteForm } from '~/forms/rules'
import { useDevice } from '~/stores/device'
import { useOutbox } from '~/stores/outbox'
import { sentenceOf, useShop } from '~/stores/shop'
import { plainPairs } from '~/words/pairs'
import { inTyped } from '~/words/refusals'
import { WORK_WORDS } from '~/words/costs'

/** What this shop goes by. A starting point that it edits; never law. */
const shop = useShop()
const device = useDevice()
const outbox = useOutbox()
type Row = Record<keyof SquishWindow, string> & { was?: SquishWindow }
/** The tables while they are edited, in the lengths they were opened in. */
const form = ref<{ lengths: LengthUnit, squish: Row[], clearances: Record<keyof LeastClearances, string>, limits: string[], route: RouteForm, work: Record<Work, Record<keyof Cost, string>>, rate: string }>()
const faults = ref<Record<string, string>>({})
const COLUMNS: { name: Exclude<keyof SquishWindow, 'rod'>, label: string, unit: 'length' | 'rpm' }[] = [
  { name: 'boreTo', label: 'bore up to', unit: 'length' }, { name: 'revsTo', label: 'revs up to', unit: 'rpm' }, { name: 'least', label: 'minimum, running', unit: 'length' }, { name: 'most', label: 'maximum, running', unit: 'length' }
]
const CLEARANCES: { name: keyof LeastClearances, label: string }[] = [
  { name: 'intake', label: 'Intake to piston' }, { name: 'exhaust', label: 'Exhaust to piston' }, { name: 'side', label: 'To a pocket’s side' },
  { name: 'aluminiumMore', label: 'More with aluminium rods' }, { name: 'valveToValve', label: 'Valve to valve' }, { name: 'domeToChamber', label: 'Dome to chamber' }
]
/** Limits of seats and springs, each by where it stands in the rules. */
const LIMITS: { path: string, label: string, of: (rules: Pick<ShopRules, 'seats' | 'springs'>) => number }[] = [
  ...(['intake', 'exhaust'] as const).flatMap(valve => [
    { path: `seats.${valve}.widthLeast`, label: `${valve === 'intake' ? 'Intake' : 'Exhaust'} seat, minimum width`, of: ({ seats }: Pick<ShopRules, 'seats'>) => seats[valve].widthLeast },
    { path: `seats.${valve}.widthMost`, label: `${valve === 'intake' ? 'Intake' : 'Exhaust'} seat, maximum width`, of: ({ seats }: Pick<ShopRules, 'seats'>) => seats[valve].widthMost },
    { path: `seats.${valve}.marginLeast`, label: `${valve === 'intake' ? 'Intake' : 'Exhaust'} valve, minimum margin`, of: ({ seats }: Pick<ShopRules, 'seats'>) => seats[valve].marginLeast }
  ]),
  { path: 'seats.runOutMost', label: 'Run-out, maximum', of: ({ seats }) => seats.runOutMost }, { path: 'seats.guideMost', label: 'Guide clearance, maximum', of: ({ seats }) => seats.guideMost },
  { path: 'springs.travelLeast', label: 'Spring travel left, minimum', of: ({ springs }) => springs.travelLeast }, { path: 'springs.sealLeast', label: 'Retainer to seal, minimum', of: ({ springs }) => springs.sealLeast }
]
function edit() {
  faults.value = {}
  const { lengths } = device
  form.value = {
    lengths,
    squish: shop.rules.squish.map(row => ({ ...Object.fromEntries(Object.entries(row).map(([k, v]) => [k, k === 'rod' || k === 'revsTo' ? String(v) : lengthText(v as number, lengths)])), was: row }) as Row),
    clearances: Object.fromEntries(CLEARANCES.map(c => [c.name, lengthText(shop.rules.clearances[c.name], lengths)])) as Record<keyof LeastClearances, string>,
    limits: LIMITS.map(l => lengthText(l.of(shop.rules), lengths)),
    route: routeForm(shop.rules.route, lengths),
    work: Object.fromEntries(WORK.map(w => [w, { hours: String(shop.rules.work[w].hours), money: String(shop.rules.work[w].money) }])) as Record<Work, Record<keyof Cost, string>>,
    rate: String(shop.rules.rate)
  }
}
const length = (text: string, was?: number) => asLength(text, form.value!.lengths, was)
async function keep() {
  if (!form.value) return
  const squish = form.value.squish.map(row => ({ rod: row.rod, ...Object.fromEntries(COLUMNS.map(c => [c.name, c.unit === 'length' ? length(row[c.name], row.was?.[c.name]) : asNumber(row[c.name])])) }))
  const clearances = Object.fromEntries(CLEARANCES.map(c => [c.name, length(form.value!.clearances[c.name], shop.rules.clearances[c.name])]))
  const limits = new Map(LIMITS.map((l, i) => [l.path, length(form.value!.limits[i]!, l.of(shop.rules))]))
  const of = (valve: 'intake' | 'exhaust') => Object.fromEntries((['widthLeast', 'widthMost', 'marginLeast'] as const).map(name => [name, limits.get(`seats.${valve}.${name}`)]))
  const seats = { intake: of('intake'), exhaust: of('exhaust'), runOutMost: limits.get('seats.runOutMost'), guideMost: limits.get('seats.guideMost') }
  const springs = { travelLeast: limits.get('springs.travelLeast'), sealLeast: limits.get('springs.sealLeast') }
  const work = Object.fromEntries(WORK.map(w => [w, { hours: asNumber(form.value!.work[w].hours), money: asNumber(form.value!.work[w].money) }]))
  const id = uuid()
  const sent = await outbox.put(id, `/api/rules/${id}`, { squish, clearances, seats, springs, route: routeSent(form.value.route, shop.rules.route, form.value.lengths), work, rate: asNumber(form.value.rate), hand: device.hand })
  if (sent.kind === 'refused') {
    faults.value = sent.problem.fields ? Object.fromEntries(sent.problem.fields.map(f => [f.path, inTyped(f.sentence, form.value!.lengths)])) : { hand: sentenceOf(sent.problem) }
    return
  }
  form.value = undefined
  await shop.refresh()
}
/** What one of each took by the job cards of this shop's builds. */
const took = computed(() => ratesOf(shop.builds.flatMap(b => b.reckoned?.job?.work ?? [])))
const addRow = () => form.value!.squish.push({ rod: 'steel', boreTo: '', revsTo: '', least: '', most: '' })
</script>

<template>
  <section>
    <h2>What this shop goes by</h2>
    <p class="small quiet">Starting points, to be edited. The engine’s maker, the fuel and the builder decide.</p>
    <div class="tables">
      <v-table>
        <caption class="small">Squish window, running, by rod, bore and revs</caption>
        <thead><tr><th>Rods</th><th v-for="c in COLUMNS" :key="c.name" class="r">{{ c.label }}{{ form ? `, ${c.unit === 'length' ? form.lengths : c.unit}` : '' }}</th><th v-if="form"><span class="visually-hidden">Remove</span></th></tr></thead>
        <tbody v-if="!form">
          <tr v-for="(row, i) in shop.rules.squish" :key="i"><td>{{ row.rod }}</td><td v-for="c in COLUMNS" :key="c.name" class="r num">{{ c.unit === 'length' ? shown(row[c.name], 'length', device.lengths).number : row[c.name] }} <span class="unit">{{ c.unit === 'length' ? device.lengths : c.unit }}</span></td></tr>
        </tbody>
        <tbody v-else>
          <tr v-for="(row, i) in form.squish" :key="i">
            <td class="rod"><BenchSelect v-model="row.rod" hide-label :label="`Rods, row ${i + 1}`" :items="plainPairs(Object.keys(ROD_MODULUS) as RodMaterial[])" /></td>
            <td v-for="c in COLUMNS" :key="c.name"><BenchText v-model="row[c.name]" hide-label inputmode="decimal" :label="`${c.label}, row ${i + 1}`" :fault="faults[`squish[${i}].${c.name}`]" /></td>
            <td><v-btn variant="text" :aria-label="`Remove row ${i + 1}`" @click="form.squish.splice(i, 1)">×</v-btn></td>
          </tr>
        </tbody>
      </v-table>
      <v-table>
        <caption class="small">Minimum clearances</caption>
        <tbody>
          <tr v-for="c in CLEARANCES" :key="c.name">
            <td>{{ c.label }}{{ form ? `, ${form.lengths}` : '' }}</td>
            <td v-if="!form" class="r num">{{ shown(shop.rules.clearances[c.name], 'length', device.lengths).number }} <span class="unit">{{ device.lengths }}</span></td>
            <td v-else><BenchText v-model="form.clearances[c.name]" hide-label inputmode="decimal" :label="c.label" :fault="faults[`clearances.${c.name}`]" /></td>
          </tr>
        </tbody>
      </v-table>
      <v-table class="seats">
        <caption class="small">Valve seats and springs</caption>
        <tbody>
          <tr v-for="(l, i) in LIMITS" :key="l.path">
            <td>{{ l.label }}{{ form ? `, ${form.lengths}` : '' }}</td>
            <td v-if="!form" class="r num">{{ shown(l.of(shop.rules), 'length', device.lengths).number }} <span class="unit">{{ device.lengths }}</span></td>
            <td v-else><BenchText v-model="form.limits[i]" hide-label inputmode="decimal" :label="l.label" :fault="faults[l.path]" /></td>
          </tr>
        </tbody>
      </v-table>
    </div>
    <v-table class="work">
      <caption class="small">What work costs, for the routes: hours, and money in this shop’s own currency</caption>
      <thead><tr><th>Work</th><th class="r">hours</th><th class="r">money</th><th class="r">took, by your job cards</th></tr></thead>
      <tbody>
        <tr v-for="w in WORK" :key="w">
          <td>{{ WORK_WORDS[w] }}</td>
          <template v-if="!form"><td class="r num">{{ shop.rules.work[w].hours }}</td><td class="r num">{{ shop.rules.work[w].money }}</td></template>
          <template v-else>
            <td v-for="of in (['hours', 'money'] as const)" :key="of"><BenchText v-model="form.work[w][of]" hide-label inputmode="decimal" :label="`${WORK_WORDS[w]}, ${of}`" :fault="faults[`work.${w}.${of}`]" /></td>
          </template>
          <td class="r took">
            <template v-if="took[w]"><span class="num">{{ took[w].hours.toFixed(2) }}</span> h, {{ took[w].builds }} {{ took[w].builds === 1 ? 'build' : 'builds' }}<v-btn v-if="form" variant="text" class="go" :aria-label="`Go by it: ${WORK_WORDS[w]}`" @click="form.work[w].hours = took[w].hours.toFixed(2)">go by it</v-btn></template>
          </td>
        </tr>
      </tbody>
    </v-table>
    <div class="rate">
      <span>An hour of this shop</span>
      <span v-if="!form" class="num">{{ shop.rules.rate }}</span>
      <BenchText v-else v-model="form.rate" hide-label inputmode="decimal" label="An hour of this shop, money" :fault="faults.rate" />
    </div>
    <RouteStart :start="shop.rules.route" :lengths="form?.lengths ?? device.lengths" :form="form?.route" :faults="faults" />
    <div class="row">
      <v-btn v-if="!form" @click="edit">Edit the tables</v-btn>
      <template v-else><v-btn @click="addRow">Another row</v-btn><v-btn variant="flat" color="primary" @click="keep">Keep the tables</v-btn><v-btn @click="form = undefined">Leave them</v-btn></template>
    </div>
    <p v-if="faults.hand || faults.squish" class="sentence">{{ faults.hand ? 'Put your initials in the header first.' : faults.squish }}</p>
  </section>
</template>

<style scoped>
.tables { display: grid; grid-template-columns: minmax(0, 2fr) minmax(0, 1fr); gap: 28px; align-items: start; margin: 8px 0; }
.work { max-width: 720px; margin: 12px 0; }
.took { white-space: nowrap; }
.took .go { margin-left: 12px; }
.rate { display: flex; gap: 16px; align-items: center; margin-bottom: 12px; }
caption { text-align: left; color: var(--quiet); padding-bottom: 2px; }
.rod { min-width: 138px; }
.row { display: flex; gap: 8px; }
@media (max-width: 1000px) { .tables { grid-template-columns: 1fr; } }
</style>
