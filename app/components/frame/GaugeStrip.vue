<script setup lang="ts">
import { useGauge } from '~/stores/gauge'

/** The gauge in hand, as large as it must be read, and the one key that takes its reading. */
const gauge = useGauge()
</script>

<template>
  <section v-if="gauge.chosen" class="gauge" aria-label="Gauge">
    <span class="name small">{{ gauge.chosen.name }}</span>
    <output class="num shown" aria-live="off">{{ gauge.shown || '–' }}</output>
    <v-btn variant="flat" color="primary" class="take" :disabled="!gauge.shown" @pointerdown.prevent="gauge.take()" @keydown.enter.prevent="gauge.take()">Take reading <kbd class="small">F9</kbd></v-btn>
    <v-btn variant="text" aria-label="Put the gauge down" @click="gauge.chosenId = ''">×</v-btn>
  </section>
</template>

<style scoped>
.gauge { display: flex; align-items: center; gap: 14px; padding: 4px 16px; border-top: 1px solid var(--ink); background: var(--sheet-deep); min-height: 52px; }
.name { color: var(--quiet); }
.shown { flex: 1; text-align: right; font-size: var(--s32); line-height: 1; min-width: 190px; }
.take { min-width: 190px; min-height: 44px; }
kbd { font-family: var(--figure); opacity: .8; }
</style>
