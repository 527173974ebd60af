<script setup lang="ts">
import type { FieldRules } from '~/composables/useRules'

/** A line of words, or a number that is no figure of the build: Vuetify's text field, with its label over the well and what is wrong under it. */
const props = defineProps<{ label: string, fault?: string, hideLabel?: boolean, rules?: FieldRules, first?: boolean }>()
const text = defineModel<string | number | undefined>({ required: true })
// A field that nothing was ever typed into is not scolded for being left.
const typed = ref(false)
// Once, as it comes: Vuetify's own way asks for the focus again when the field is seen, and takes it from a quick hand.
const field = useTemplateRef<{ focus: () => void }>('field')
onMounted(() => props.first && field.value?.focus())
</script>

<template>
  <v-text-field
    ref="field" v-model="text" class="bench-text" :class="{ 'hide-label': hideLabel }" :label="hideLabel ? undefined : label" :aria-label="hideLabel ? label : undefined" :error-messages="fault ? [fault] : []"
    :rules="typed ? rules : []" validate-on="blur" :aria-invalid="fault !== undefined && fault !== ''" @input="typed = true"
  >
    <template #loader />
  </v-text-field>
</template>
