<script setup lang="ts">
import { notKept } from '~/composables/useStatement'
import { useBuild } from '~/stores/build'
import { LAYOUTS, layoutBody, type LayoutName } from '~/words/layouts'

/** For a build whose layout is not stated (or was taken out). */
const build = useBuild()
const cylinders = ref(4)
const layout = ref<LayoutName>('oneHead')
const sentence = ref('')
async function keep() {
  sentence.value = notKept(await build.add('layout', { level: 'build' }, layoutBody(cylinders.value, layout.value))) ?? ''
}
</script>

<template>
  <form class="layout" @submit.prevent="keep">
    <h2>How is the engine laid out?</h2>
    <label class="label" for="n">Cylinders</label>
    <div class="well"><input id="n" v-model.number="cylinders" type="number" min="1" max="16" required data-new></div>
    <label class="label" for="heads">Heads</label>
    <div class="well"><select id="heads" v-model="layout"><option v-for="(words, name) in LAYOUTS" :key="name" :value="name">{{ words }}</option></select></div>
    <button class="key main" type="submit">Keep</button>
    <p v-if="sentence" class="sentence">{{ sentence }}</p>
  </form>
</template>

<style scoped>
.layout { display: grid; gap: 8px; max-width: 320px; padding: 24px 0; }
</style>
