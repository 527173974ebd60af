<script setup lang="ts">
import { notKept } from '~/composables/useStatement'
import { useBuild } from '~/stores/build'
import { LAYOUTS, layoutBody, type LayoutName } from '~/words/layouts'
import { pairsOf } from '~/words/pairs'

/** For a build whose layout is not stated (or was taken out). */
const build = useBuild()
const cylinders = ref<string | number>(4)
const layout = ref<LayoutName>('oneHead')
const sentence = ref('')
async function keep() {
  const count = Number(cylinders.value)
  sentence.value = Number.isInteger(count) && count >= 1 && count <= 16
    ? notKept(await build.add('layout', { level: 'build' }, layoutBody(count, layout.value))) ?? ''
    : 'A whole number from 1 to 16.'
}
</script>

<template>
  <form class="layout" @submit.prevent="keep">
    <h2>How is the engine laid out?</h2>
    <BenchText v-model="cylinders" label="Cylinders" inputmode="numeric" data-new />
    <BenchSelect v-model="layout" label="Heads" :items="pairsOf(LAYOUTS)" />
    <v-btn variant="flat" color="primary" type="submit">Keep</v-btn>
    <p v-if="sentence" class="sentence">{{ sentence }}</p>
  </form>
</template>

<style scoped>
.layout { display: grid; gap: 8px; max-width: 320px; padding: 24px 0; }
</style>
