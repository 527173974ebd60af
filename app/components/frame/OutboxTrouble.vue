<script setup lang="ts">
import type { Waiting } from '~/stores/cupboard'
import { sayKind } from '~/words/entries'
import { useOutbox } from '~/stores/outbox'
import { useShop } from '~/stores/shop'

/** Writes that were set aside: they stay on this device, with their reading, until somebody has decided about each. */
const outbox = useOutbox()
const shop = useShop()
const copied = ref('')

interface Body { kind?: string, scope?: { cylinder?: number, head?: number }, body?: { typed?: string, figure?: { typed: string, unit: string }, depth?: { typed: string, unit: string } }, entries?: unknown[], name?: string }
function reading({ body, picture }: Waiting): string {
  if (picture !== undefined) return 'a photograph'
  const { kind, scope, body: inner, entries, name } = JSON.parse(body) as Body
  const figure = inner?.figure ?? inner?.depth
  const what = kind ? sayKind(kind) : entries ? `${entries.length} readings out of a file` : name ?? ''
  const where = scope?.cylinder ? `, cylinder ${scope.cylinder}` : scope?.head ? `, head ${scope.head}` : ''
  const typed = inner?.typed ?? (figure ? `${figure.typed} ${figure.unit}` : '')
  return `${what}${where}${typed ? `: ${typed}` : ''}`
}
async function copy(write: Waiting) {
  try {
    await navigator.clipboard.writeText(`${reading(write)}\n${write.body}`)
    copied.value = write.id
  } catch {
    copied.value = ''
  }
}
const buildOf = (write: Waiting) => shop.builds.find(b => write.url.includes(b.id))?.name
</script>

<template>
  <section v-if="outbox.aside.length" class="trouble" role="alert" aria-label="Not kept yet">
    <div v-for="write in outbox.aside" :key="write.id" class="row">
      <p><strong>Not kept yet:</strong> <span class="num">{{ reading(write) }}</span><template v-if="buildOf(write)">, {{ buildOf(write) }}</template>. <span class="sentence">{{ write.aside.fields?.[0]?.sentence ?? write.aside.detail }}</span></p>
      <v-btn @click="outbox.tryAgain(write.id)">Try again</v-btn>
      <v-btn @click="copy(write)">{{ copied === write.id ? 'Copied' : 'Copy' }}</v-btn>
      <v-btn @click="outbox.drop(write.id)">Drop it</v-btn>
    </div>
  </section>
</template>

<style scoped>
.trouble { border-bottom: 2px solid var(--stop); padding: 6px 16px; max-height: 30vh; overflow: auto; }
.row { display: flex; gap: 8px; align-items: center; flex-wrap: wrap; }
.row p { flex: 1; min-width: 240px; }
</style>
