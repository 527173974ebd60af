<script setup lang="ts">
import { v4 as uuid } from 'uuid'
import type { Problem } from '#shared/dto'
import { useDevice } from '~/stores/device'
import { sentenceOf, useShop } from '~/stores/shop'

/** A build kept as JSON comes in whole, or not at all. */
const device = useDevice()
const shop = useShop()
const sentence = ref('')
const here = shallowRef<{ id: string, name: string }>()
const document = shallowRef<object>()
let importId = uuid()
const sending = shallowRef<AbortController>()

async function read(files: File | File[] | null) {
  const file = Array.isArray(files) ? files[0] : files
  sentence.value = ''
  here.value = undefined
  if (!file) return
  try {
    document.value = JSON.parse(await file.text()) as object
  } catch {
    sentence.value = 'This file is not JSON.'
    return
  }
  importId = uuid()
  await bringIn(false)
}

async function bringIn(copy: boolean) {
  let response: Response
  const stopped = new AbortController()
  sending.value = stopped
  try {
    response = await fetch(`/api/imports/${importId}`, {
      method: 'PUT', signal: stopped.signal, headers: { 'content-type': 'application/json' }, body: JSON.stringify({ document: document.value, copy, hand: device.hand })
    })
  } catch {
    sentence.value = stopped.signal.aborted ? 'Stopped. A build comes in whole or not at all: the list shows whether it is in.' : 'The shop does not answer. Try again; the same file comes in once only.'
    return
  } finally {
    sending.value = undefined
  }
  const value: unknown = await response.json()
  if (response.ok) {
    here.value = undefined
    await shop.loadBuilds()
    await navigateTo(`/builds/${(value as { id: string }).id}/daybook`)
    return
  }
  const problem = value as Problem
  if (response.status === 409) here.value = problem.current as unknown as { id: string, name: string }
  else sentence.value = problem.fields?.[0] ? `${problem.fields[0].path}: ${problem.fields[0].sentence}` : sentenceOf(problem)
}
</script>

<template>
  <section class="bring">
    <h2>Bring in a build</h2>
    <v-file-input label="A build kept as JSON" accept=".json,application/json" @update:model-value="read" />
    <WorkRow v-if="sending" says="The build is being brought in …" @stop="sending?.abort()" />
    <div v-if="here" role="alert" class="here">
      <p>“{{ here.name }}” is here already.</p>
      <NuxtLink class="go" :to="`/builds/${here.id}/daybook`">Open it</NuxtLink>
      <v-btn @click="bringIn(true)">Copy with new ids</v-btn>
    </div>
    <p v-if="sentence" class="sentence" role="alert">{{ sentence }}</p>
  </section>
</template>

<style scoped>
.bring { margin-top: 24px; display: grid; gap: 6px; }
.here { display: flex; flex-wrap: wrap; gap: 10px; align-items: center; }
</style>
