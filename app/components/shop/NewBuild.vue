<script setup lang="ts">
import { v4 as uuid } from 'uuid'
import { LAYOUTS, layoutBody, type LayoutName } from '~/words/layouts'
import { pairsOf } from '~/words/pairs'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { useDrafts } from '~/stores/drafts'
import { useOutbox } from '~/stores/outbox'
import { sentenceOf } from '~/stores/shop'
import { notKept } from '~/composables/useStatement'
import { usePractice } from '~/composables/usePractice'
import { PRACTICE } from '~/words/practice'

const device = useDevice()
const outbox = useOutbox()
const build = useBuild()
const drafts = useDrafts()
const form = reactive({ name: '', reference: '', cylinders: 4 as number | string, layout: 'oneHead' as LayoutName })
const kept = drafts.get('newBuild')
if (kept) Object.assign(form, JSON.parse(kept))
watch(form, now => drafts.set('newBuild', JSON.stringify(now)))
const faults = ref<Record<string, string>>({})
const busy = ref(false)
// One name for one try: pressing twice, or after a lost answer, begins one build.
let id = uuid()

const practice = usePractice()
async function practise() {
  const begun = await take(PRACTICE, PRACTICE.cylinders, 'oneHead')
  if (!begun) return
  practice.begin(begun)
  await navigateTo(`/builds/${begun}/sheet`)
}
async function begin() {
  const cylinders = Number(form.cylinders)
  if (!Number.isInteger(cylinders) || cylinders < 1 || cylinders > 16) {
    faults.value = { cylinders: 'A whole number from 1 to 16.' }
    return
  }
  const begun = await take(form, cylinders, form.layout)
  if (!begun) return
  drafts.clear('newBuild')
  await navigateTo(`/builds/${begun}/sheet`)
}
/** Begins a build and lays its engine out; its id, unless something was refused or has to wait. */
async function take({ name, reference }: { name: string, reference: string }, cylinders: number, layout: LayoutName): Promise<string | undefined> {
  faults.value = {}
  busy.value = true
  try {
    const sent = await outbox.put(id, `/api/builds/${id}`, { name, reference, hand: device.hand })
    if (sent.kind === 'refused') {
      faults.value = Object.fromEntries((sent.problem.fields ?? []).map(f => [f.path, f.sentence]))
      if (!sent.problem.fields) faults.value = { name: sentenceOf(sent.problem) }
      return
    }
    if (sent.kind === 'waiting') {
      faults.value = { name: 'The shop does not answer. The build waits on this device and goes in when it does.' }
      return
    }
    await build.open(id)
    const trouble = notKept(await build.add('layout', { level: 'build' }, layoutBody(cylinders, layout)))
    if (trouble) faults.value = { cylinders: trouble }
    const begun = id
    id = uuid()
    return begun
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <form class="new" @submit.prevent="begin">
    <h2>New build</h2>
    <TitleFields v-model:name="form.name" v-model:reference="form.reference" :faults="faults" />
    <div class="pair">
      <BenchText v-model="form.cylinders" label="Cylinders" inputmode="numeric" />
      <BenchSelect v-model="form.layout" label="Heads" :items="pairsOf(LAYOUTS)" />
    </div>
    <p v-if="faults.cylinders" class="sentence">{{ faults.cylinders }}</p>
    <p v-if="faults.hand" class="sentence">Put your initials in the header first.</p>
    <v-btn variant="flat" color="primary" type="submit" :disabled="busy">Begin</v-btn>
    <p class="small quiet">New here? <v-btn variant="text" class="go" :disabled="busy" @click="practise">Practise on a made-up engine</v-btn></p>
  </form>
</template>

<style scoped>
.new { display: grid; gap: 8px; }
.pair { display: grid; grid-template-columns: 90px 1fr; gap: 10px; }
</style>
