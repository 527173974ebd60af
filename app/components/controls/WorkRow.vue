<script setup lang="ts">
/** Work that takes a while: what is being done, that it goes on, and a way to stop it. */
defineProps<{ says: string }>()
defineEmits<{ stop: [] }>()
</script>

<template>
  <div role="status" class="work">
    <p class="small quiet">{{ says }}</p>
    <v-btn @click="$emit('stop')">Stop</v-btn>
    <v-progress-linear indeterminate :height="3" :aria-label="says" class="bar" />
  </div>
</template>

<style scoped>
.work { display: grid; grid-template-columns: 1fr auto; gap: 4px 12px; align-items: center; width: 100%; max-width: 420px; }
.bar { grid-column: 1 / -1; }
</style>
