<script setup lang="ts">
import { AFTERWARDS, asItRan, ofKind, photographsIn, type Afterwards, type AfterwardsBody, type EntryOf } from '#core'
import { kindFault } from '#shared/dto'
import { UNITS, parseFigure, shownUnit } from '#shared/figures'
import { firstPress } from '~/composables/firstPress'
import { useFormDraft } from '~/composables/useFormDraft'
import { notKept } from '~/composables/useStatement'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { sayDate, sayDay, sayEntry, sayKind, sayScope } from '~/words/entries'
import { AFTERWARDS_WORDS } from '~/words/jobs'

/** What the engine did once it ran, each word of it tied to the state in which it ran. */
const build = useBuild()
const device = useDevice()
const form = useFormDraft(() => 'after')
const done = computed(() => build.replayed?.done ?? [])
const what = form.text('what', 'power')
const ran = computed({ get: () => form.text('ran', done.value.at(-1)?.id ?? 'came').value, set: to => form.text('ran', done.value.at(-1)?.id ?? 'came').value = to })
const [power, revs, conditions, words] = [form.text('power'), form.text('revs'), form.text('conditions'), form.text('words')]
const photos = form.names('photos')
const taking = ref(0)
const sentence = ref('')
const number = (text: string) => text.trim() === '' ? undefined : Number(text.replace(',', '.'))
const faults = ref<Partial<Record<keyof AfterwardsBody, string>>>({})
const unit = computed(() => shownUnit('power', device.lengths))
async function keep() {
  const read = what.value === 'power' ? parseFigure(power.value, { dimension: 'power', unit: unit.value }) : undefined
  if (read?.kind === 'refused') {
    faults.value = { power: read.sentence }
    return
  }
  const set = <K extends string, V>(name: K, value: V | undefined) => value === undefined || value === '' ? {} : { [name]: value } as Record<K, V>
  const body = {
    what: what.value as Afterwards, ...read?.kind === 'figure' ? set('power', read.figure.value) : {}, ...set('revs', number(revs.value)), ...set('conditions', conditions.value.trim()), ...set('words', words.value.trim()),
    ...ran.value === 'came' ? {} : { ran: ran.value }
  } as AfterwardsBody
  const found = (['what', 'power', 'revs', 'conditions', 'words'] as const).map(field => [field, kindFault('afterwards', { ...body }, field)] as const).filter(([, fault]) => fault)
  faults.value = Object.fromEntries(found)
  if (found.length) return
  sentence.value = await form.sent(['what', 'ran', 'power', 'revs', 'conditions', 'words', 'photos'], async () => notKept(await build.add('afterwards', { level: 'build' }, body, { photos: photos.value })))
}
const list = computed(() => build.replayed ? [...ofKind(build.replayed.live.entries, 'afterwards')].reverse() : [])
const pictures = computed(() => build.replayed ? photographsIn(build.replayed.live) : [])
const stateOf = (id: string | undefined) => {
  const op = done.value.find(one => one.id === id)
  return id === undefined ? 'as it came in' : op ? `after ${sayKind(op.kind).toLowerCase()}, ${sayScope(op.scope)}, ${sayDay(op.at)}` : 'after work that was struck out since'
}
/** The ratios of the state that ran, lowest to highest. */
function ratiosOf({ body }: EntryOf<'afterwards'>): string {
  const ratios = build.replayed ? asItRan(build.replayed, body.ran)?.asIs.flatMap(s => s.ratio?.estimate.value ?? []) ?? [] : []
  if (ratios.length === 0) return ''
  const [low, high] = [Math.min(...ratios).toFixed(2), Math.max(...ratios).toFixed(2)]
  return low === high ? low : `${low} to ${high}`
}
const strike = async (entry: EntryOf<'afterwards'>) => sentence.value = notKept(await build.add('void', entry.scope, { reason: 'not so' }, { supersedes: entry.id })) ?? ''
</script>

<template>
  <section class="after">
    <form class="form" @submit.prevent="keep">
      <BenchSelect v-model="what" label="What it did" data-new :items="AFTERWARDS.map(name => [name, AFTERWARDS_WORDS[name]] as const)" />
      <BenchSelect v-model="ran" label="The state that ran" :items="[...done.map(op => [op.id, stateOf(op.id)] as const).reverse(), ['came', 'as it came in']]" />
      <BenchText v-if="what === 'power'" v-model="power" :label="`Power, ${UNITS[unit].label}`" inputmode="decimal" :fault="faults.power ?? faults.what" />
      <BenchText v-model="revs" label="At, rpm" inputmode="numeric" :fault="faults.revs" />
      <BenchText v-model="conditions" label="Conditions" maxlength="200" :fault="faults.conditions" />
      <BenchText v-model="words" label="In words" maxlength="400" :fault="faults.words ?? (what === 'power' ? undefined : faults.what)" />
      <PhotoField v-model="photos" v-model:taking="taking" :field="form.key('photos')" :what="AFTERWARDS_WORDS[what as Afterwards]" />
      <v-btn type="submit" variant="flat" color="primary" :disabled="taking > 0">Enter it</v-btn>
    </form>
    <p v-if="sentence" class="sentence" role="alert">{{ sentence }}</p>
    <ul v-if="list.length">
      <li v-for="entry in list" :key="entry.id">
        <p class="said"><strong>{{ sayEntry(entry, device.lengths) }}</strong></p>
        <p class="small"><span class="num">{{ ratiosOf(entry) }}</span> {{ stateOf(entry.body.ran) }}; entered {{ sayDate(entry.at) }} by {{ entry.hand }}</p>
        <PhotoStrip :photos="pictures.filter(p => p.of.id === entry.id).map(p => p.sha256)" :what="AFTERWARDS_WORDS[entry.body.what]" />
        <v-btn variant="text" class="small go" @click="firstPress($event) && strike(entry)">strike out<span class="visually-hidden"> {{ AFTERWARDS_WORDS[entry.body.what] }}</span></v-btn>
      </li>
    </ul>
    <p v-else class="quiet">Nothing is known yet of how it ran. What it did belongs to the state that ran: the ratio, the squish and the cuts of that day.</p>
    <p class="small quiet">A power run shows what an engine did on that day on that brake. One engine is no rule for another.</p>
  </section>
</template>

<style scoped>
.after { display: grid; gap: 12px; padding-top: 8px; }
.form { display: grid; grid-template-columns: repeat(3, minmax(0, 1fr)); gap: 10px 14px; align-items: end; }
ul { list-style: none; margin: 0; padding: 0; border-top: 1px solid var(--ink); }
li { border-bottom: 1px solid var(--hair); padding: 8px 0; display: grid; gap: 2px; justify-items: start; }
.said { font-size: var(--s18); }
@media (max-width: 1000px) { .form { grid-template-columns: repeat(2, minmax(0, 1fr)); } }
</style>
