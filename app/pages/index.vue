<script setup lang="ts">
import { useShop } from '~/stores/shop'

const shop = useShop()
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
    <BuildList class="builds" />
    <div class="side">
      <NewBuild />
      <BringInBuild />
    </div>
    <InstrumentList class="instruments" />
    <ShopRules class="instruments" />
  </main>
</template>

<style scoped>
.shop { flex: 1; min-height: 0; overflow: auto; padding: 16px 20px; display: grid; grid-template: auto auto / minmax(0, 1fr) 320px; gap: 24px 32px; align-content: start; }
.instruments { grid-column: 1 / 3; }
@media (max-width: 1000px) { .shop { grid-template-columns: minmax(0, 1fr); } .instruments { grid-column: 1; } }
</style>
