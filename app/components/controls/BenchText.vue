<script setup lang="ts">
import type { FieldRules } from '~/composables/useRules'

/** A line of words, or a number that is no figure of the build: Vuetify's text field, with its label over the well and what is wrong under it. */
defineProps<{ label: string, fault?: string, hideLabel?: boolean, rules?: FieldRules }>()
const text = defineModel<string | number | undefined>({ required: true })
// A field that nothing was ever typed into is not scolded for being left.
const typed = ref(false)
</script>

<template>
  <v-text-field
    v-model="text" class="bench-text" :class="{ 'hide-label': hideLabel }" :label="hideLabel ? undefined : label" :aria-label="hideLabel ? label : undefined" :error-messages="fault ? [fault] : []"
    :rules="typed ? rules : []" validate-on="blur" :aria-invalid="fault !== undefined && fault !== ''" @input="typed = true"
  >
    <template #loader />
  </v-text-field>
</template>
