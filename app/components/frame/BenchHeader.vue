<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { mdiRedo, mdiUndo } from '@mdi/js'
import { isTyping } from '~/composables/useStage'
import { useUndo } from '~/composables/useUndo'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { useGauge } from '~/stores/gauge'
import { useOutbox } from '~/stores/outbox'
import { useShop } from '~/stores/shop'

/** How long it is told what was undone, ms. */
const TOLD = 6000
const undo = useUndo()
watch(undo.said, (said) => {
  if (said) setTimeout(() => undo.said.value = '', TOLD)
})
// A field with something typed in it undoes its own typing; one that shows what stands there does not.
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (!(event.ctrlKey || event.metaKey) || event.altKey || !['z', 'y'].includes(event.key.toLowerCase()) || !inBuild.value) return
  if (isTyping(event.target) && !(event.target as HTMLElement).matches('[data-figure]:not([data-typed])')) return
  event.preventDefault()
  void (event.key.toLowerCase() === 'y' || event.shiftKey ? undo.redo() : undo.undo())
})

const emit = defineEmits<{ help: [], find: [] }>()
const build = useBuild()
const device = useDevice()
const outbox = useOutbox()
const shop = useShop()
const gauge = useGauge()
const route = useRoute()
const inBuild = computed(() => route.path.startsWith('/builds/'))
const kept = computed(() => inBuild.value && build.view ? build.view.entries.length : shop.kept)
const saved = computed(() => `${kept.value} kept${outbox.waiting.length ? ` · ${outbox.waiting.length} waiting` : ''}${shop.reachable ? '' : ' · no answer from the shop'}`)
const initials = (typed: string | number | undefined) => {
  device.hand = String(typed ?? '').toUpperCase().replace(/[^\p{L}]/gu, '').slice(0, 4)
}
// In the bar there is room for what it is, not for whose it is.
const gauges = computed((): [string, string, string?][] => [['', 'none'], ...gauge.gauges.map((g): [string, string, string] => [g.id, g.name, g.name.replace(/^Simulated /, '')])])
const chosen = computed({ get: () => gauge.chosenId, set: id => gauge.chosenId = id ?? '' })
</script>

<template>
  <div class="lid">
    <header class="header v-theme-provider v-theme--night">
      <NuxtLink to="/" class="mark" aria-label="Precise Bowl, to the shop">
        <svg width="30" height="24" viewBox="0 0 30 24" aria-hidden="true"><path d="M2 5h26M5 5c0 19 20 19 20 0" fill="none" stroke="currentColor" stroke-width="2.5" /><path d="M9 12h12" stroke="currentColor" stroke-width="1.5" /></svg>
        <span>Precise Bowl</span>
      </NuxtLink>
      <p v-if="inBuild && build.view" class="job" :title="`${build.view.name} ${build.view.reference}`"><strong>{{ build.view.name }}</strong> <span class="quiet">{{ build.view.reference }}</span></p>
      <p v-else class="job quiet">{{ shop.name }}</p>
      <SolidsWork class="work" />
      <p class="saved small num" role="status">{{ undo.said.value || saved }}</p>
      <template v-if="inBuild && build.view">
        <v-btn variant="text" class="turn" :disabled="!undo.undoing.value" :aria-label="`Undo ${undo.undoing.value}`" :title="undo.undoing.value ? `Undo: ${undo.undoing.value}` : 'Nothing to undo'" @click="undo.undo()"><v-icon :icon="mdiUndo" /></v-btn>
        <v-btn variant="text" class="turn" :disabled="!undo.redoing.value" :aria-label="`Redo ${undo.redoing.value}`" :title="undo.redoing.value ? `Do again: ${undo.redoing.value}` : 'Nothing to do again'" @click="undo.redo()"><v-icon :icon="mdiRedo" /></v-btn>
      </template>
      <div v-if="inBuild && gauge.gauges.length" class="hand">
        <span class="small wide">Gauge</span>
        <BenchSelect v-model="chosen" class="gauge-choice small bare" hide-label label="Gauge in hand" :items="gauges" />
      </div>
      <div class="hand" :class="{ wanting: device.hand === '' }">
        <span class="small">{{ device.hand ? 'Hand' : 'Your initials' }}</span>
        <BenchText class="initials bare" hide-label label="Your initials" :model-value="device.hand" maxlength="4" @update:model-value="initials" />
      </div>
      <v-btn variant="text" :aria-label="`Lengths in ${device.lengths === 'mm' ? 'mm' : 'inches'}: change`" @click="device.otherUnit()">
        <span class="num">{{ device.lengths === 'mm' ? 'mm' : 'in' }}</span>
      </v-btn>
      <v-btn variant="text" aria-label="Find" @click="emit('find')"><span class="num">/</span></v-btn>
      <v-btn variant="text" aria-label="Help and keys" @click="emit('help')"><span class="num">?</span></v-btn>
    </header>
  </div>
</template>

<style scoped>
/* The bar is dark by day too: what stands on it is dressed for the night. */
.lid { background: var(--bar); }
.header { display: flex; align-items: center; gap: 12px; height: 48px; padding: 0 12px; color: var(--ink); }
.mark { display: flex; align-items: center; gap: 8px; color: inherit; text-decoration: none; font-weight: 700; white-space: nowrap; }
.job { flex: 1; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
.header .quiet { color: #B9C2C9; }
.saved { white-space: nowrap; }
.hand { display: flex; align-items: center; gap: 6px; }
.initials { width: 62px; border-bottom: 1px solid #7C8892; --well-height: 30px; }
.initials :deep(input) { text-align: center; }
.hand.wanting .initials { background: var(--brass-fill); }
.hand.wanting .initials :deep(input) { color: #12202C; }
.header .v-btn { min-width: 36px; }
.turn:disabled { opacity: .35; }
:focus-visible { outline-color: #8FB0FF; }
.gauge-choice { border-bottom: 1px solid #7C8892; width: 134px; --well-height: 30px; }
@media (max-width: 1000px) { .mark span, .wide, .job .quiet { display: none; } .gauge-choice { width: 130px; } .header .v-btn { min-width: 44px; } .saved { max-width: 150px; overflow: hidden; } .work ~ .saved { display: none; } }
</style>
