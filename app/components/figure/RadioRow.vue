<script setup lang="ts" generic="Key extends string">
/** One choice out of a few, all of them in sight: radio buttons as one strip. */
const props = defineProps<{ choices: readonly (readonly [key: Key, words: string])[], label: string }>()
const chosen = defineModel<Key>({ required: true })
</script>

<template>
  <v-radio-group v-model="chosen" class="radio-row" :aria-label="props.label" hide-details>
    <v-radio v-for="[key, words] in choices" :key="key" :value="key" :label="words" :class="{ on: chosen === key }" />
  </v-radio-group>
</template>

<style scoped>
.radio-row { border: 1px solid var(--ink); }
.radio-row :deep(.v-selection-control-group) { gap: 0; flex-wrap: nowrap; width: 100%; }
.radio-row :deep(.v-radio) { flex: 1 1 auto; position: relative; justify-content: center; min-height: 34px; border-right: 1px solid var(--ink); }
.radio-row :deep(.v-radio:last-child) { border-right: 0; }
.radio-row :deep(.on) { background: var(--fill); color: var(--on-fill); font-weight: 700; }
/* The whole plate is the button: its ring is the plate's own colour. */
.radio-row :deep(.v-selection-control__wrapper) { position: absolute; inset: 0; width: 100%; height: 100%; margin: 0; }
.radio-row :deep(.v-selection-control__input) { width: 100%; height: 100%; }
.radio-row :deep(.v-selection-control__input .v-icon) { display: none; }
.radio-row :deep(.v-label) { padding: 0 6px; justify-content: center; white-space: nowrap; color: inherit; opacity: 1; }
@media (max-width: 1000px) { .radio-row :deep(.v-selection-control-group) { flex-wrap: wrap; } .radio-row :deep(.v-radio) { min-height: 44px; flex-basis: 40%; border-bottom: 1px solid var(--hair); } }
</style>
