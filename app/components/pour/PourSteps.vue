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
        <label><input type="checkbox" :checked="ticked.has(i)" @change="tick(i)"> <span :class="{ quiet: ticked.has(i) }">{{ step }}</span></label>
      </li>
    </ul>
  </div>
</template>

<style scoped>
li { border-bottom: 1px solid var(--hair); }
label { display: grid; grid-template-columns: 24px 1fr; gap: 4px; padding: 6px 0; cursor: pointer; line-height: 1.3; }
input { width: 18px; height: 18px; margin-top: 1px; accent-color: var(--dye); }
@media (max-width: 1000px) { label { min-height: 44px; } }
</style>
