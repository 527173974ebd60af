<script setup lang="ts">
/** What a build is called, and its job reference: begun with, or changed later. */
const name = defineModel<string>('name', { required: true })
const reference = defineModel<string>('reference', { required: true })
defineProps<{ faults: Record<string, string> }>()
const id = useId()
const fields = [{ key: 'name', label: 'Name', model: name }, { key: 'reference', label: 'Job reference', model: reference }]
</script>

<template>
  <div v-for="{ key, label, model } in fields" :key="key">
    <label class="label" :for="`${id}${key}`">{{ label }}</label>
    <div class="well"><input :id="`${id}${key}`" v-model="model.value" autocomplete="off" :aria-invalid="!!faults[key]" :aria-describedby="`${id}${key}-say`"></div>
    <p v-if="faults[key]" :id="`${id}${key}-say`" class="sentence">{{ faults[key] }}</p>
  </div>
</template>
