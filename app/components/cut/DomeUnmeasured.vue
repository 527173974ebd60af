<script setup lang="ts">
import { domeUnmeasured } from '#core'
import { useBuild } from '~/stores/build'

/** Beside a cut that brings a dome nearer to its chamber, where nobody measured how near it is. */
const build = useBuild()
const unmeasured = computed(() => build.replayed !== undefined && domeUnmeasured(build.replayed, build.cylinder))
</script>

<template>
  <p v-if="unmeasured" class="small" data-dome>The dome of the piston comes nearer to the chamber too: measure that clearance at <GoTo :at="{ station: 'mockup', leaf: 'clearances', field: 'domeToChamber' }">Mock-up</GoTo> first.</p>
</template>
