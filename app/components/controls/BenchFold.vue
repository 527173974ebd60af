<script setup lang="ts">
import type { Quantity } from '#core'
import { fieldAsked } from '~/composables/useOpening'

/** What is wanted now and then, folded under a line that says what it is. `holds`: fields in it, so that a link to one of them opens it. */
const props = defineProps<{ title: string, open?: boolean, holds?: readonly Quantity[] }>()
const shown = ref(props.open ? [0] : [])
watch(fieldAsked, (field) => {
  if (props.holds?.includes(field as Quantity)) shown.value = [0]
}, { immediate: true })
</script>

<template>
  <v-expansion-panels v-model="shown" multiple class="fold">
    <v-expansion-panel>
      <v-expansion-panel-title>{{ title }}</v-expansion-panel-title>
      <v-expansion-panel-text><slot /></v-expansion-panel-text>
    </v-expansion-panel>
  </v-expansion-panels>
</template>
