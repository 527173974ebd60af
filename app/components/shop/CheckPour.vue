<script setup lang="ts">
import { v4 as uuid } from 'uuid'
import { checkPour, type Fill, type KnownVolume } from '#core'
import type { KeptInstrument } from '#shared/dto'
import { UNITS, digits, fromCore, inCore, shownUnit, type UnitName } from '#shared/figures'
import { sayRefusal } from '#shared/words/domain'
import { fullScale } from '~/words/stop'
import { useDevice } from '~/stores/device'
import { useOutbox } from '~/stores/outbox'
import { sentenceOf, useShop } from '~/stores/shop'

/** An instrument tried against a volume that is known from its size or its weight. */
const props = defineProps<{ instrument: KeptInstrument }>()
const emit = defineEmits<{ done: [] }>()
const device = useDevice()
const outbox = useOutbox()
const shop = useShop()
const kind = ref<KnownVolume['kind']>('ball')
const fields = reactive<Record<string, string>>({ diameter: '', height: '', mass: '', temperature: '', u: '' })
const WANTED: Record<KnownVolume['kind'], { name: string, label: string, unit: 'length' | 'g' | 'temperature' }[]> = {
  ball: [{ name: 'diameter', label: 'Diameter', unit: 'length' }, { name: 'u', label: 'Known to ±', unit: 'length' }],
  cylinder: [{ name: 'diameter', label: 'Diameter', unit: 'length' }, { name: 'height', label: 'Height', unit: 'length' }, { name: 'u', label: 'Known to ±', unit: 'length' }],
  water: [{ name: 'mass', label: 'Water weighs', unit: 'g' }, { name: 'temperature', label: 'Water stands at', unit: 'temperature' }, { name: 'u', label: 'Known to ±', unit: 'g' }]
}
// What is typed keeps the unit it was begun in, whatever the header changes to meanwhile.
const { lengths } = device
const unitOf = (unit: 'length' | 'g' | 'temperature'): UnitName => unit === 'g' ? unit : shownUnit(unit, lengths)
fields.temperature = digits(fromCore(20, unitOf('temperature')), 0)
const readings = reactive(['', '', ''])
const faults = ref<Record<string, string>>({})
const number = (text: string) => text.trim() === '' ? NaN : Number(text.replace(',', '.'))
/** “33.4” from a fresh scale, or “3>36.4”. */
function fill(text: string): Fill | undefined {
  const ends = text.split('>').map(number)
  if (ends.length > 2 || ends.some(Number.isNaN)) return undefined
  return ends.length === 2 ? { start: ends[0]!, end: ends[1]! } : { start: fullScale(props.instrument), end: ends[0]! }
}
const pours = computed(() => readings.filter(t => t.trim() !== '').map(t => [fill(t)]))
// What is typed as ± is two standard uncertainties, as everywhere on the screen.
const known = computed(() => ({ kind: kind.value, ...Object.fromEntries(WANTED[kind.value].map(f => [f.name, (f.unit === 'g' ? number(fields[f.name]!) : inCore(number(fields[f.name]!), unitOf(f.unit))) / (f.name === 'u' ? 2 : 1)])) }) as unknown as KnownVolume)
const result = computed(() => {
  if (pours.value.length === 0 || pours.value.some(p => !p[0]) || WANTED[kind.value].some(f => Number.isNaN(number(fields[f.name]!)))) return undefined
  try {
    return checkPour(known.value, pours.value as Fill[][], props.instrument)
  } catch (error) {
    if (error instanceof RangeError) return { sentence: sayRefusal(error) }
    throw error
  }
})
async function keep() {
  const id = uuid()
  const sent = await outbox.put(id, `/api/instruments/${props.instrument.id}/checks/${id}`, { hand: device.hand, at: new Date().toISOString(), known: known.value, pours: pours.value })
  if (sent.kind === 'refused') {
    faults.value = sent.problem.fields ? Object.fromEntries(sent.problem.fields.map(f => [f.path, f.sentence])) : { known: sentenceOf(sent.problem) }
    return
  }
  await shop.loadInstruments()
  emit('done')
}
</script>

<template>
  <form class="check" @submit.prevent="keep">
    <h3>Check {{ instrument.name }} against a known volume</h3>
    <p class="small quiet">Sink the ball or fill the bored cylinder, or pour into a cup on a scale: what the instrument counts, two or three times.</p>
    <div class="fields">
      <BenchSelect v-model="kind" label="Known by" :items="[['ball', 'a ball'], ['cylinder', 'a bored cylinder'], ['water', 'weighed water']]" />
      <BenchText v-for="f in WANTED[kind]" :key="f.name" v-model="fields[f.name]" :label="`${f.label}, ${UNITS[unitOf(f.unit)].label}`" inputmode="decimal" />
      <BenchText v-for="(_, i) in readings" :key="i" v-model="readings[i]" :label="`Reading ${i + 1}`" inputmode="decimal" placeholder="33.4" />
    </div>
    <p v-if="faults.known || faults.pours || faults.fills" class="sentence">{{ faults.known ?? faults.pours ?? faults.fills }}</p>
    <p v-if="faults.hand" class="sentence">Put your initials in the header first.</p>
    <p v-if="result && 'sentence' in result" class="sentence">{{ result.sentence }}</p>
    <p v-else-if="result">It holds <span class="num">{{ digits(result.known, 2) }} cc</span> and reads <span class="num">{{ digits(result.read, 2) }}</span>: correction <strong class="num">× {{ digits(result.correction, 4) }}</strong> <span class="num quiet">± {{ digits(2 * result.u, 4) }}</span>. Its tolerance is then ± <span class="num">{{ digits(result.tolerance, 2) }} cc</span>, near this volume.</p>
    <div class="row"><v-btn variant="flat" color="primary" type="submit" :disabled="!result || 'sentence' in result">Keep the check</v-btn><v-btn @click="emit('done')">Leave it</v-btn></div>
  </form>
</template>

<style scoped>
.check { margin-top: 12px; max-width: 860px; display: grid; gap: 8px; border-top: 1px solid var(--hair); padding-top: 10px; }
.fields { display: grid; grid-template-columns: repeat(4, minmax(0, 1fr)); gap: 10px; }
.row { display: flex; gap: 8px; }
</style>
