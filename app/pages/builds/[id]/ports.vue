<script setup lang="ts">
import { usePorts } from '~/composables/usePorts'
import { useBuild } from '~/stores/build'
import { useChoices } from '~/stores/choices'

const build = useBuild()
const choices = useChoices()
const leaf = choices.leafOf('ports')
const leaves = computed(() => choices.leavesOf('ports'))
const { side, many, n, nth } = usePorts()
/** Both sides stand beside each other there. */
const both = computed(() => leaf.value === 'volumes' || leaf.value === 'moulds')
</script>

<template>
  <div class="ports" data-station>
    <h1 class="visually-hidden">Ports</h1>
    <div class="top">
      <LeafTabs v-model="leaf" :leaves="leaves" label="Ports" />
      <div v-if="!both" class="sides" role="group" aria-label="Which ports">
        <v-btn v-for="valve in (['intake', 'exhaust'] as const)" :key="valve" :variant="side === valve ? 'flat' : 'outlined'" :color="side === valve ? 'primary' : undefined" :aria-pressed="side === valve" @click="side = valve">{{ valve === 'intake' ? 'Intake' : 'Exhaust' }}</v-btn>
        <BenchSelect v-if="many > 1 && leaf !== 'throats'" class="nth" hide-label label="Which of them" :model-value="String(n)" :items="Array.from({ length: many }, (_, i) => [String(i + 1), `no. ${i + 1}`] as const)" @update:model-value="nth = $event!" />
      </div>
    </div>
    <div v-if="!build.replayed" class="room"><p class="quiet"><GoTo :at="{ station: 'sheet' }">Say on the Sheet how many cylinders the engine has</GoTo></p></div>
    <div v-else class="room" role="tabpanel" :aria-label="leaves.find(l => l.key === leaf)?.name">
      <ThroatLeaf v-if="leaf === 'throats'" />
      <PortTable v-else-if="leaf === 'volumes'" />
      <PlaceLeaf v-else-if="leaf === 'places'" />
      <SectionLeaf v-else-if="leaf === 'sections'" />
      <MouldLeaf v-else-if="leaf === 'moulds'" />
      <FlangeLeaf v-else-if="leaf === 'flange'" />
      <SeatLeaf v-else />
      <SchoolLink station="ports" :leaf="leaf" class="schools" />
    </div>
  </div>
</template>

<style scoped>
.ports { display: flex; flex-direction: column; min-height: 0; padding: 6px 16px 0; overflow: hidden; }
.top { display: flex; justify-content: space-between; align-items: center; gap: 12px; flex-wrap: wrap; }
.sides { display: flex; gap: 6px; align-items: center; }
.nth { width: 96px; }
/* What the shop goes by stands below whatever is worked on. */
.schools { margin-top: 14px; border-top: 1px solid var(--hair); padding-top: 8px; }
.room { position: relative; flex: 1; min-height: 0; overflow: auto; padding: 10px 0; }
</style>
