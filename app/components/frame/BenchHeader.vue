<script setup lang="ts">
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { useGauge } from '~/stores/gauge'
import { useOutbox } from '~/stores/outbox'
import { useShop } from '~/stores/shop'

const emit = defineEmits<{ keys: [], find: [] }>()
const build = useBuild()
const device = useDevice()
const outbox = useOutbox()
const shop = useShop()
const gauge = useGauge()
const route = useRoute()
const inBuild = computed(() => route.path.startsWith('/builds/'))
const kept = computed(() => inBuild.value && build.view ? build.view.entries.length : shop.kept)
const saved = computed(() => `${kept.value} kept${outbox.waiting.length ? ` · ${outbox.waiting.length} waiting` : ''}${shop.reachable ? '' : ' · no answer from the shop'}`)
const initials = (event: Event) => {
  const el = event.target as HTMLInputElement
  device.hand = el.value.toUpperCase().replace(/[^\p{L}]/gu, '').slice(0, 4)
  el.value = device.hand
}
</script>

<template>
  <header class="header">
    <NuxtLink to="/" class="mark" aria-label="Precise Bowl, to the shop">
      <svg width="30" height="24" viewBox="0 0 30 24" aria-hidden="true"><path d="M2 5h26M5 5c0 19 20 19 20 0" fill="none" stroke="currentColor" stroke-width="2.5" /><path d="M9 12h12" stroke="currentColor" stroke-width="1.5" /></svg>
      <span>Precise Bowl</span>
    </NuxtLink>
    <p v-if="inBuild && build.view" class="job"><strong>{{ build.view.name }}</strong> <span class="quiet">{{ build.view.reference }}</span></p>
    <p v-else class="job quiet">{{ shop.name }}</p>
    <p class="saved small num" role="status">{{ saved }}</p>
    <label v-if="inBuild && gauge.gauges.length" class="hand">
      <span class="small wide">Gauge</span>
      <select class="gauge-choice small" :value="gauge.chosenId" aria-label="Gauge in hand" @change="gauge.chosenId = ($event.target as HTMLSelectElement).value">
        <option value="">none</option>
        <option v-for="g in gauge.gauges" :key="g.id" :value="g.id">{{ g.name }}</option>
      </select>
    </label>
    <label class="hand" :class="{ wanting: device.hand === '' }">
      <span class="small">{{ device.hand ? 'Hand' : 'Your initials' }}</span>
      <span class="well"><input :value="device.hand" maxlength="4" autocomplete="off" aria-label="Your initials" @input="initials"></span>
    </label>
    <button class="key bare" type="button" :aria-label="`Lengths in ${device.lengths === 'mm' ? 'mm' : 'inches'}: change`" @click="device.otherUnit()">
      <span class="num">{{ device.lengths === 'mm' ? 'mm' : 'in' }}</span>
    </button>
    <button class="key bare" type="button" aria-label="Find" @click="emit('find')"><span class="num">/</span></button>
    <button class="key bare" type="button" aria-label="Keys" @click="emit('keys')"><span class="num">?</span></button>
  </header>
</template>

<style scoped>
.header { display: flex; align-items: center; gap: 12px; height: 48px; padding: 0 12px; background: var(--ink); color: var(--sheet); }
.mark { display: flex; align-items: center; gap: 8px; color: inherit; text-decoration: none; font-weight: 700; white-space: nowrap; }
.job { flex: 1; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
.header .quiet { color: #B9C2C9; }
.saved { white-space: nowrap; }
.hand { display: flex; align-items: center; gap: 6px; }
.hand .well { width: 62px; background: transparent; border-bottom: 1px solid #7C8892; }
.hand .well::before, .hand .well::after { border-color: var(--sheet); }
.hand.wanting .well { background: var(--brass-fill); color: #12202C; }
.hand input { text-align: center; min-height: 30px !important; }
.key.bare { color: inherit; min-width: 36px; }
.key.bare:hover { background: #2A3A48; }
.night .header { background: #060B10; color: var(--ink); }
:focus-visible { outline-color: #8FB0FF; }
.gauge-choice { background: transparent; color: inherit; border: 0; border-bottom: 1px solid #7C8892; min-height: 30px; width: 104px; text-overflow: ellipsis; }
.gauge-choice option { background: var(--sheet); color: #12202C; }
.night .gauge-choice option { color: var(--ink); }
@media (max-width: 1000px) { .wide, .job .quiet { display: none; } .gauge-choice { min-height: 44px; width: 84px; } .key.bare { min-width: 44px; } .saved { max-width: 150px; overflow: hidden; } }
</style>
