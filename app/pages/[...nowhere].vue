<script setup lang="ts">
/** An address that leads nowhere: a slip in it, or a link of another time. */
useHead({ title: 'Precise Bowl' })
</script>

<template>
  <main class="nowhere">
    <h1>There is nothing at this address.</h1>
    <p>Builds, instruments and the shop’s own figures are all reached from the shop.</p>
    <NuxtLink to="/" class="go">Shop</NuxtLink>
  </main>
</template>

<style scoped>
.nowhere { padding: 32px; display: grid; gap: 12px; justify-items: start; align-content: start; font-size: var(--s18); }
h1 { font-size: var(--s22); }
</style>
