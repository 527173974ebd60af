<script setup lang="ts">
import { mdiBackspaceOutline, mdiKeyboardReturn } from '@mdi/js'
import { useDevice } from '~/stores/device'

const keypad = useKeypad()
const device = useDevice()
const rows = [['7', '8', '9', '+'], ['4', '5', '6', '/'], ['1', '2', '3', ' thou'], ['-', '0', '.', 'in']]
</script>

<template>
  <div v-if="keypad.atBench.value && keypad.active.value" class="keypad" :class="device.side" role="group" aria-label="Keypad">
    <div class="keys">
      <template v-for="row in rows" :key="row[0]">
        <button v-for="key in row" :key="key" class="pad num" type="button" tabindex="-1" @pointerdown.prevent="keypad.active.value?.insert(key)">{{ key.trim() }}</button>
      </template>
    </div>
    <div class="ends">
      <button class="pad" type="button" tabindex="-1" aria-label="Delete" @pointerdown.prevent="keypad.active.value?.erase()">
        <svg width="28" height="28" viewBox="0 0 24 24" aria-hidden="true"><path :d="mdiBackspaceOutline" fill="currentColor" /></svg>
      </button>
      <button class="pad enter" type="button" tabindex="-1" @pointerdown.prevent="keypad.active.value?.commit()">
        <svg width="28" height="28" viewBox="0 0 24 24" aria-hidden="true"><path :d="mdiKeyboardReturn" fill="currentColor" /></svg> next
      </button>
    </div>
  </div>
</template>

<style scoped>
.keypad { display: flex; height: 288px; border-top: 1px solid var(--ink); background: var(--sheet-deep); padding-left: 30%; }
.keypad.left { padding-left: 0; padding-right: 30%; flex-direction: row-reverse; }
.keys { flex: 4; display: grid; grid-template-columns: repeat(4, 1fr); grid-auto-rows: 72px; }
.ends { flex: 1.2; display: grid; grid-template-rows: 72px 1fr; }
.pad { border: 1px solid var(--hair); background: var(--sheet); font-size: var(--s22); cursor: pointer; display: grid; place-items: center; touch-action: manipulation; }
.pad:active { background: var(--well); }
.enter { background: var(--dye); color: var(--scribe); font-size: var(--s18); }
</style>
