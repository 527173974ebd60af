<script setup lang="ts">
import { KINDS, MOST_COILS, THINNEST_SHIM, allSprings, differ, floatOf, shimToEven, springFromLoads, springsOf, valveScope, untyped, type EntryOf, type Figure, type SpringCoil, type SpringStanding } from '#core'
import { figureFault, loadsFault, readingsOf } from '#shared/dto'
import { say, sayList } from '#shared/figures'
import { useFormDraft } from '~/composables/useFormDraft'
import { usePorts } from '~/composables/usePorts'
import { notKept } from '~/composables/useStatement'
import { useBuild } from '~/stores/build'
import { useChoices } from '~/stores/choices'
import { useDevice } from '~/stores/device'
import { useShop } from '~/stores/shop'

/** What each valve's springs carry, shut and open, and what is left before something is solid; shims that make them alike. */
const build = useBuild()
const device = useDevice()
const shop = useShop()
const { side, many, nameOf } = usePorts()
const rows = computed(() => build.replayed ? allSprings(build.replayed, shop.rules).filter(s => s.port.valve === side.value) : [])
const spring = computed(() => build.replayed && springsOf(build.replayed, side.value))
const float = computed(() => build.replayed && floatOf(build.replayed, shop.rules, side.value))
/** Of all that is left, the least over its minimum. */
const worst = computed(() => rows.value.flatMap(row => ([['travel', row.travel, shop.rules.springs.travelLeast], ['seal', row.sealLeft, shop.rules.springs.sealLeast]] as const)
  .flatMap(([room, left, least]) => left === undefined ? [] : [{ row, room, left, over: differ(left, least) }])).sort((a, b) => a.over - b.over)[0])
const length = (mm: number) => say(mm, 'length', device.lengths)
const { bounds } = KINDS.installed
type Body = EntryOf<'installed'>['body']
const mm = (value: number) => untyped(value, 'mm', 3)
/** Height and seal are one reading: a shim changes the one and leaves the other, and both go up with the valve. */
const keep = ({ port, entry, sunk }: SpringStanding, name: keyof Body) => async (figure: Figure): Promise<string | undefined> => {
  const fault = figureFault(figure, { ...bounds[name], noun: name === 'height' ? 'the installed height' : 'the way to the seal' })
  if (fault || !build.replayed) return fault
  if (name === 'seal' && !entry) return 'Read the installed height first.'
  const { height, seal } = entry?.body ?? {}
  const now = { ...height ? { height: mm(height.value + sunk.done) } : {}, ...seal ? { seal: mm(seal.value + sunk.done) } : {} }
  // The seal that is read straight after its height belongs to it; once the valve has gone up both are of another time.
  const first = name === 'seal' && sunk.done === 0
  return notKept(await build.add('installed', valveScope(build.replayed.layout, port), { ...first ? entry!.body : now, [name]: figure } as Body, first ? { supersedes: entry!.id } : {}))
}
const COILS = ['Outer', 'Inner', 'Third'].slice(0, MOST_COILS)
/** A spring is known by its maker's figures, or by a tester's two loads. */
const by = useChoices().choice<'rate' | 'loads'>('springsBy', 'rate')
const { bounds: of } = KINDS.spring
const SOLID = { name: 'solid', label: 'solid height', rule: of.solid, noun: 'its solid height' }
const WAYS = {
  rate: [{ name: 'rate', label: 'rate', rule: of.rate, noun: 'the spring’s rate' }, { name: 'free', label: 'free length', rule: of.free, noun: 'its free length' }, SOLID],
  loads: [{ name: 'high', label: 'height shut', rule: of.height, noun: 'the height' }, { name: 'highLoad', label: 'load shut', rule: of.load, noun: 'the load' }, { name: 'low', label: 'height open', rule: of.height, noun: 'the height' }, { name: 'lowLoad', label: 'load open', rule: of.load, noun: 'the load' }, SOLID]
}
const FIELDS = computed(() => WAYS[by.value])
const form = useFormDraft(() => `springs/${side.value}`)
const recorded = (i: number, name: string): Figure | undefined => {
  const coil = spring.value?.body.coils[i]
  const [high, low] = [...coil?.loads ?? []].sort((a, b) => b.height.value - a.height.value)
  return ({ rate: coil?.rate, free: coil?.free, solid: coil?.solid, high: high?.height, highLoad: high?.load, low: low?.height, lowLoad: low?.load } as Record<string, Figure | undefined>)[name]
}
const kept = (i: number, name: string) => form.given(`${i}${name}`, recorded(i, name))
const touched = (i: number) => FIELDS.value.some(f => form.touched(`${i}${f.name}`))
/** What is known of one coil: whole, nothing, or what is wrong with it. */
function coilAt(i: number): SpringCoil | string | undefined {
  // A spring that nobody touched stays as it was entered, whichever way the others are known.
  if (!touched(i)) return spring.value?.body.coils[i]
  const lacking = FIELDS.value.filter(f => !kept(i, f.name))
  // Emptied, it is none.
  if (lacking.length === FIELDS.value.length) return undefined
  if (lacking.length > 0) return `state ${sayList(lacking.map(f => f.label))} too.`
  const now = (name: string) => kept(i, name)!
  const solid = now('solid')
  if (by.value === 'rate') return { rate: now('rate'), free: now('free'), solid }
  const loads = [{ height: now('high'), load: now('highLoad') }, { height: now('low'), load: now('lowLoad') }]
  const fault = loadsFault(loads)
  if (fault) return fault
  const found = springFromLoads(readingsOf(loads))
  const derived = (value: number, unit: string) => untyped(value, unit, 4)
  return { rate: derived(found.rate, 'N/mm'), free: derived(found.freeLength, 'mm'), solid, loads }
}
const found = computed(() => COILS.map((_, i) => coilAt(i)))
const coils = computed(() => found.value.filter((coil): coil is SpringCoil => typeof coil === 'object'))
const typed = computed(() => COILS.some((_, i) => touched(i)))
const sentence = ref('')
async function keepSprings() {
  const wrong = found.value.findIndex(coil => typeof coil === 'string')
  if (wrong >= 0 || !found.value[0]) {
    sentence.value = wrong >= 0 ? `${COILS[wrong]}: ${found.value[wrong] as string}` : by.value === 'rate' ? 'State the rate, the free length and the solid height of the outer spring.' : 'State both heights, both loads and the solid height of the outer spring.'
    return
  }
  const longer = coils.value.findIndex(c => c.solid.value >= c.free.value)
  sentence.value = longer >= 0
    ? `${COILS[longer]}: a spring is shorter solid than free.`
    : await form.sent(COILS.flatMap((_, i) => FIELDS.value.map(f => `${i}${f.name}`)), async () => notKept(await build.add('spring', { level: 'build' }, { valve: side.value, coils: coils.value })))
}
/** What took valves up since their heights were read, or will: those that move alike are told together. */
const moved = computed(() => {
  const alike = new Map<string, SpringStanding[]>()
  for (const row of rows.value) {
    const { done, planned } = row.sunk
    if (done + planned > 0) alike.set(`${done.toFixed(3)} ${planned.toFixed(3)}`, [...alike.get(`${done.toFixed(3)} ${planned.toFixed(3)}`) ?? [], row])
  }
  return [...alike.values()].map((of) => {
    const { done, planned } = of[0]!.sunk
    const [who, one] = [sayList(of.map(row => nameOf(row.port))), of.length === 1]
    const since = done > 0 ? `${one ? 'has' : 'have'} gone up ${length(done)} since ${one ? 'its height was' : 'their heights were'} read` : ''
    const coming = planned > 0 ? `${one ? 'goes' : 'go'} up ${length(planned)}${done > 0 ? ' more' : ''} by what is planned; loads and what is left are told with it` : ''
    return `${who} ${[since, coming].filter(Boolean).join(', and ')}. A shim of as much gives the load back.`
  })
})
const shim = (row: SpringStanding) => shimToEven(rows.value, row)
</script>

<template>
  <section class="springs">
    <div class="verdict">
      <div class="sides" role="group" aria-label="Which valves">
        <v-btn v-for="valve in (['intake', 'exhaust'] as const)" :key="valve" :variant="side === valve ? 'flat' : 'outlined'" :color="side === valve ? 'primary' : undefined" :aria-pressed="side === valve" @click="side = valve">{{ valve === 'intake' ? 'Intake' : 'Exhaust' }}</v-btn>
      </div>
      <template v-if="worst">
        <p class="label">{{ worst.room === 'travel' ? 'Least travel left before a spring is solid' : 'Least way left from retainer to seal' }}</p>
        <p class="big num" :class="{ warn: worst.over < 0 }" data-room>{{ length(worst.left) }}</p>
        <p>{{ nameOf(worst.row.port) }}, open {{ length(worst.row.lift) }}: <template v-if="worst.over < 0"><strong class="warn">{{ length(-worst.over) }} under the shop’s minimum.</strong> {{ worst.room === 'travel' ? 'Take a shim from under it, or fit a spring that is shorter solid.' : 'Shorten the guide, or fit another retainer.' }}</template><template v-else>{{ length(worst.over) }} over the shop’s minimum{{ worst.row.sunk.planned > 0 ? ', with what is planned' : '' }}.</template></p>
      </template>
      <p v-else class="small">Read each installed height with the valve shut, enter its springs, and state the highest lift below: loads and what is left follow.</p>
    </div>
    <form class="form" :class="{ wide: by === 'loads' }" @submit.prevent="keepSprings">
      <v-table class="close" :aria-label="`Springs of every ${side} valve`">
        <thead><tr><th>{{ side === 'intake' ? 'Intake' : 'Exhaust' }} springs</th><th v-for="f in FIELDS" :key="f.name">{{ f.label }}</th></tr></thead>
        <tbody>
          <tr v-for="(name, i) in COILS.slice(0, Math.max(2, coils.length + 1))" :key="name">
            <th scope="row">{{ name }}</th>
            <td v-for="f in FIELDS" :key="`${side}${f.name}`"><FigureField :field="form.key(`${i}${f.name}/typed`)" :label="`${name} spring, ${f.label}`" hide-label :dimension="f.rule.dimension" :part="form.part(`${i}${f.name}`, recorded(i, f.name))" :empty="form.empty(`${i}${f.name}`)" :commit="form.keep(`${i}${f.name}`, f.rule, f.noun)" /></td>
          </tr>
        </tbody>
      </v-table>
      <div class="row">
        <BenchSelect v-model="by" class="by" label="Known by" :items="[['rate', 'rate and free length'], ['loads', 'two loads']]" />
        <v-btn type="submit" :variant="typed ? 'flat' : 'outlined'" :color="typed ? 'primary' : undefined">Keep the springs</v-btn>
      </div>
      <p v-if="float" class="float"><template v-if="float.seen">The valves were seen to float at <strong class="num mid">{{ Math.round(float.rpm) }}</strong> rpm: that counts before what the springs promise.</template><template v-else>They hold the cam no higher than <strong class="num mid">{{ Math.floor(float.rpm / 10) * 10 }}</strong> rpm: a bound, never a pass. Surge and flex take more.<template v-if="float.before !== undefined"> With other springs they were seen to float at <span class="num">{{ Math.round(float.before) }}</span> rpm.</template></template><template v-if="float.over"> <strong class="warn">This engine is built for {{ float.over.revs }} rpm.</strong></template></p>
      <p v-else class="small quiet float">For the speed at which a valve leaves its cam: the cam’s lift table at Shape in even steps, and what moves with the valve.</p>
      <p v-if="sentence" class="sentence" role="alert">{{ sentence }}</p>
    </form>
    <div class="valves">
      <v-table :aria-label="`${side} springs, valve by valve`">
        <thead><tr><th>Valve</th><th class="field">Installed height</th><th class="field">Retainer to seal</th><th class="r">load shut</th><th class="r">load open</th><th class="r">travel left</th><th class="r">seal left</th><th class="r">shim to even</th></tr></thead>
        <tbody>
          <tr v-for="row in rows" :key="`${row.port.cylinder} ${row.port.n}`">
            <th scope="row" class="num">{{ row.port.cylinder }}{{ many > 1 ? `, no. ${row.port.n}` : '' }}</th>
            <td><FigureField :field="`${build.view?.id}/installed/${side}/${row.port.cylinder}/${row.port.n}`" :label="`Installed height of ${nameOf(row.port)}`" hide-label dimension="length" :part="row.now?.height" :commit="keep(row, 'height')" /></td>
            <td><FigureField :field="`${build.view?.id}/toseal/${side}/${row.port.cylinder}/${row.port.n}`" :label="`Retainer to seal of ${nameOf(row.port)}`" hide-label dimension="length" :part="row.now?.seal === undefined ? undefined : { ...row.now.height, estimate: { ...row.now.height.estimate, value: row.now.seal } }" :commit="keep(row, 'seal')" /></td>
            <td class="r num">{{ row.loads ? say(row.loads.shut, 'force', device.lengths) : '–' }}</td>
            <td class="r num">{{ row.loads?.open === undefined ? '–' : say(row.loads.open, 'force', device.lengths) }}</td>
            <td class="r num" :class="{ warn: row.faults.some(f => f.room === 'travel') }">{{ row.travel === undefined ? '–' : length(row.travel) }}</td>
            <td class="r num" :class="{ warn: row.faults.some(f => f.room === 'seal') }">{{ row.sealLeft === undefined ? '–' : length(row.sealLeft) }}</td>
            <td class="r num">{{ shim(row) === undefined ? '–' : shim(row)! < THINNEST_SHIM ? 'none' : length(shim(row)!) }}</td>
          </tr>
        </tbody>
      </v-table>
      <p v-for="said in moved" :key="said" class="small">{{ said }}</p>
      <p class="caution">A compressed spring throws its collets: wear eye protection, and keep your face out of its line.</p>
      <div class="row">
        <StatementField :quantity="`${side}Lift`" :scope="{ level: 'build' }" no-basis label="Highest lift, at the valve" class="mass" />
        <StatementField :quantity="`${side}Duration`" :scope="{ level: 'build' }" no-basis label="Open for" class="mass" />
        <StatementField :quantity="`${side}Float`" :scope="{ level: 'build' }" no-basis label="Seen to float at" class="mass" />
        <StatementField :quantity="`${side}MovingMass`" :scope="{ level: 'build' }" no-basis label="Valve, retainer, half the spring" class="mass" />
      </div>
    </div>
  </section>
</template>

<style scoped>
.springs { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1.35fr); gap: 14px 24px; align-items: start; }
.verdict, .form { display: grid; gap: 6px; align-content: start; justify-items: start; }
.valves { grid-column: 1 / -1; display: grid; gap: 8px; }
.sides { display: flex; gap: 6px; }
.form > .v-table { width: 100%; }
.form :deep(table) { table-layout: fixed; }
.form th:first-child { width: 84px; }
/* Five figures of a spring need the whole width. */
.form.wide { grid-column: 1 / -1; }
.field { width: 136px; }
.r { white-space: nowrap; }
.big { font-size: var(--s48); line-height: 1.05; font-weight: 700; }
.mid { font-size: var(--s22); }
.row { display: flex; gap: 10px 14px; align-items: end; flex-wrap: wrap; }
.by { width: 190px; flex: none; }
.mass { width: 205px; flex: none; }
@media (max-width: 1000px) { .springs { grid-template-columns: 250px minmax(0, 1fr); } }
</style>
