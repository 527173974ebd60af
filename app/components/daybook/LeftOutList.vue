<script setup lang="ts">
import type { Entry } from '#core'
import { firstPress } from '~/composables/firstPress'
import { notKept } from '~/composables/useStatement'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { sayEntry, sayKind, sayTime } from '~/words/entries'

/** Entries that are stored and count for nothing, each with the reason and the way to take it out. */
const build = useBuild()
const device = useDevice()
const sentences = reactive<Record<string, string>>({})

/** Something that can't be read can't be told like the others either. */
function told(entry: Entry): string {
  try {
    return sayEntry(entry, device.lengths)
  } catch {
    return JSON.stringify(entry.body)?.slice(0, 160) ?? ''
  }
}
const kind = (entry: Entry) => sayKind(entry.kind)
async function takeOut(entry: Entry, why: string) {
  sentences[entry.id] = notKept(await build.add('void', { level: 'build' }, { reason: `could not be used: ${why}`.slice(0, 300) }, { supersedes: entry.id })) ?? ''
}
</script>

<template>
  <section v-if="build.leftOut.length" class="left-out" aria-label="Entries that can’t be used">
    <h2>{{ build.leftOut.length === 1 ? 'One entry can’t be used and counts for nothing' : `${build.leftOut.length} entries can’t be used and count for nothing` }}</h2>
    <ul>
      <li v-for="{ entry, sentence } in build.leftOut" :key="entry.id" :data-left-out="entry.id">
        <span class="num small">{{ sayTime(entry.at) }}</span> <span class="small">{{ entry.hand }}</span> <strong>{{ kind(entry) }}</strong> <span>{{ told(entry) }}</span>
        <p class="sentence">{{ sentence }}</p>
        <v-btn @click="firstPress($event) && takeOut(entry, sentence)">Strike out<span class="visually-hidden"> {{ kind(entry) }} {{ told(entry) }}</span></v-btn>
        <p v-if="sentences[entry.id]" class="sentence" role="alert">{{ sentences[entry.id] }}</p>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.left-out { border: 2px solid var(--stop); padding: 8px 12px; }
.left-out li { border-top: 1px solid var(--hair); padding: 6px 0; overflow-wrap: anywhere; }
</style>
