<script setup lang="ts">
useHead({ title: 'New build · Precise Bowl' })
</script>

<template>
  <main class="page">
    <div class="top"><h1>New build</h1><NuxtLink to="/" class="go">Shop</NuxtLink></div>
    <NewBuild />
  </main>
</template>

<style scoped>
.page { flex: 1; min-height: 0; overflow: auto; padding: 16px 24px; display: grid; gap: 12px; align-content: start; }
.top { display: flex; justify-content: space-between; align-items: baseline; }
h1 { font-size: var(--s22); }
</style>
