<script setup lang="ts">
import { inOrder } from '#core'
import { useBuild } from '~/stores/build'
import { pairsOf } from '~/words/pairs'

const build = useBuild()
const only = ref<'all' | 'counts' | 'work'>('all')
const entries = computed(() => [...build.entries].sort(inOrder).reverse().filter((entry) => {
  if (only.value === 'counts') return (build.replayed?.live.standing.get(entry.id) ?? 'counts') === 'counts' && entry.kind !== 'void'
  if (only.value === 'work') return ['faceCut', 'deckCut', 'gasketChange', 'relief', 'seatWork', 'pour'].includes(entry.kind)
  return true
}))
const bringing = ref(false)
const card = ref(false)
const choices = { all: 'everything', counts: 'what counts', work: 'pours and work' } as const
</script>

<template>
  <div class="daybook" data-station>
    <h1 class="visually-hidden">Daybook</h1>
    <div class="bar">
      <BenchSelect id="only" v-model="only" class="only" label="Show" data-new :items="pairsOf(choices)" />
      <span class="grow" />
      <span class="small quiet">Take away</span>
      <a class="go" aria-label="The build as JSON" :href="`/api/builds/${build.view?.id}/file`">Build</a>
      <a v-for="(words, kind) in { pours: 'Pours', deck: 'Deck', solder: 'Solder' }" :key="kind" class="go" :href="`/api/builds/${build.view?.id}/readings/${kind}`">{{ words }}<span class="visually-hidden"> as CSV</span></a>
      <v-btn :aria-expanded="card" @click="card = !card">The build</v-btn>
      <v-btn @click="bringing = !bringing">Bring in readings</v-btn>
    </div>
    <BuildCard v-if="card" @done="card = false" />
    <ReadingsFile v-if="bringing" @done="bringing = false" />
    <div class="scroll" tabindex="0" role="region" aria-label="Entries and settlements">
      <LeftOutList />
      <SettlementList />
      <h2 class="entries-head">Entries, newest first</h2>
      <v-table>
        <thead><tr><th>When</th><th>Hand</th><th>Kind</th><th>For</th><th>What</th><th><span class="visually-hidden">Change</span></th></tr></thead>
        <tbody><EntryRow v-for="entry in entries" :key="entry.id" :entry="entry" /></tbody>
      </v-table>
    </div>
  </div>
</template>

<style scoped>
.daybook { padding: 10px 16px; display: flex; flex-direction: column; gap: 8px; min-height: 0; overflow: hidden; }
.bar { display: flex; gap: 16px; align-items: end; }
.bar .only { max-width: 172px; }
.grow { flex: 1; }
.bar .go, .bar .small { white-space: nowrap; }
.scroll { position: relative; flex: 1; min-height: 0; overflow: auto; }
.entries-head { margin-top: 14px; }
</style>
