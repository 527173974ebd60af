<script setup lang="ts">
import type { Enclosed } from '#core'
import { useBuild } from '~/stores/build'
import { useDrafts } from '~/stores/drafts'
import { ENCLOSED_WORDS } from '~/words/pours'

/** The way to do it, to be ticked off. Ticks live on this device until the next cylinder is begun. */
const props = defineProps<{ what: Enclosed }>()
const build = useBuild()
const drafts = useDrafts()
const key = computed(() => `${build.view?.id}/steps/${props.what}/${build.cylinder}`)
const ticked = computed(() => new Set(JSON.parse(drafts.get(key.value) ?? '[]') as number[]))
function tick(i: number) {
  const next = new Set(ticked.value)
  if (!next.delete(i)) next.add(i)
  drafts.set(key.value, next.size > 0 ? JSON.stringify([...next]) : '')
}
const words = computed(() => ENCLOSED_WORDS[props.what])
</script>

<template>
  <div class="steps">
    <p class="small quiet">{{ ticked.size }} of {{ words.steps.length }} done</p>
    <ul>
      <li v-for="(step, i) in words.steps" :key="step">
        <BenchCheck :model-value="ticked.has(i)" @update:model-value="tick(i)"><span :class="{ quiet: ticked.has(i) }">{{ step }}</span></BenchCheck>
      </li>
    </ul>
  </div>
</template>

<style scoped>
li { border-bottom: 1px solid var(--hair); }
</style>
