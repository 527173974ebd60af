<script setup lang="ts">
/** A box to tick. */
defineProps<{ label?: string }>()
const ticked = defineModel<boolean>({ required: true })
</script>

<template>
  <v-checkbox v-model="ticked" class="bench-check" :label="label" hide-details>
    <template v-if="$slots.default" #label><span><slot /></span></template>
  </v-checkbox>
</template>
