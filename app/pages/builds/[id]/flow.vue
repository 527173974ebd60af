<script setup lang="ts">
import { useBuild } from '~/stores/build'
import { useChoices } from '~/stores/choices'

const build = useBuild()
const choices = useChoices()
const leaf = choices.leafOf('flow')
const leaves = computed(() => choices.leavesOf('flow'))
</script>

<template>
  <div class="flow" data-station>
    <h1 class="visually-hidden">Flow</h1>
    <LeafTabs v-model="leaf" :leaves="leaves" label="Flow" />
    <div v-if="!build.replayed" class="room"><p class="quiet"><GoTo :at="{ station: 'sheet' }">Say on the Sheet how many cylinders the engine has</GoTo></p></div>
    <div v-else class="room" role="tabpanel" :aria-label="leaves.find(l => l.key === leaf)?.name">
      <CurveLeaf v-if="leaf === 'curves'" @enter="leaf = 'run'" />
      <CompareLeaf v-else-if="leaf === 'compare'" @enter="leaf = 'run'" />
      <RunLeaf v-else @kept="leaf = 'curves'" />
    </div>
  </div>
</template>

<style scoped>
.flow { display: flex; flex-direction: column; min-height: 0; padding: 6px 16px 0; overflow: hidden; }
.room { position: relative; flex: 1; min-height: 0; overflow: auto; padding: 10px 0; }
</style>
