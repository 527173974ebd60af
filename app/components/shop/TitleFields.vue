<script setup lang="ts">
import { BuildRequest } from '#shared/dto'
import { useRules } from '~/composables/useRules'

/** What a build is called, and its job reference: begun with, or changed later. */
const name = defineModel<string>('name', { required: true })
const reference = defineModel<string>('reference', { required: true })
defineProps<{ faults: Record<string, string>, first?: boolean }>()
const rules = useRules(BuildRequest)
const fields = [{ key: 'name', label: 'Name', model: name }, { key: 'reference', label: 'Job reference, if any', model: reference }]
</script>

<template>
  <div v-for="{ key, label, model } in fields" :key="key">
    <BenchText v-model="model.value" :first="first && key === 'name'" :label="label" :fault="faults[key]" :rules="rules(key)" />
  </div>
</template>
