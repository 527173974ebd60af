<script setup lang="ts">
import { solidsStopped } from '~/composables/useSolids'

/** Stands where a figure will stand once the chambers are solid. */
defineProps<{ says: string }>()
</script>

<template>
  <p class="quiet" role="status">{{ solidsStopped ? 'You stopped the chambers. Press Go on at the top, and this is worked out.' : says }}</p>
</template>
