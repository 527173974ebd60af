<script setup lang="ts">
import { inOrder, kindRule, type Entry } from '#core'
import { useBuild } from '~/stores/build'
import { useChoices } from '~/stores/choices'
import { sayDay } from '~/words/entries'
import { pairsOf } from '~/words/pairs'

const build = useBuild()
const only = ref<'all' | 'counts' | 'work'>('all')
const entries = computed(() => [...build.entries].sort(inOrder).reverse().filter((entry) => {
  if (only.value === 'counts') return (build.replayed?.live.standing.get(entry.id) ?? 'counts') === 'counts' && entry.kind !== 'void'
  if (only.value === 'work') return entry.kind === 'pour' || kindRule(entry.kind).role === 'operation'
  return true
}))
/** By the day they happened on, the newest first. */
const days = computed(() => {
  const list = new Map<string, Entry[]>()
  for (const entry of entries.value) list.set(sayDay(entry.at), [...list.get(sayDay(entry.at)) ?? [], entry])
  return [...list]
})
const chosen = useChoices()
const leaf = chosen.leafOf('daybook')
const leaves = computed(() => chosen.leavesOf('daybook'))
const bringing = ref(false)
const card = ref(false)
const choices = { all: 'everything', counts: 'what counts', work: 'pours and work' } as const
</script>

<template>
  <div class="daybook" data-station>
    <h1 class="visually-hidden">Daybook</h1>
    <div class="bar">
      <BenchSelect v-if="leaf === 'entries'" id="only" v-model="only" class="only" label="Show" data-new :items="pairsOf(choices)" />
      <span class="grow" />
      <span class="small quiet">Export</span>
      <a class="go" aria-label="The build as JSON" :href="`/api/builds/${build.view?.id}/file`">Build</a>
      <a v-for="(words, kind) in { pours: 'Pours', deck: 'Deck', solder: 'Solder' }" :key="kind" class="go" :href="`/api/builds/${build.view?.id}/readings/${kind}`">{{ words }}<span class="visually-hidden"> as CSV</span></a>
      <v-btn :aria-expanded="card" @click="card = !card">The build</v-btn>
      <v-btn @click="bringing = !bringing">Bring in readings</v-btn>
    </div>
    <BuildCard v-if="card" @done="card = false" />
    <ReadingsFile v-if="bringing" @done="bringing = false" />
    <LeafTabs v-model="leaf" :leaves="leaves" label="Daybook" />
    <div class="scroll" tabindex="0" role="region" :aria-label="leaves.find(l => l.key === leaf)?.name">
      <SettlementList v-if="leaf === 'settled'" />
      <JobCardLeaf v-else-if="leaf === 'card'" />
      <AfterwardsLeaf v-else-if="leaf === 'after'" />
      <template v-else>
        <LeftOutList />
        <v-table class="book">
          <thead class="visually-hidden"><tr><th>When</th><th>Hand</th><th>Kind</th><th>For</th><th>What</th><th>Change</th></tr></thead>
          <tbody v-for="[day, list] in days" :key="day">
            <tr class="day"><th colspan="6" scope="rowgroup">{{ day }}</th></tr>
            <EntryRow v-for="entry in list" :key="entry.id" :entry="entry" />
          </tbody>
        </v-table>
      </template>
    </div>
  </div>
</template>

<style scoped>
.daybook { padding: 10px 16px; display: flex; flex-direction: column; gap: 8px; min-height: 0; overflow: hidden; }
.bar { display: flex; gap: 16px; align-items: end; }
@media (max-width: 1000px) { .bar > .small { min-height: 44px; display: flex; align-items: center; } .bar .go { display: flex; align-items: center; } }
.bar .only { max-width: 172px; }
.grow { flex: 1; }
.bar .go, .bar .small { white-space: nowrap; }
.book.v-table :deep(.v-table__wrapper) { overflow: visible; }
/* The day stays in sight while its entries go by. */
.day th { position: sticky; top: 0; z-index: 1; background: var(--sheet); font-weight: 700; }
.scroll { position: relative; flex: 1; min-height: 0; overflow: auto; }
</style>
