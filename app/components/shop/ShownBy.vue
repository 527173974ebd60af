<script setup lang="ts">
import { firstPress } from '~/composables/firstPress'
import { useShown } from '~/composables/useShown'
import { useShop } from '~/stores/shop'

/** What of this shop's own builds showed it: a whole build, or one entry of it. */
const shown = defineModel<string[]>({ required: true })
const MOST = 20
const WHOLE = 'whole'
const shop = useShop()
const { read, readBuild, entriesOf, say } = useShown()
const build = ref<string>()
const entry = ref(WHOLE)
watch(shown, list => void read(list), { immediate: true })
watch(build, (id) => {
  entry.value = WHOLE
  if (id) void readBuild(id)
})
const adds = computed(() => build.value && (entry.value === WHOLE ? build.value : `${build.value}/${entry.value}`))
const leaveOut = (one: string) => shown.value = shown.value.filter(other => other !== one)
function add() {
  if (adds.value && !shown.value.includes(adds.value) && shown.value.length < MOST) shown.value = [...shown.value, adds.value]
  build.value = undefined
}
</script>

<template>
  <div class="shown">
    <span class="small quiet">Shown by</span>
    <ul v-if="shown.length">
      <li v-for="one in shown" :key="one"><span class="small">{{ say(one).words }}</span> <v-btn variant="text" class="small" @click="firstPress($event) && leaveOut(one)">leave out<span class="visually-hidden"> {{ say(one).words }}</span></v-btn></li>
    </ul>
    <div class="pick">
      <BenchSelect v-model="build" label="Build" :items="shop.builds.map(b => [b.id, b.name] as const)" />
      <BenchSelect v-if="build" v-model="entry" label="Entry that shows it" :items="[[WHOLE, 'the build as a whole'], ...entriesOf(build)]" />
      <v-btn v-if="build" :disabled="shown.length >= MOST" @click="add">Add it</v-btn>
    </div>
  </div>
</template>

<style scoped>
.shown { display: grid; gap: 6px; }
ul { list-style: none; margin: 0; padding: 0; display: grid; gap: 2px; }
li { display: flex; gap: 8px; align-items: baseline; }
li .v-btn { --v-btn-height: 28px; color: var(--dye); }
.pick { display: grid; grid-template-columns: 260px minmax(0, 1fr) auto; gap: 10px 14px; align-items: end; }
@media (max-width: 1000px) { .pick { grid-template-columns: minmax(0, 1fr); justify-items: start; } .pick > * { width: 100%; } .pick > .v-btn { width: auto; } li .v-btn { --v-btn-height: 44px; } }
</style>
