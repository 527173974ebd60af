<script setup lang="ts">
definePageMeta({ redirect: to => `/builds/${String(to.params.id)}/sheet` })
</script>

<template>
  <div />
</template>
