<script setup lang="ts">
/** What is wanted now and then, folded under a line that says what it is. */
const props = defineProps<{ title: string, open?: boolean }>()
const shown = ref(props.open ? [0] : [])
</script>

<template>
  <v-expansion-panels v-model="shown" multiple class="fold">
    <v-expansion-panel>
      <v-expansion-panel-title>{{ title }}</v-expansion-panel-title>
      <v-expansion-panel-text><slot /></v-expansion-panel-text>
    </v-expansion-panel>
  </v-expansion-panels>
</template>
