<script setup lang="ts">
import { mdiBackspaceOutline, mdiKeyboardReturn } from '@mdi/js'
import { useDevice } from '~/stores/device'

const keypad = useKeypad()
const device = useDevice()
// The keys take room from below: a field that lay there is brought up over them.
watch(keypad.active, async (field) => {
  if (!field || !keypad.atBench.value) return
  await nextTick()
  const focused = document.activeElement
  ;(focused?.closest('.v-input') ?? focused)?.scrollIntoView({ block: 'nearest' })
})
const rows = [['7', '8', '9', '+'], ['4', '5', '6', '/'], ['1', '2', '3', ' thou'], ['-', '0', '.', 'in']]
</script>

<template>
  <div v-if="keypad.atBench.value && keypad.active.value" class="keypad" :class="device.side" role="group" aria-label="Keypad">
    <div class="keys">
      <template v-for="row in rows" :key="row[0]">
        <v-btn v-for="key in row" :key="key" class="pad num" tabindex="-1" @mousedown.prevent @pointerdown.prevent="keypad.active.value?.insert(key)">{{ key.trim() }}</v-btn>
      </template>
    </div>
    <div class="ends">
      <v-btn class="pad" tabindex="-1" aria-label="Delete" @mousedown.prevent @pointerdown.prevent="keypad.active.value?.erase()">
        <v-icon :icon="mdiBackspaceOutline" size="28" />
      </v-btn>
      <v-btn class="pad enter" tabindex="-1" @mousedown.prevent @pointerdown.prevent="keypad.active.value?.commit()">
        <v-icon :icon="mdiKeyboardReturn" size="28" /> next
      </v-btn>
    </div>
  </div>
</template>

<style scoped>
.keypad { display: flex; height: 288px; border-top: 1px solid var(--ink); background: var(--sheet-deep); padding-left: 30%; }
.keypad.left { padding-left: 0; padding-right: 30%; flex-direction: row-reverse; }
.keys { flex: 4; display: grid; grid-template-columns: repeat(4, 1fr); grid-auto-rows: 72px; }
.ends { flex: 1.2; display: grid; grid-template-rows: 72px 1fr; }
.pad.v-btn { height: auto; border: 1px solid var(--hair); background: var(--sheet); font-size: var(--s22); touch-action: manipulation; }
.pad:active { background: var(--well); }
.enter.v-btn { background: var(--fill); color: var(--on-fill); font-size: var(--s18); }
</style>
