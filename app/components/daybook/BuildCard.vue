<script setup lang="ts">
import { ofKind, scopeName, type Bodies, type EntryKind, type Scope } from '#core'
import { useBuild } from '~/stores/build'

/** What the build is: its name, its castings, what the target was chosen for, and whether it is off the bench. Each an entry. */
const emit = defineEmits<{ done: [] }>()
const build = useBuild()
const whole: Scope = { level: 'build' }
const heads = computed(() => (build.replayed?.layout.heads ?? []).map((_, i): Scope => ({ level: 'head', head: i + 1 })))
function last<K extends EntryKind>(kind: K, scope: Scope): Bodies[K] | undefined {
  return ofKind(build.replayed?.live.entries ?? build.entries, kind).filter(e => scopeName(e.scope) === scopeName(scope)).at(-1)?.body as Bodies[K] | undefined
}
const away = computed(() => last('putAway', whole)?.away ?? false)
</script>

<template>
  <section class="card" aria-label="The build">
    <RenameBuild @done="emit('done')" />
    <p><NuxtLink class="go" :to="{ path: '/new', query: { like: build.view?.id } }">A new build of the same engine</NuxtLink></p>
    <BenchFold title="What kind of engine it is"><LayoutForm /></BenchFold>
    <div v-for="head in heads" :key="scopeName(head)" class="part">
      <h3>Casting of {{ scopeName(head) }}</h3>
      <KindForm kind="casting" :scope="head" :now="last('casting', head)" keep-label="Keep the casting" />
    </div>
    <div class="part">
      <h3>What the target was chosen for</h3>
      <KindForm kind="reasons" :scope="whole" :now="last('reasons', whole)" keep-label="Keep the reasons" />
    </div>
    <div class="part">
      <h3>{{ away ? 'It is put away' : 'On the bench' }}</h3>
      <KindForm kind="putAway" :scope="whole" :now="last('putAway', whole)" :keep-label="away ? 'Change' : 'Put away'" />
    </div>
  </section>
</template>

<style scoped>
.card { display: grid; gap: 10px; border-bottom: 1px solid var(--ink); padding-bottom: 12px; max-height: 60%; overflow: auto; }
.part { display: grid; gap: 4px; }
</style>
