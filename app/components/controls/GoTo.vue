<script setup lang="ts">
import type { Place } from '#core'
import { openingOf } from '~/composables/useOpening'
import { useBuild } from '~/stores/build'

/** A link to where something of the build on the bench is entered or settled. */
defineProps<{ at: Place, cylinder?: number }>()
const build = useBuild()
</script>

<template>
  <NuxtLink v-if="build.view" class="go" :to="openingOf(build.view.id, at, cylinder)"><slot /></NuxtLink>
</template>
