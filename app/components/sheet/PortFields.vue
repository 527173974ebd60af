<script setup lang="ts">
import { exhaustPort, portOpen } from '#core'
import { useBuild } from '~/stores/build'

/** Where a two-stroke's exhaust port is shut: as whoever measured it knows it. What was said last counts. */
const build = useBuild()
const ledger = computed(() => build.replayed?.ledger)
const shut = computed(() => ledger.value && exhaustPort(ledger.value, build.cylinder))
const open = computed(() => ledger.value && portOpen(ledger.value, build.cylinder))
const whole = { level: 'build' } as const
</script>

<template>
  <fieldset class="ports">
    <legend><h3>Exhaust port <span class="quiet small">state one of the three: the last one counts</span></h3></legend>
    <StatementField quantity="exhaustPortDeck" :scope="whole" no-basis label="Top edge, below deck" />
    <StatementField quantity="exhaustDuration" :scope="whole" no-basis label="Open for" />
    <StatementField quantity="exhaustPortTop" :scope="whole" no-basis label="Travel from shut to top" />
    <dl v-if="shut">
      <div><dt class="label">Shut to top</dt><dd><FigureReading label="Travel from the shut port to the top" :part="shut" dimension="length" formula="edge below deck − deck clearance, or by the degrees it is open" /></dd></div>
      <div v-if="open"><dt class="label">Open for</dt><dd><FigureReading label="Exhaust port open" :part="open" dimension="angle" formula="360° − the angle from shut to shut" /></dd></div>
      <div v-if="build.state?.trapped"><dt class="label">Trapped ratio</dt><dd><FigureReading label="Trapped ratio" :part="build.state.trapped" dimension="ratio" formula="(π/4 · B² · h + Vc) / Vc" /></dd></div>
      <div v-if="build.state?.full"><dt class="label">Full ratio</dt><dd><FigureReading label="Full ratio" :part="build.state.full" dimension="ratio" formula="(Vs + Vc) / Vc" /></dd></div>
    </dl>
  </fieldset>
</template>

<style scoped>
.ports { display: grid; grid-template-columns: repeat(3, minmax(0, 1fr)); gap: 4px 10px; align-content: start; }
dl { grid-column: 1 / -1; display: flex; gap: 24px; margin-top: 4px; font-size: var(--s18); }
</style>
