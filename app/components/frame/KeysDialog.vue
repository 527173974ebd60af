<script setup lang="ts">
import { useDevice } from '~/stores/device'

const open = defineModel<boolean>({ required: true })
const device = useDevice()
const keys: [string, string][] = [
  ['1 2 3 5 6 9', 'stations'], ['[  ]', 'cylinder before, after'], ['n', 'new reading'], ['u', 'mm or inches'], ['/', 'find'],
  ['?', 'this list'], ['F9', 'takes the gauge’s reading into the field'], ['Enter', 'keeps a reading and moves on'], ['Esc', 'clears a reading, z brings it back']
]
</script>

<template>
  <v-dialog v-model="open">
    <div class="paper">
      <h2>Keys</h2>
      <table class="sheet-table">
        <tbody>
          <tr v-for="[key, does] in keys" :key="key"><td class="num">{{ key }}</td><td>{{ does }}</td></tr>
        </tbody>
      </table>
      <p class="small quiet note">Bare keys work while no field has the focus. Readings: 60+59.4 · 2.02in · .040 · 40 thou · 51,3 · 1 1/4"</p>
      <label class="check"><input v-model="device.bareKeys" type="checkbox"> Bare keys on</label>
      <label class="check"><input v-model="device.night" type="checkbox"> Night colours</label>
      <label class="check"><input type="checkbox" :checked="device.side === 'left'" @change="device.side = device.side === 'left' ? 'right' : 'left'"> Keypad on the left</label>
      <button class="key main" type="button" @click="open = false">Close</button>
    </div>
  </v-dialog>
</template>

<style scoped>
.check { display: flex; gap: 8px; align-items: center; min-height: 36px; }
.note { margin: 8px 0; }
</style>
