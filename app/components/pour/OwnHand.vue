<script setup lang="ts">
import { digits } from '#shared/figures'
import type { useOwnHand } from '~/composables/useOwnHand'
import { useDevice } from '~/stores/device'

/** What twenty readings of practice say of this hand, offered for its pours: whoever pours says whether it counts. */
defineProps<{ own: ReturnType<typeof useOwnHand>, glass: number }>()
const device = useDevice()
</script>

<template>
  <p v-if="own.counts.value !== undefined" class="small own">The hand of {{ device.hand }} counts: <span class="num">± {{ digits(2 * own.counts.value, 2) }}</span> cc a pour. <v-btn variant="text" class="go" @click="own.leave()">Go by the glass</v-btn></p>
  <p v-else-if="own.offered.value !== undefined" class="small own">By your practice you repeat a pour to <span class="num">± {{ digits(2 * own.offered.value, 2) }}</span> cc; <span class="num">± {{ digits(2 * glass, 2) }}</span> counts. <v-btn variant="text" class="go" @click="own.take()">Go by your hand</v-btn></p>
</template>
