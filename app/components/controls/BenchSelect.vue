<script setup lang="ts" generic="Value extends string | number | boolean">
/** One choice out of a list. Vuetify's list, with its label over the well; `short` is what stands in the well where the list says more. */
const props = defineProps<{ label: string, items: readonly (readonly [value: Value, words: string, short?: string])[], hideLabel?: boolean, id?: string }>()
const chosen = defineModel<Value | undefined>({ required: true })
const choices = computed(() => props.items.map(([value, title, short]) => ({ value, title, short: short ?? title })))
</script>

<template>
  <v-select
    :id="id" v-model="chosen" class="bench-select" :class="{ 'hide-label': hideLabel }" :items="choices" :label="hideLabel ? undefined : label" :aria-label="hideLabel ? label : undefined"
    :aria-labelledby="hideLabel ? '' : undefined" :list-props="{ ariaLabel: label } as never" hide-details
  >
    <template #loader />
    <template #selection="{ item }"><span class="v-select__selection-text">{{ choices.find(c => c.value === item.value)?.short }}</span></template>
  </v-select>
</template>
