<script setup lang="ts">
import { useOutbox } from '~/stores/outbox'

/** Writes that had waited and were then refused: nothing is dropped without having been read. */
const outbox = useOutbox()
const typedIn = (body: string) => {
  const { body: inner } = JSON.parse(body) as { body?: { typed?: string, figure?: { typed: string }, depth?: { typed: string } } }
  return inner?.typed ?? inner?.figure?.typed ?? inner?.depth?.typed ?? ''
}
</script>

<template>
  <div v-if="outbox.refused.length" class="trouble" role="alert">
    <p v-for="{ write, problem } in outbox.refused" :key="write.id">
      Not kept: <span class="num">{{ typedIn(write.body) }}</span> {{ problem.fields?.[0]?.sentence ?? problem.detail }}
      <button class="key" type="button" @click="outbox.dismiss(write.id)">Read</button>
    </p>
  </div>
</template>

<style scoped>
.trouble { border-bottom: 2px solid var(--stop); padding: 6px 16px; }
</style>
