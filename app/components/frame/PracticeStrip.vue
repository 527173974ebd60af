<script setup lang="ts">
import { openingOf } from '~/composables/useOpening'
import { usePractice } from '~/composables/usePractice'
import { useBuild } from '~/stores/build'
import { PRACTICE_STEPS } from '~/words/practice'

/** The practice engine's next step, with the whole sheet of readings behind a press; it can be left at any step. */
const build = useBuild()
const { on, at, step, leave } = usePractice()
const to = computed(() => step.value && openingOf(build.view!.id, step.value.place, step.value.cylinder))
</script>

<template>
  <section v-if="on" class="practice" aria-label="Practice">
    <p role="status" class="says">
      <strong v-if="step" class="num">{{ at + 1 }} of {{ PRACTICE_STEPS.length }}</strong>
      <span v-if="step"><span data-step>{{ step.says }}</span> <span v-if="step.why" class="small quiet">{{ step.why }}</span></span>
      <span v-else data-step>That is the whole of it: every cylinder was poured, cut and poured again. Now begin a build of your own, in the Shop.</span>
    </p>
    <NuxtLink v-if="to" class="go" :to="to">Show me</NuxtLink>
    <NuxtLink v-else class="go" to="/">Shop</NuxtLink>
    <v-menu location="bottom end">
      <template #activator="{ props }"><v-btn v-bind="props" variant="text">Readings</v-btn></template>
      <ol class="sheet" aria-label="The sheet of readings"><li v-for="(one, i) in PRACTICE_STEPS" :key="i" :class="{ quiet: at < 0 || i < at }">{{ one.says }}</li></ol>
    </v-menu>
    <v-btn variant="text" @click="leave">Leave it</v-btn>
  </section>
</template>

<style scoped>
.practice { flex: none; display: flex; align-items: center; gap: 8px; min-height: 48px; padding: 4px 6px 4px 16px; background: var(--sheet-deep); border-bottom: 1px solid var(--ink); }
.says { flex: 1; display: flex; gap: 14px; align-items: baseline; line-height: 1.25; }
.says strong { color: var(--dye); white-space: nowrap; }
.go { white-space: nowrap; }
.sheet { list-style: decimal; background: var(--sheet); border: 1px solid var(--ink); padding: 10px 14px 10px 38px; max-height: 60vh; overflow: auto; }
</style>
