<script setup lang="ts">
import { v4 as uuid } from 'uuid'
import { InstrumentFigures, type KeptInstrument } from '#shared/dto'
import { digits } from '#shared/figures'
import { useRules } from '~/composables/useRules'
import { sayDay } from '~/words/entries'
import { useDevice } from '~/stores/device'
import { useOutbox } from '~/stores/outbox'
import { sentenceOf, useShop } from '~/stores/shop'
import { plainPairs } from '~/words/pairs'

const shop = useShop()
const device = useDevice()
const outbox = useOutbox()
type Field = 'capacity' | 'tolerance' | 'resolution' | 'repeatability' | 'film' | 'expansion'
const FIELDS: { name: Field, label: string }[] = [
  { name: 'capacity', label: 'Capacity, cc' }, { name: 'tolerance', label: 'Tolerance, ± cc' }, { name: 'resolution', label: 'Resolution, cc' },
  { name: 'repeatability', label: 'Repeatability, cc' }, { name: 'film', label: 'Film kept back, cc' },
  { name: 'expansion', label: 'Expansion of the scale, per K' }
]
interface Form { id: string, name: string, kind: KeptInstrument['kind'], scale: KeptInstrument['scale'], figures: Record<Field, string> }
const form = ref<Form>()
const faults = ref<Record<string, string>>({})
const checking = ref<string>()

const asNumber = (text: string) => text.trim() === '' || Number.isNaN(Number(text.replace(',', '.'))) ? text : Number(text.replace(',', '.'))
const rules = useRules(InstrumentFigures, (text, field) => field === 'name' ? text : asNumber(text))
const checked = computed(() => shop.instruments.find(i => i.id === checking.value))

function edit(instrument?: KeptInstrument) {
  faults.value = {}
  form.value = {
    id: instrument?.id ?? uuid(), name: instrument?.name ?? '', kind: instrument?.kind ?? 'burette', scale: instrument?.scale ?? 'deliver',
    figures: Object.fromEntries(FIELDS.map(({ name }) => [name, String(instrument?.[name] ?? { capacity: 100, tolerance: 0.2, resolution: 0.1, repeatability: 0.08, film: 0, expansion: 0.00001 }[name])])) as Record<Field, string>
  }
}
async function keep() {
  if (!form.value) return
  const { id, name, kind, scale, figures } = form.value
  // Text that is no number goes as it is: the server's sentence says which field, beside the field.
  const numbers = Object.fromEntries(FIELDS.map(f => [f.name, asNumber(figures[f.name])]))
  const sent = await outbox.put(uuid(), `/api/instruments/${id}`, { name, kind, scale, ...numbers, hand: device.hand })
  if (sent.kind === 'refused') {
    faults.value = sent.problem.fields ? Object.fromEntries(sent.problem.fields.map(f => [f.path, f.sentence])) : { name: sentenceOf(sent.problem) }
    return
  }
  form.value = undefined
  await shop.loadInstruments()
}
</script>

<template>
  <section>
    <h2>Instruments</h2>
    <v-table>
      <thead><tr><th>Name</th><th>Kind</th><th class="r">Capacity</th><th class="r">Tolerance</th><th class="r">Resolution</th><th class="r">Repeatability</th><th>Scale</th><th>Checked</th><th><span class="visually-hidden">Change</span></th></tr></thead>
      <tbody>
        <tr v-for="i in shop.instruments" :key="i.id">
          <td>{{ i.name }}</td><td>{{ i.kind }}</td><td class="r num">{{ i.capacity }} cc</td><td class="r num">± {{ i.tolerance }} cc</td>
          <td class="r num">{{ i.resolution }} cc</td><td class="r num">{{ i.repeatability }} cc</td>
          <td>to {{ i.scale }}<span v-if="i.scale === 'contain'" class="quiet">, film {{ i.film }} cc</span></td>
          <td><template v-if="i.checked"><span class="num">× {{ digits(i.checked.correction, 4) }}</span> <span class="quiet small">{{ sayDay(i.checked.at) }}, {{ i.checked.hand }}</span></template><span v-else class="quiet small">never</span></td>
          <td class="r"><v-btn variant="text" class="go" @click="checking = i.id; form = undefined">Check<span class="visually-hidden"> {{ i.name }}</span></v-btn> <v-btn variant="text" class="go" @click="edit(i); checking = undefined">Change<span class="visually-hidden"> {{ i.name }}</span></v-btn></td>
        </tr>
      </tbody>
    </v-table>
    <CheckPour v-if="checked" :key="checked.id" :instrument="checked" @done="checking = undefined" />
    <v-btn v-if="!form" class="add" @click="edit()">Add an instrument</v-btn>
    <form v-else class="form" @submit.prevent="keep">
      <div class="wide">
        <BenchText v-model="form.name" label="Name" :fault="faults.name" :rules="rules('name')" />
      </div>
      <BenchSelect v-model="form.kind" label="Kind" :items="plainPairs(['burette', 'syringe', 'cylinder'])" />
      <BenchSelect v-model="form.scale" label="Scale" :items="[['deliver', 'to deliver'], ['contain', 'to contain']]" />
      <div v-for="f in FIELDS" :key="f.name">
        <BenchText v-model="form.figures[f.name]" :label="f.label" :fault="faults[f.name]" :rules="rules(f.name)" inputmode="decimal" />
      </div>
      <div class="ends"><v-btn variant="flat" color="primary" type="submit">Keep</v-btn><v-btn @click="form = undefined">Leave it</v-btn></div>
      <p v-if="faults.hand" class="sentence">Put your initials in the header first.</p>
    </form>
  </section>
</template>

<style scoped>
.add { margin-top: 10px; }
.form { margin-top: 12px; display: grid; grid-template-columns: repeat(4, minmax(0, 1fr)); gap: 10px; max-width: 860px; }
.wide { grid-column: span 2; }
.ends { display: flex; gap: 8px; align-items: end; }
</style>
