<script setup lang="ts">
import { useNow } from '@vueuse/core'
import { JOB_WAITS, hoursOf } from '#core'
import { openingOf } from '~/composables/useOpening'
import { useShop } from '~/stores/shop'
import { sayTime } from '~/words/entries'
import { WAIT_FOR_WORDS, sayHours, sayRunning, sayStep } from '~/words/jobs'

/** What waits for what today: clocks that run, what nobody here can hurry, and the next step of every job. */
const shop = useShop()
const now = useNow({ interval: 15_000 })
const at = { station: 'daybook', leaf: 'card' } as const
const jobs = computed(() => shop.builds.flatMap(b => b.reckoned?.job && b.reckoned.away === undefined ? [{ id: b.id, name: b.name, job: b.reckoned.job, moulds: b.reckoned.moulds ?? [] }] : []))
/** Those of builds that were put away as well: a clock that nobody stopped runs there too. */
const running = computed(() => shop.builds.flatMap(({ id, name, reckoned }) => (reckoned?.job?.running ?? []).map(r => ({ id, name, ...r, hours: hoursOf({ from: Date.parse(r.since), less: 0 }, now.value.getTime()) }))))
/** A hand has one clock: where two run, one was begun on a device that did not know of the other. */
const twice = computed(() => [...new Set(running.value.map(r => r.hand))].filter(hand => running.value.filter(r => r.hand === hand).length > 1))
const days = (since: string) => Math.floor((now.value.getTime() - Date.parse(since)) / 86_400_000)
const waits = computed(() => JOB_WAITS.map(on => ({
  on,
  list: [
    ...jobs.value.flatMap(({ id, name, job }) => job.waits.filter(w => w.on === on).map(w => ({ id, name, words: `${sayStep(w.step)}${w.words ? `: ${w.words}` : ''}`, when: days(w.since) < 1 ? 'since today' : `for ${days(w.since)} ${days(w.since) === 1 ? 'day' : 'days'}` }))),
    ...on === 'cure' ? shop.builds.flatMap(b => (b.reckoned?.moulds ?? []).map(due => ({ id: b.id, name: b.name, words: 'Mould in a port', when: now.value.getTime() >= due ? 'has cured' : `until ${sayTime(new Date(due).toISOString())}` }))) : []
  ]
})).filter(({ list }) => list.length > 0))
const next = computed(() => jobs.value.filter(({ job }) => job.next))
</script>

<template>
  <section class="today">
    <p class="line" role="status">{{ running.length === 0 ? 'No clock runs.' : `${running.length} ${running.length === 1 ? 'clock runs' : 'clocks run'}.` }}</p>
    <p v-for="hand in twice" :key="hand" class="sentence">The clock of {{ hand }} runs at two builds. Stop one of them on its job card.</p>
    <v-table v-if="running.length">
      <caption class="label">At work</caption>
      <thead class="visually-hidden"><tr><th>Hand</th><th>Build</th><th>Step</th><th>Since</th></tr></thead>
      <tbody><tr v-for="r in running" :key="`${r.id}${r.hand}`"><td><strong>{{ r.hand }}</strong></td><td><NuxtLink class="go" :to="openingOf(r.id, at)">{{ r.name }}</NuxtLink></td><td>{{ sayStep(r.step) }}</td><td class="r num">{{ sayRunning(r.hours) }}</td></tr></tbody>
    </v-table>
    <v-table v-for="group in waits" :key="group.on">
      <caption class="label">Waits for {{ WAIT_FOR_WORDS[group.on] }}</caption>
      <thead class="visually-hidden"><tr><th>Build</th><th>What</th><th>How long</th></tr></thead>
      <tbody><tr v-for="(w, i) in group.list" :key="i"><td><NuxtLink class="go" :to="openingOf(w.id, at)">{{ w.name }}</NuxtLink></td><td>{{ w.words }}</td><td class="r">{{ w.when }}</td></tr></tbody>
    </v-table>
    <v-table v-if="next.length">
      <caption class="label">Next on each job card</caption>
      <thead class="visually-hidden"><tr><th>Build</th><th>Step</th><th>Hours worked of those planned</th></tr></thead>
      <tbody><tr v-for="{ id, name, job } in next" :key="id"><td><NuxtLink class="go" :to="openingOf(id, at)">{{ name }}</NuxtLink></td><td>{{ sayStep(job.next!) }}</td><td class="r" :class="{ warn: job.worked > job.planned }"><span class="num">{{ job.worked.toFixed(1) }}</span> of {{ sayHours(job.planned) }}</td></tr></tbody>
    </v-table>
    <p v-if="jobs.length === 0" class="quiet">No build has a job card yet. Begin one in a build’s Daybook.</p>
  </section>
</template>

<style scoped>
.today { display: grid; gap: 16px; }
.line { font-size: var(--s22); font-weight: 700; line-height: 1.25; }
caption { text-align: left; }
td:first-child { width: 200px; }
</style>
