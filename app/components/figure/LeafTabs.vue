<script setup lang="ts">
/** Leaves of one station. Arrow keys turn the leaf at once; Vuetify alone only moves the focus. */
defineProps<{ leaves: readonly { key: string, name: string }[], label: string }>()
const open = defineModel<string>({ required: true })
</script>

<template>
  <div class="leaves">
    <v-tabs v-model="open" :aria-label="label">
      <v-tab v-for="leaf in leaves" :key="leaf.key" :value="leaf.key" class="leaf" @focus="open = leaf.key">{{ leaf.name }}</v-tab>
    </v-tabs>
  </div>
</template>
