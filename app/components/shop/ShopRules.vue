<script setup lang="ts">
import { v4 as uuid } from 'uuid'
import { ROD_MODULUS, type LeastClearances, type RodMaterial, type SquishWindow } from '#core'
import { useDevice } from '~/stores/device'
import { useOutbox } from '~/stores/outbox'
import { sentenceOf, useShop } from '~/stores/shop'
import { plainPairs } from '~/words/pairs'

/** What this shop goes by. A starting point that it edits; never law. */
const shop = useShop()
const device = useDevice()
const outbox = useOutbox()
type Row = Record<keyof SquishWindow, string>
const form = ref<{ squish: Row[], clearances: Record<keyof LeastClearances, string> }>()
const faults = ref<Record<string, string>>({})
const COLUMNS: { name: Exclude<keyof SquishWindow, 'rod'>, label: string, unit: string }[] = [
  { name: 'boreTo', label: 'bore up to', unit: 'mm' }, { name: 'revsTo', label: 'revs up to', unit: 'rpm' }, { name: 'least', label: 'least, running', unit: 'mm' }, { name: 'most', label: 'most, running', unit: 'mm' }
]
const CLEARANCES: { name: keyof LeastClearances, label: string }[] = [
  { name: 'intake', label: 'Intake to piston' }, { name: 'exhaust', label: 'Exhaust to piston' }, { name: 'side', label: 'To a pocket’s side' },
  { name: 'aluminiumMore', label: 'More with aluminium rods' }, { name: 'valveToValve', label: 'Valve to valve' }, { name: 'domeToChamber', label: 'Dome to chamber' }
]
function edit() {
  faults.value = {}
  const text = (o: object) => Object.fromEntries(Object.entries(o).map(([k, v]) => [k, String(v)]))
  form.value = { squish: shop.rules.squish.map(row => text(row) as Row), clearances: text(shop.rules.clearances) as Record<keyof LeastClearances, string> }
}
// Text that is no number goes as it is: the server's sentence says which field, beside the field.
const number = (text: string) => text.trim() === '' || Number.isNaN(Number(text.replace(',', '.'))) ? text : Number(text.replace(',', '.'))
async function keep() {
  if (!form.value) return
  const squish = form.value.squish.map(row => ({ rod: row.rod, ...Object.fromEntries(COLUMNS.map(c => [c.name, number(row[c.name])])) }))
  const clearances = Object.fromEntries(CLEARANCES.map(c => [c.name, number(form.value!.clearances[c.name])]))
  const id = uuid()
  const sent = await outbox.put(id, `/api/rules/${id}`, { squish, clearances, hand: device.hand })
  if (sent.kind === 'refused') {
    faults.value = sent.problem.fields ? Object.fromEntries(sent.problem.fields.map(f => [f.path, f.sentence])) : { hand: sentenceOf(sent.problem) }
    return
  }
  form.value = undefined
  await shop.refresh()
}
const addRow = () => form.value!.squish.push({ rod: 'steel', boreTo: '', revsTo: '', least: '', most: '' })
</script>

<template>
  <section>
    <h2>What this shop goes by</h2>
    <p class="small quiet">Starting points, to be edited. The engine’s maker, the fuel and the builder decide.</p>
    <div class="tables">
      <v-table>
        <caption class="small">Squish window, running, by rod, bore and revs</caption>
        <thead><tr><th>Rods</th><th v-for="c in COLUMNS" :key="c.name" class="r">{{ c.label }}</th><th v-if="form"><span class="visually-hidden">Remove</span></th></tr></thead>
        <tbody v-if="!form">
          <tr v-for="(row, i) in shop.rules.squish" :key="i"><td>{{ row.rod }}</td><td v-for="c in COLUMNS" :key="c.name" class="r num">{{ c.unit === 'mm' && c.name !== 'boreTo' ? row[c.name].toFixed(2) : row[c.name] }} <span class="unit">{{ c.unit }}</span></td></tr>
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
        <caption class="small">Least clearances</caption>
        <tbody>
          <tr v-for="c in CLEARANCES" :key="c.name">
            <td>{{ c.label }}</td>
            <td v-if="!form" class="r num">{{ shop.rules.clearances[c.name].toFixed(2) }} <span class="unit">mm</span></td>
            <td v-else><BenchText v-model="form.clearances[c.name]" hide-label inputmode="decimal" :label="c.label" :fault="faults[`clearances.${c.name}`]" /></td>
          </tr>
        </tbody>
      </v-table>
    </div>
    <div class="row">
      <v-btn v-if="!form" @click="edit">Edit the tables</v-btn>
      <template v-else><v-btn @click="addRow">Another row</v-btn><v-btn variant="flat" color="primary" @click="keep">Keep the tables</v-btn><v-btn @click="form = undefined">Leave them</v-btn></template>
    </div>
    <p v-if="faults.hand || faults.squish" class="sentence">{{ faults.hand ? 'Put your initials in the header first.' : faults.squish }}</p>
  </section>
</template>

<style scoped>
.tables { display: grid; grid-template-columns: minmax(0, 2fr) minmax(0, 1fr); gap: 28px; align-items: start; margin: 8px 0; }
caption { text-align: left; color: var(--quiet); padding-bottom: 2px; }
.rod { min-width: 138px; }
.row { display: flex; gap: 8px; }
@media (max-width: 1000px) { .tables { grid-template-columns: 1fr; } }
</style>
