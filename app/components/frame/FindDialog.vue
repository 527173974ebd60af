<script setup lang="ts">
import { openingOf } from '~/composables/useOpening'
import { useBuild } from '~/stores/build'
import { useShop } from '~/stores/shop'
import { findable, matchOf } from '~/words/find'

const open = defineModel<boolean>({ required: true })
const build = useBuild()
const shop = useShop()
const sought = ref('')
/** As many as one looks through. */
const MOST = 12

interface Target { name: string, where: string, also: string, go: () => unknown }
const targets = computed((): Target[] => {
  const id = build.view?.id
  return [
    ...(id ? findable(build.replayed?.layout.engine, build.cylinders.length).map(({ place, ...words }) => ({ ...words, go: () => navigateTo(openingOf(id, place, build.cylinder)) })) : []),
    ...(id ? build.cylinders.map(c => ({ name: `Cylinder ${c}`, where: 'this build', also: '', go: () => build.cylinder = c })) : []),
    ...shop.builds.map(b => ({ name: b.name, where: b.reference, also: 'build job', go: () => navigateTo(`/builds/${b.id}/sheet`) })),
    { name: 'Shop', where: 'all builds', also: 'home, builds, take one in', go: () => navigateTo('/') },
    { name: 'Instruments', where: 'Shop', also: 'burette, syringe, check, calibration', go: () => navigateTo({ path: '/', query: { leaf: 'instruments' } }) },
    { name: 'Shop rules', where: 'Shop', also: 'minimum clearances, squish window', go: () => navigateTo({ path: '/', query: { leaf: 'rules' } }) }
  ]
})
const found = computed(() => targets.value.map(target => ({ target, fit: matchOf(target, sought.value) })).filter(({ fit }) => fit > 0).sort((a, b) => b.fit - a.fit).slice(0, MOST).map(({ target }) => target))
watch(open, (now) => {
  sought.value = ''
  if (now && shop.builds.length === 0) void shop.loadBuilds()
}, { immediate: true })

async function go(target: Target | undefined) {
  if (!target) return
  open.value = false
  await target.go()
}
</script>

<template>
  <v-dialog v-model="open">
    <div class="paper">
      <BenchText v-model="sought" label="Find a station, a figure, a cylinder or a build" first @keydown.enter="go(found[0])" />
      <ul class="places">
        <li v-for="target in found" :key="target.name + target.where">
          <v-btn variant="text" class="go" @click="go(target)">{{ target.name }}</v-btn> <span class="small quiet">{{ target.where }}</span>
        </li>
      </ul>
      <p v-if="found.length === 0" class="small">No match. Try a station, a figure, a cylinder or a build.</p>
    </div>
  </v-dialog>
</template>

<style scoped>
.places { margin-top: 10px; max-height: 50vh; overflow: auto; }
li { display: flex; gap: 10px; align-items: baseline; }
</style>
