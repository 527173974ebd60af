<script setup lang="ts">
import { useBuild } from '~/stores/build'
import { useShop } from '~/stores/shop'

const open = defineModel<boolean>({ required: true })
const build = useBuild()
const shop = useShop()
const sought = ref('')

const places = computed(() => {
  const id = build.view?.id
  const stations = id ? ['Sheet', 'Pour', 'Cut', 'Daybook'].map(name => ({ name, to: `/builds/${id}/${name.toLowerCase()}`, cylinder: undefined as number | undefined })) : []
  const cylinders = id ? build.cylinders.map(c => ({ name: `Cylinder ${c}`, to: '', cylinder: c })) : []
  const builds = shop.builds.map(b => ({ name: `${b.name}, ${b.reference}`, to: `/builds/${b.id}/sheet`, cylinder: undefined as number | undefined }))
  return [...stations, ...cylinders, ...builds, { name: 'Shop', to: '/', cylinder: undefined }]
    .filter(place => place.name.toLowerCase().includes(sought.value.trim().toLowerCase()))
})
watch(open, (now) => {
  sought.value = ''
  if (now && shop.builds.length === 0) void shop.loadBuilds()
})

async function go(place: (typeof places.value)[number] | undefined) {
  if (!place) return
  open.value = false
  if (place.cylinder) build.cylinder = place.cylinder
  else await navigateTo(place.to)
}
</script>

<template>
  <v-dialog v-model="open">
    <div class="paper">
      <BenchText v-model="sought" label="Find a station, a cylinder or a build" autofocus @keydown.enter="go(places[0])" />
      <ul class="places">
        <li v-for="place in places" :key="place.name + place.to">
          <v-btn variant="text" class="go" @click="go(place)">{{ place.name }}</v-btn>
        </li>
      </ul>
      <p v-if="places.length === 0" class="small">No match. Try a station, a figure, a cylinder or a build.</p>
    </div>
  </v-dialog>
</template>

<style scoped>
.places { margin-top: 10px; max-height: 50vh; overflow: auto; }
</style>
