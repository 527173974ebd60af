<script setup lang="ts">
import { FOUR, answersOf, engineBody } from '~/forms/engine'
import { goOnInForm } from '~/composables/useStage'
import { notKept } from '~/composables/useStatement'
import { useBuild } from '~/stores/build'

/** What kind of engine a build is: asked where nobody said it (or it was struck out), and put right later. Nothing that was kept is lost by it. */
const emit = defineEmits<{ kept: [] }>()
const build = useBuild()
const standing = computed(() => build.replayed?.live.entries.filter(e => e.kind === 'layout').at(-1))
const answers = ref(standing.value?.kind === 'layout' ? answersOf(standing.value.body) : FOUR)
const faults = ref<Record<string, string>>({})
async function keep() {
  const made = engineBody(answers.value)
  if ('faults' in made) {
    faults.value = { ...made.faults }
    return
  }
  const said = notKept(await build.add('layout', { level: 'build' }, made.body, standing.value ? { supersedes: standing.value.id, at: standing.value.at } : {}))
  faults.value = said ? { cylinders: said } : {}
  if (!said) emit('kept')
}
</script>

<template>
  <form class="layout" @submit.prevent="keep" @keydown.enter="goOnInForm">
    <h2 v-if="!standing">What kind of engine is it?</h2>
    <EngineForm v-model="answers" :faults="faults" />
    <v-btn variant="flat" color="primary" type="submit" class="keep">{{ standing ? 'Keep what it is' : 'Keep' }}</v-btn>
  </form>
</template>

<style scoped>
.layout { display: grid; gap: 12px; padding: 12px 0; }
.keep { justify-self: start; }
</style>
