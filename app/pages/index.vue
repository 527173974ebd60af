<script setup lang="ts">
import { sayDay } from '~/words/entries'
import { useShop } from '~/stores/shop'

const shop = useShop()
const leaf = ref('builds')
const route = useRoute()
const leaves = [{ key: 'builds', name: 'Builds' }, { key: 'today', name: 'Today' }, { key: 'castings', name: 'Castings' }, { key: 'schools', name: 'Schools' }, { key: 'reading', name: 'Reading' }, { key: 'instruments', name: 'Instruments' }, { key: 'rules', name: 'Shop rules' }]
watch(() => route.query.leaf, (asked) => {
  if (leaves.some(l => l.key === asked)) leaf.value = asked as string
}, { immediate: true })
/** A burette is filled with known water again after half a year, days. */
const CHECK_EVERY = 182
const due = computed(() => shop.instruments.filter(({ checked }) => !checked || Date.now() - Date.parse(checked.at) > CHECK_EVERY * 86_400_000))
onMounted(() => {
  void shop.loadBuilds()
  void shop.loadInstruments()
})
let late: ReturnType<typeof setTimeout> | undefined
const stop = shop.onNews(() => {
  clearTimeout(late)
  late = setTimeout(() => void shop.loadBuilds(), 150)
})
onBeforeUnmount(() => {
  stop()
  clearTimeout(late)
})
useHead({ title: 'Shop · Precise Bowl' })
</script>

<template>
  <main class="shop">
    <h1 class="visually-hidden">{{ shop.name }}</h1>
    <div class="main">
      <LeafTabs v-model="leaf" :leaves="leaves" label="Shop" class="tabs" />
      <div role="tabpanel" :aria-label="leaves.find(l => l.key === leaf)?.name">
        <InstrumentList v-if="leaf === 'instruments'" /><ShopRules v-else-if="leaf === 'rules'" /><TodayList v-else-if="leaf === 'today'" /><CastingList v-else-if="leaf === 'castings'" /><SchoolBook v-else-if="leaf === 'schools'" /><ReadTrainer v-else-if="leaf === 'reading'" /><BuildList v-else />
      </div>
    </div>
    <div class="side">
      <v-btn variant="flat" color="primary" class="take" to="/new">New build</v-btn>
      <BringInBuild />
      <section v-if="due.length" class="due">
        <h2>Checks due</h2>
        <ul><li v-for="i in due" :key="i.id"><v-btn variant="text" class="go" @click="leaf = 'instruments'">{{ i.name }}</v-btn><span class="small quiet">{{ i.checked ? `last ${sayDay(i.checked.at)}` : 'never checked' }}</span></li></ul>
      </section>
    </div>
  </main>
</template>

<style scoped>
.shop { flex: 1; min-height: 0; overflow: auto; padding: 12px 20px; display: grid; grid-template-columns: minmax(0, 1fr) 264px; gap: 24px 28px; align-content: start; }
.main { min-width: 0; }
.tabs { margin-bottom: 12px; }
.take { --v-btn-height: 56px; width: 100%; font-size: var(--s18); }
.due { margin-top: 24px; }
.due li { display: flex; justify-content: space-between; align-items: baseline; flex-wrap: wrap; gap: 0 8px; border-bottom: 1px solid var(--hair); }
@media (max-width: 1000px) { .shop { grid-template-columns: minmax(0, 1fr); } }
</style>
