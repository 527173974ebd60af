<script setup lang="ts">
import { useBuild } from '~/stores/build'
import { sentenceOf } from '~/stores/shop'

/** A build's new name and reference: an entry like any other, so that the old ones stay readable. */
const emit = defineEmits<{ done: [] }>()
const build = useBuild()
const name = ref(build.view?.name ?? '')
const reference = ref(build.view?.reference ?? '')
const faults = ref<Record<string, string>>({})

async function keep() {
  const sent = await build.add('title', { level: 'build' }, { name: name.value, reference: reference.value })
  faults.value = {}
  if (sent.kind !== 'refused') return emit('done')
  faults.value = Object.fromEntries((sent.problem.fields ?? []).map(f => [f.path.replace('body.', ''), f.sentence]))
  if (!faults.value.name && !faults.value.reference) faults.value = { name: sentenceOf(sent.problem) }
}
</script>

<template>
  <form class="rename" aria-label="Rename the build" @submit.prevent="keep">
    <TitleFields v-model:name="name" v-model:reference="reference" :faults="faults" />
    <v-btn variant="flat" color="primary" type="submit">Rename</v-btn>
    <v-btn @click="emit('done')">Leave it</v-btn>
  </form>
</template>

<style scoped>
.rename { display: flex; gap: 14px; align-items: end; flex-wrap: wrap; }
.rename :deep(.bench-text) { width: 240px; }
</style>
