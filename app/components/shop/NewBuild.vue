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

async function begin() {
  faults.value = {}
  const cylinders = Number(form.cylinders)
  if (!Number.isInteger(cylinders) || cylinders < 1 || cylinders > 16) {
    faults.value = { cylinders: 'A whole number from 1 to 16.' }
    return
  }
  busy.value = true
  try {
    const sent = await outbox.put(id, `/api/builds/${id}`, { name: form.name, reference: form.reference, hand: device.hand })
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
    const trouble = notKept(await build.add('layout', { level: 'build' }, layoutBody(cylinders, form.layout)))
    if (trouble) faults.value = { cylinders: trouble }
    drafts.clear('newBuild')
    await navigateTo(`/builds/${id}/sheet`)
    id = uuid()
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
  </form>
</template>

<style scoped>
.new { display: grid; gap: 8px; }
.pair { display: grid; grid-template-columns: 90px 1fr; gap: 10px; }
</style>
